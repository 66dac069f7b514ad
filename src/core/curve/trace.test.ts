import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { signedArea, type Path } from './path';
import { distance, type Point } from './point';
import { pointAt } from './segment';
import { traced, type GreyPicture, type TraceOptions } from './trace';

const OPTIONS: TraceOptions = { threshold: 0.5, light: false, smoothness: 0.7, smallest: 4 };

/** A picture of what a rule says is dark, each pixel by the share of 16 samples in it. */
function pictureOf(width: number, height: number, isDark: (p: Point) => boolean): GreyPicture {
  const values = new Float32Array(width * height);
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      let dark = 0;
      for (let k = 0; k < 16; k += 1)
        if (isDark({ x: x + ((k % 4) + 0.5) / 4, y: y + (Math.floor(k / 4) + 0.5) / 4 })) dark += 1;
      values[y * width + x] = 1 - dark / 16;
    }
  return { width, height, values };
}

const disc =
  (x: number, y: number, r: number) =>
  (p: Point): boolean =>
    distance(p, { x, y }) <= r;
const area = (paths: readonly Path[]): number =>
  paths.reduce((sum, path, k) => sum + (k === 0 ? 1 : -1) * Math.abs(signedArea([path])), 0);

describe('a trace', () => {
  it('of a disc is its circle, with few nodes', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 12, max: 40, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (r, off) => {
          const centre = { x: 50 + off, y: 50 - off };
          const [shape, another] = traced(pictureOf(100, 100, disc(centre.x, centre.y, r)), OPTIONS);
          expect(another).toBeUndefined();
          expect(shape).toHaveLength(1);
          const [circle] = shape!;
          expect(circle!.segments.length).toBeLessThanOrEqual(12);
          // Its radius is met to 0.4 pixels in the mean.
          expect(Math.abs(area(shape!) / (Math.PI * r * r) - 1)).toBeLessThan(0.8 / r);
          for (const segment of circle!.segments)
            for (let k = 0; k < 8; k += 1)
              expect(Math.abs(distance(pointAt(segment, k / 8), centre) - r)).toBeLessThan(0.7 + 0.6);
        },
      ),
      { numRuns: 15 },
    );
  });

  it('keeps corners and straight sides', () => {
    const square = pictureOf(60, 60, ({ x, y }) => x >= 10 && x <= 45 && y >= 12 && y <= 50);
    const [[path]] = traced(square, OPTIONS) as [[Path]];
    const long = path.segments.filter(({ from, to }) => distance(from, to) > 20);
    expect(long.map(({ kind }) => kind)).toEqual(['line', 'line', 'line', 'line']);
    for (const corner of [
      { x: 10, y: 12 },
      { x: 45, y: 50 },
    ])
      expect(Math.min(...path.segments.map(({ from }) => distance(from, corner)))).toBeLessThan(0.05);
    expect(Math.abs(area([path]) / (35 * 38) - 1)).toBeLessThan(0.003);
  });

  it('gives each area its holes, leaves specks out, and ends at the edge of the picture', () => {
    const ring = disc(30, 30, 24);
    const hole = disc(30, 30, 10);
    const speck = disc(70, 10, 1);
    const band = ({ y }: Point): boolean => y > 69;
    const picture = pictureOf(80, 80, (p) => (ring(p) && !hole(p)) || speck(p) || band(p));
    const shapes = traced(picture, { ...OPTIONS, smallest: 12 });
    expect(shapes.map((paths) => paths.length).sort()).toEqual([1, 2]);
    const [round, edge] = [...shapes].sort((a, b) => b.length - a.length);
    expect(Math.abs(area(round!) / (Math.PI * (24 ** 2 - 10 ** 2)) - 1)).toBeLessThan(0.03);
    expect(Math.abs(area(edge!) / 880 - 1)).toBeLessThan(0.02);
    expect(traced(picture, OPTIONS)).toHaveLength(2);
    expect(traced(picture, { ...OPTIONS, smallest: 1 })).toHaveLength(3);
  });

  it('by another threshold takes more or less, or what is light', () => {
    const blurred = pictureOf(80, 80, disc(40, 40, 20));
    const soft = {
      ...blurred,
      values: Float32Array.from({ length: 6400 }, (_, k) => {
        const away = distance({ x: (k % 80) + 0.5, y: Math.floor(k / 80) + 0.5 }, { x: 40, y: 40 });
        return Math.min(1, away / 40);
      }),
    };
    // Grey grows by 1/40 a pixel from the middle: a threshold t is met at 40 t pixels.
    for (const threshold of [0.3, 0.5, 0.8])
      expect(
        Math.abs(area(traced(soft, { ...OPTIONS, threshold })[0]!) / (Math.PI * (40 * threshold) ** 2) - 1),
      ).toBeLessThan(0.03);
    const light = traced(blurred, { ...OPTIONS, light: true });
    expect(light.map((paths) => paths.length)).toEqual([2]);
    // Four dots: a share is told for each, up to all.
    const dots = pictureOf(100, 100, ({ x, y }) => Math.hypot((x % 50) - 25, (y % 50) - 25) < 10);
    const told: number[] = [];
    expect(traced(dots, OPTIONS, (share) => told.push(share))).toHaveLength(4);
    expect(told).toEqual([0.25, 0.5, 0.75, 1]);
    expect(traced({ width: 4, height: 4, values: new Float32Array(16).fill(1) }, OPTIONS)).toEqual([]);
  });
});
