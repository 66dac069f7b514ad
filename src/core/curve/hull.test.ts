import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { anyPoint } from '../../../tests/help/arbitraries';
import { convexHull, hullOfPaths, hullsMeet } from './hull';
import { polygonPath } from './path';
import { add, cross, distance, subtract, type Point } from './point';

const points = fc.array(anyPoint, { minLength: 3, maxLength: 40 });

describe('a convex hull', () => {
  it('turns one way only and has all points inside of it', () => {
    fc.assert(
      fc.property(points, (all) => {
        const hull = convexHull(all);
        const size = Math.max(...all.map((p) => distance(p, hull[0] as Point)));
        for (const [k, from] of hull.entries()) {
          const side = subtract(hull[(k + 1) % hull.length] as Point, from);
          for (const p of all)
            expect(cross(side, subtract(p, from))).toBeGreaterThanOrEqual(-1e-9 * size * size);
        }
      }),
    );
  });

  it('meets what has a point of it, and not what is moved away by more than both are wide', () => {
    fc.assert(
      fc.property(points, points, fc.nat(39), (a, b, which) => {
        const [hull, other] = [convexHull(a), convexHull(b)];
        const middle = (all: readonly Point[]): Point => ({
          x: all.reduce((sum, { x }) => sum + x / all.length, 0),
          y: all.reduce((sum, { y }) => sum + y / all.length, 0),
        });
        // A middle put onto a middle: both have area there, or are lines.
        const to = subtract(middle(hull), middle(other));
        const over = other.map((p) => add(p, to));
        if (hull.length > 2 && other.length > 2) expect(hullsMeet(hull, over)).toBe(true);
        const wide = [...hull, ...over].reduce((most, p) => Math.max(most, distance(p, middle(hull))), 1);
        const angle = which;
        const away = { x: 3 * wide * Math.cos(angle), y: 3 * wide * Math.sin(angle) };
        expect(
          hullsMeet(
            hull,
            over.map((p) => add(p, away)),
          ),
        ).toBe(false);
      }),
    );
  });

  it('of what only touches does not meet it', () => {
    const square = (x: number): Point[] => [
      { x, y: 0 },
      { x: x + 1, y: 0 },
      { x: x + 1, y: 1 },
      { x, y: 1 },
    ];
    const [a, b] = [0, 1].map((x) => hullOfPaths([polygonPath(square(x))])) as [Point[], Point[]];
    expect([hullsMeet(a, b), hullsMeet(a, hullOfPaths([polygonPath(square(0.9))]), 0.05)]).toEqual([
      false,
      true,
    ]);
  });
});
