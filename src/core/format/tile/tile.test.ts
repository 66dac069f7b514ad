import { describe, expect, it } from 'vitest';

import { posterWheel } from '../../../../demo/pieces/posterWheel';
import { difference, pixelsOf } from '../../../../tests/help/pictures';
import { disc, withForms } from '../../../../tests/help/figures';
import { setFold } from '@/core/figure/commands';
import { evaluateWhole, type Figure } from '@/core/figure';
import type { Scene } from '@/core/scene';
import { ARRANGEMENTS, tileOf, type TileChoices } from './tile';
import { tileInPixels, tileSvg } from './tileSvg';

const SQUARE: TileChoices = { arrangement: 'square', spacing: 0, turn: 0, half: false };

/** A motif that reaches over two edges of its page, and is the same under no turn. */
const over = (): Figure => setFold(withForms(disc(40, -70, 34), disc(-20, 10, 15)), 'r', 1);
const scene = (): Promise<Scene> => evaluateWhole(over());

/** The largest change from one row or column of pixels to the next: inside a picture, and from its last to its first. */
function steps(pixels: ArrayLike<number>, wide: number, high: number) {
  const at = (x: number, y: number, c: number): number => pixels[4 * (y * wide + x) + c]!;
  let [inside, across] = [0, 0];
  const columns = (x: number, next: number): number => {
    let sum = 0;
    for (let y = 0; y < high; y += 1)
      for (let c = 0; c < 4; c += 1) sum += Math.abs(at(x, y, c) - at(next, y, c));
    return sum / high;
  };
  const rows = (y: number, next: number): number => {
    let sum = 0;
    for (let x = 0; x < wide; x += 1)
      for (let c = 0; c < 4; c += 1) sum += Math.abs(at(x, y, c) - at(x, next, c));
    return sum / wide;
  };
  for (let x = 0; x + 1 < wide; x += 1) inside = Math.max(inside, columns(x, x + 1));
  for (let y = 0; y + 1 < high; y += 1) inside = Math.max(inside, rows(y, y + 1));
  across = Math.max(columns(wide - 1, 0), rows(high - 1, 0));
  return { inside, across };
}

describe('a tile', () => {
  it.each(ARRANGEMENTS.flatMap((arrangement) => [false, true].map((half) => [arrangement, half] as const)))(
    'laid %s, half-turned %s, goes on at the other side: no step across an edge is larger than within',
    async (arrangement, half) => {
      const choices = { arrangement, half, spacing: -10, turn: 25 };
      const { svg, width, height } = tileInPixels(await scene(), choices, {
        size: 240,
        background: true,
        decimals: 6,
      });
      expect(Math.max(width, height)).toBe(240);
      const pixels = pixelsOf(svg, width);
      expect(pixels).toHaveLength(4 * width * height);
      const { inside, across } = steps(pixels, width, height);
      expect(inside).toBeGreaterThan(0);
      expect(across).toBeLessThanOrEqual(inside);
    },
  );

  it('has the size of its page and the spacing, and as many figures as its lay asks for', async () => {
    const small = await evaluateWhole(setFold(withForms(disc(0, -10, 5)), 'r', 1));
    const { width, height } = small.page;
    expect(tileOf(small, { ...SQUARE, spacing: 50 })).toMatchObject({
      width: 1.5 * width,
      height: 1.5 * height,
    });
    const count = (choices: Partial<TileChoices>): number =>
      tileOf(small, { ...SQUARE, ...choices }).places.length;
    expect(count({})).toBe(1);
    expect(count({ half: true })).toBe(4);
    expect(count({ arrangement: 'drop' })).toBe(2);
    const hexagon = tileOf(small, { ...SQUARE, arrangement: 'hexagon' });
    expect(hexagon.height / hexagon.width).toBeCloseTo(Math.sqrt(3), 12);
  });

  it('has every second one on its head where that is asked', async () => {
    const small = await evaluateWhole(setFold(withForms(disc(0, -10, 5)), 'r', 1));
    const turned = tileOf(small, { ...SQUARE, half: true, turn: 10 }).places.map((place) => place.turned);
    expect(turned.sort((a, b) => a - b)).toEqual([10, 10, 190, 190]);
  });

  it('as a pattern draws what it draws alone, side by side', async () => {
    const wheel = await evaluateWhole(posterWheel());
    const options = { decimals: 4, background: true } as const;
    const choices = { ...SQUARE, arrangement: 'brick', spacing: 10 } as const;
    const one = pixelsOf(tileSvg(wheel, choices, { ...options, as: 'tile' }), 150);
    const nine = pixelsOf(tileSvg(wheel, choices, { ...options, as: 'pattern' }), 450);
    const high = one.length / 4 / 150;
    const part = new Uint8Array(one.length);
    for (let y = 0; y < high; y += 1)
      part.set(nine.subarray(4 * ((high + y) * 450 + 150), 4 * ((high + y) * 450 + 300)), 4 * 150 * y);
    expect(difference(part, one)).toBeLessThan(0.02);
  });
});
