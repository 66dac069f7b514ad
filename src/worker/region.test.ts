import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { onSheets, Region } from './region';

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

  it('ends where the canvas does', () => {
    const region = new Region(VIEW);
    region.add(Float64Array.of(-90, -90, 200, 200), 0);
    const area = region.rects().reduce((sum, [, , wide, high]) => sum + wide * high, 0);
    expect(area).toBe(WIDTH * HEIGHT);
    const beside = new Region(VIEW);
    for (const box of [
      [-90, 0, -20, 40],
      [0, -90, 40, -20],
      [90, 0, 99, 40],
      [0, 90, 40, 99],
    ])
      beside.add(Float64Array.from(box), 0);
    expect(beside.rects()).toEqual([]);
  });
});

describe('Parts of a canvas on sheets', () => {
  const regionOf = (list: Float64Array): Region => {
    const region = new Region(VIEW);
    for (let k = 0; k < list.length / 4; k += 1) region.add(list, k);
    return region;
  };

  it('are all there, each once, and share no pixel of a sheet', () => {
    fc.assert(
      fc.property(fc.array(boxes, { maxLength: 7 }), (lists) => {
        const regions = lists.map(regionOf);
        const sheets = onSheets(VIEW, regions);
        expect(sheets.flat().sort((a, b) => a - b)).toEqual(lists.map((_, k) => k));
        for (const sheet of sheets) {
          const taken = new Set<number>();
          for (const [left, top, wide, high] of sheet.flatMap((k) => regions[k]!.rects()))
            for (let y = top; y < top + high; y += 1)
              for (let x = left; x < left + wide; x += 1) {
                expect(taken.has(y * WIDTH + x)).toBe(false);
                taken.add(y * WIDTH + x);
              }
        }
      }),
    );
  });

  it('lie on one sheet where none meets another', () => {
    const corners = [
      [1, 1, 4, 4],
      [50, 1, 55, 4],
      [1, 30, 4, 40],
    ].map((box) => regionOf(Float64Array.from(box)));
    expect(onSheets(VIEW, corners)).toEqual([[0, 1, 2]]);
    expect(onSheets(VIEW, [...corners, corners[1]!])).toEqual([[0, 1, 2], [3]]);
  });
});
