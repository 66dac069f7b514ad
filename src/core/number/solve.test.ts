import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { bisected } from './solve';

/** A gap that closes at a place with a slope and a bend, and is −∞ past it, as where curves cross. */
const closing = (at: number, slope: number, bend: number) => (x: number) =>
  x <= at ? slope * (at - x) + bend * (at - x) ** 2 : -Infinity;

describe('Where a function falls past a value', () => {
  it('is found to the doubles, on the side where it has not fallen', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 0.99, noNaN: true }),
        fc.double({ min: 0.01, max: 9, noNaN: true }),
        fc.double({ min: 0, max: 9, noNaN: true }),
        fc.constantFrom(0, 1e-6, 1e-3),
        (at, slope, bend, value) => {
          const f = closing(at, slope, bend);
          if (f(0) < value) return;
          const x = bisected(f, value, 0, 1);
          expect(f(x)).toBeGreaterThanOrEqual(value);
          expect(f(x + 4 * Number.EPSILON)).toBeLessThan(value + 1e-15);
        },
      ),
    );
  });

  it('takes fewer looks than halving where it falls smoothly, and no more than a few times as many elsewhere', () => {
    const looks = (f: (x: number) => number, value: number): number => {
      let count = 0;
      bisected(
        (x) => {
          count += 1;
          return f(x);
        },
        value,
        0,
        1,
      );
      return count;
    };
    expect(looks(closing(0.7, 3, 1), 1e-6)).toBeLessThan(35);
    expect(looks(Math.cos, 0.8)).toBeLessThan(25);
    expect(looks((x) => (x < 1 / 3 ? 1 : 0), 0.5)).toBeLessThan(120);
  });

  it('is found between ends in either order', () => {
    expect(bisected((x) => x - 2, 0, 9, 1)).toBeCloseTo(2, 12);
    expect(bisected((x) => -(x ** 3), -0.027, -5, 7)).toBeCloseTo(0.3, 12);
  });
});
