import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { colourNumber, type Laid, LaidPicture, shownAs, weightsOf } from './laidPicture';
import type { Mask } from './masks';
import { Region } from './region';

const [WIDTH, HEIGHT] = [40, 30];
const VIEW = { width: WIDTH, height: HEIGHT, scale: 1, x: 0, y: 0 };

interface Box {
  readonly left: number;
  readonly top: number;
  readonly wide: number;
  readonly high: number;
}

/** A rectangle whose rim is covered in part. */
function rectangle(
  { left, top, wide, high }: Box,
  rim: number,
): { readonly read: Mask; readonly region: Region } {
  const [solid, edge]: [number[], number[]] = [[], []];
  for (let y = top; y < top + high; y += 1)
    for (let x = left; x < left + wide; x += 1) (x === left || y === top ? edge : solid).push(y * WIDTH + x);
  const region = new Region(VIEW);
  region.add(Float64Array.of(left, top, left + wide, top + high), 0);
  const cover = Uint8Array.from(edge, () => rim);
  return { region, read: { solid: Uint32Array.from(solid), edge: Uint32Array.from(edge), cover } };
}

const RED = colourNumber('#ff0000');
const BLUE = colourNumber('#0000ff');
const bytesOf = (pixel: number | undefined): readonly number[] => [
  ...new Uint8Array(Uint32Array.of(pixel ?? 0).buffer),
];

const boxes = fc.record({
  left: fc.integer({ min: 0, max: 20 }),
  top: fc.integer({ min: 0, max: 15 }),
  wide: fc.integer({ min: 1, max: 20 }),
  high: fc.integer({ min: 1, max: 15 }),
});
const colours = fc.integer({ min: 0, max: 0xffffff }).map((rgb) => (rgb | 0xff000000) >>> 0);
const someParts = fc.array(fc.tuple(boxes, fc.integer({ min: 1, max: 254 }), colours), {
  minLength: 1,
  maxLength: 8,
});

describe('A picture of what is laid', () => {
  it('has each colour as it is, one over another', () => {
    const picture = new LaidPicture(VIEW, null);
    const [below, above] = [
      rectangle({ left: 0, top: 0, wide: 10, high: 10 }, 128),
      rectangle({ left: 4, top: 4, wide: 10, high: 10 }, 51),
    ];
    picture.lay([
      { ...below, colour: RED },
      { ...above, colour: BLUE },
    ]);
    const at = (x: number, y: number) => bytesOf(picture.shown[y * WIDTH + x]);
    expect(at(2, 2)).toEqual([255, 0, 0, 255]);
    expect(at(0, 2)).toEqual([255, 0, 0, 128]);
    expect(at(6, 6)).toEqual([0, 0, 255, 255]);
    // A fifth of blue over red, and of blue over nothing.
    expect(at(4, 6)).toEqual([204, 0, 51, 255]);
    expect(at(4, 12)).toEqual([0, 0, 255, 51]);
    expect(at(30, 20)).toEqual([0, 0, 0, 0]);
  });

  it('lays a part of it over what is half seen through', () => {
    const half = rectangle({ left: 0, top: 0, wide: 4, high: 4 }, 128);
    const picture = new LaidPicture(VIEW, null);
    picture.lay([
      { ...half, colour: RED },
      { ...rectangle({ left: 0, top: 0, wide: 4, high: 4 }, 128), colour: BLUE },
    ]);
    const [red = 0, , blue = 0, opacity = 0] = bytesOf(picture.shown[1]);
    // 1 - (1 - 128/255)^2 of 255; blue is 128 of it, red what is left.
    expect(opacity).toBe(192);
    expect(blue / 255).toBeCloseTo(128 / 191.7, 2);
    expect(red / 255).toBeCloseTo(63.7 / 191.7, 2);
  });

  it('is the same whether all of it was laid anew or what changed', () => {
    fc.assert(
      fc.property(
        someParts,
        fc.array(fc.tuple(fc.nat(7), colours, fc.boolean()), { maxLength: 4 }),
        fc.option(fc.double({ min: 0, max: 0.95, noNaN: true }), { nil: null }),
        (list, changes, strength) => {
          const full = rectangle({ left: 3, top: 3, wide: 12, high: 12 }, 99).read;
          const weights = strength === null ? null : weightsOf(WIDTH * HEIGHT, strength, full);
          let parts = list.map(([box, rim, colour]): Laid => ({ ...rectangle(box, rim), colour }));
          const kept = new LaidPicture(VIEW, weights);
          kept.lay(parts);
          for (const [number, colour, isGone] of changes) {
            parts = isGone
              ? parts.filter((_, k) => k !== number)
              : parts.map((part, k) => (k === number && part.colour !== null ? { ...part, colour } : part));
            kept.lay(parts);
            const whole = new LaidPicture(VIEW, weights);
            whole.lay(parts);
            expect(kept.shown).toEqual(whole.shown);
          }
          // In another order they lie otherwise.
          const turned = [...parts].reverse();
          kept.lay(turned);
          const whole = new LaidPicture(VIEW, weights);
          whole.lay(turned);
          expect(kept.shown).toEqual(whole.shown);
        },
      ),
    );
  });

  it('is as strong as it is told, in full where it is told so', () => {
    const full = rectangle({ left: 0, top: 0, wide: 5, high: 5 }, 51).read;
    const weights = weightsOf(WIDTH * HEIGHT, 0.2, full)!;
    expect([weights[2 * WIDTH + 2], weights[2 * WIDTH], weights[20]]).toEqual([255, 92, 51]);
    expect(weightsOf(4, 1, full)).toBeNull();
    const picture = new LaidPicture(VIEW, null);
    picture.lay([{ ...rectangle({ left: 0, top: 0, wide: 9, high: 9 }, 255), colour: RED }]);
    const strong = [...picture.shown];
    picture.weigh(weights);
    expect(bytesOf(picture.shown[8 * WIDTH + 8])).toEqual([255, 0, 0, 51]);
    expect(bytesOf(picture.shown[2 * WIDTH + 2])).toEqual([255, 0, 0, 255]);
    expect(shownAs(Uint32Array.from(strong), weights)).toEqual(picture.shown);
    picture.weigh(null);
    expect([...picture.shown]).toEqual(strong);
  });
});
