import sharp from 'sharp';
import { describe, expect, it } from 'vitest';

import { addShapes, setFold, setMirror } from '@/core/figure/commands';
import { type Figure, newFigure, newShape } from '@/core/figure';
import { turn } from '@/core/number';
import { makeFile } from './makeFile';

/** Overlapping ellipses in a mirrored round. */
function rosette(fold: number, colour: string): Figure {
  const form = {
    kind: 'ellipse',
    at: { x: 7, y: -40 },
    rotation: turn(1, 17),
    params: { width: 50, height: 30 },
  } as const;
  const shape = newShape('c', 'Ellipse', form, { fill: colour, stroke: null });
  return setMirror(setFold(addShapes(newFigure('Rosette', 'r'), 'r', [shape]), 'r', fold), 'r', true);
}

async function pixelsOf(figure: Figure, size: number, background: boolean) {
  const { bytes } = await makeFile({ figure, to: 'png', options: { size, background, bleed: false } });
  return sharp(bytes).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
}

describe('A picture in pixels', () => {
  it.each([4, 8])('of a mirrored figure of %i folds is symmetric to two levels', async (fold) => {
    const { data, info } = await pixelsOf(rosette(fold, '#113d4c'), 300, true);
    const last = info.width - 1;
    const at = (x: number, y: number, channel: number): number =>
      data[4 * (y * info.width + x) + channel] ?? 0;
    let worst = 0;
    for (let y = 0; y <= last; y += 1)
      for (let x = 0; x <= last; x += 1)
        for (let channel = 0; channel < 4; channel += 1)
          for (const [u, v] of [[last - x, y] as const, [x, last - y] as const, [y, x] as const])
            worst = Math.max(worst, Math.abs(at(x, y, channel) - at(u, v, channel)));
    expect(worst).toBeLessThanOrEqual(2);
  });

  it('has the colour of its shapes up to edges that are seen through', async () => {
    const { data } = await pixelsOf(rosette(6, '#d9512c'), 200, false);
    let edges = 0;
    for (let k = 0; k < data.length; k += 4) {
      const alpha = data[k + 3] ?? 0;
      if (alpha < 40 || alpha > 250) continue;
      edges += 1;
      expect(Math.abs((data[k] ?? 0) - 0xd9)).toBeLessThan(8);
      expect(Math.abs((data[k + 2] ?? 0) - 0x2c)).toBeLessThan(8);
    }
    expect(edges).toBeGreaterThan(100);
  });

  it('is the same as WebP to the last level at full quality, and nearly so as JPEG on white', async () => {
    const figure = rosette(5, '#1f8a76');
    const options = { size: 160, background: false, bleed: false };
    const read = async (to: string, more: object) => {
      const { bytes, mediaType, file } = await makeFile({ figure, to, options: { ...options, ...more } });
      const { format } = await sharp(bytes).metadata();
      return { bytes, mediaType, file, format };
    };
    const [png, webp, jpeg] = [
      await read('png', {}),
      await read('webp', { quality: 100 }),
      await read('jpeg', { quality: 95 }),
    ];
    expect(webp).toMatchObject({ format: 'webp', mediaType: 'image/webp', file: 'rosette.webp' });
    expect(jpeg).toMatchObject({ format: 'jpeg', mediaType: 'image/jpeg', file: 'rosette.jpg' });
    const raw = (bytes: Uint8Array) => sharp(bytes).flatten({ background: '#fff' }).raw().toBuffer();
    const [a, b, c] = [await raw(png.bytes), await raw(webp.bytes), await raw(jpeg.bytes)];
    expect(b.equals(a)).toBe(true);
    const apart = c.reduce((sum, level, k) => sum + Math.abs(level - (a[k] ?? 0)), 0) / c.length;
    expect(apart).toBeLessThan(3);
    const less = await read('jpeg', { quality: 20 });
    expect(less.bytes.length).toBeLessThan(jpeg.bytes.length / 2);
  });

  it('has as many pixels as were asked for, whatever its sides', async () => {
    const figure = { ...rosette(4, '#113d4c') };
    for (const [width, height, size] of [
      [210, 297, 333],
      [297, 210, 101],
      [100, 1, 50],
    ] as const) {
      const { info } = await pixelsOf({ ...figure, page: { ...figure.page, width, height } }, size, true);
      expect(Math.max(info.width, info.height)).toBe(size);
      expect(Math.min(info.width, info.height)).toBe(
        Math.max(1, Math.round((size * Math.min(width, height)) / Math.max(width, height))),
      );
    }
  });
});
