import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { degreesOf } from '@/core/number';
import { heldDirection } from './held';

const apart = (a: number, b: number): number => Math.abs(((((a - b) % 360) + 540) % 360) - 180);

describe('a direction that is held', () => {
  it('is a multiple of 15° from the axis where no ray is nearer', () => {
    expect(degreesOf(heldDirection(47, 15, { fold: 7 }))).toBeCloseTo(45, 12);
    expect(degreesOf(heldDirection(-100, 15, { fold: 1 }))).toBeCloseTo(-105, 12);
  });

  it('is the ray itself, its way back or square to it where that is nearer', () => {
    const ray = 180 / 7;
    for (const quarter of [0, 90, 180, 270])
      for (const side of [1, -1]) {
        const to = side * ray + quarter;
        expect(apart(degreesOf(heldDirection(to + 0.5, 15, { fold: 7 })), to)).toBeLessThan(1e-9);
      }
  });

  it('is never farther than half a step from what was wanted', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -720, max: 720, noNaN: true }),
        fc.integer({ min: 1, max: 60 }),
        (degrees, fold) => {
          expect(apart(degreesOf(heldDirection(degrees, 15, { fold })), degrees)).toBeLessThanOrEqual(
            7.5 + 1e-9,
          );
        },
      ),
    );
  });
});
