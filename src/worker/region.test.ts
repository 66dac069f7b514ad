import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { Region } from './region';

const [WIDTH, HEIGHT] = [61, 43];
const VIEW = { width: WIDTH, height: HEIGHT, scale: 1, x: 0, y: 0 };
const side = fc.double({ min: -30, max: 90, noNaN: true });
const boxes = fc
  .array(fc.tuple(side, side, fc.double({ min: 0, max: 40, noNaN: true })), { minLength: 1, maxLength: 6 })
  .map((list) => Float64Array.from(list.flatMap(([x, y, size]) => [x, y, x + size, y + size / 2])));

const holds = (list: Float64Array, k: number, x: number, y: number, by: number): boolean =>
  x + 1 > list[4 * k]! - by &&
  x < list[4 * k + 2]! + by &&
  y + 1 > list[4 * k + 1]! - by &&
  y < list[4 * k + 3]! + by;

describe('A part of a canvas', () => {
  it('has every pixel that a box can colour, each once', () => {
    fc.assert(
      fc.property(boxes, (list) => {
        const region = new Region(VIEW);
        for (let k = 0; k < list.length / 4; k += 1) region.add(list, k);
        const rects = region.rects();
        for (let x = 0; x < WIDTH; x += 3)
          for (let y = 0; y < HEIGHT; y += 3) {
            const times = rects.filter(
              ([left, top, wide, high]) => x >= left && x < left + wide && y >= top && y < top + high,
            ).length;
            expect(times).toBeLessThanOrEqual(1);
            if (
              Array.from(list.subarray(0, list.length / 4), (_, k) => holds(list, k, x, y, 0.5)).some(Boolean)
            )
              expect(times).toBe(1);
          }
      }),
    );
  });

  it('is where the view has what changed', () => {
    const region = new Region({ ...VIEW, scale: 2, x: 20, y: 10 });
    region.add(Float64Array.of(2.5, 4, 3, 4.5), 0);
    expect(region.rects()).toEqual([[24, 16, 8, 8]]);
  });

  it('is touched by what can colour a pixel of it, and by nothing that is far away', () => {
    fc.assert(
      fc.property(boxes, boxes, (list, others) => {
        const region = new Region(VIEW);
        region.add(list, 0);
        const rects = region.rects();
        for (let k = 0; k < others.length / 4; k += 1) {
          const [left, top, right, bottom] = others.subarray(4 * k, 4 * k + 4) as unknown as number[];
          const meets = (by: number): boolean =>
            rects.some(
              ([x, y, wide, high]) =>
                left! < x + wide + by && right! > x - by && top! < y + high + by && bottom! > y - by,
            );
          if (meets(0)) expect(region.touches(others, k)).toBe(true);
          if (!meets(16)) expect(region.touches(others, k)).toBe(false);
        }
      }),
    );
  });
});
