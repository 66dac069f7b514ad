import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { touchingRadii } from './nearest';
import { distance, type Point } from './point';
import { arcFromBulge, cubic, line, pointAt, type Segment } from './segment';

const at = (x: number, y: number): Point => ({ x, y });

/** The radii at which a circle touches, by looking at very many points: where the distance turns. */
function turningDistances(segment: Segment, p: Point): number[] {
  const count = 4000;
  const away = Array.from({ length: count + 1 }, (_, k) => distance(pointAt(segment, k / count), p));
  return away.flatMap((d, k) => {
    const [before, after] = [away[k - 1], away[k + 1]];
    if (before === undefined || after === undefined) return [];
    return (d < before && d < after) || (d > before && d > after) ? [d] : [];
  });
}

describe('circles about a point that touch a curve', () => {
  it('are two for a circle: by the sum and the difference of distance and radius', () => {
    const halves = [arcFromBulge(at(10, -4), at(10, 4), 1), arcFromBulge(at(10, 4), at(10, -4), 1)];
    const radii = halves.flatMap((half) => touchingRadii(half, at(1, 0))).sort((a, b) => a - b);
    expect(radii).toHaveLength(2);
    expect(radii[0]).toBeCloseTo(5, 12);
    expect(radii[1]).toBeCloseTo(13, 12);
    expect(halves.flatMap((half) => touchingRadii(half, at(10, 0)))).toEqual([]);
  });

  it('are those at which the distance to a line or a cubic turns', () => {
    const coordinate = fc.integer({ min: -20, max: 20 });
    const point = fc.record({ x: coordinate, y: coordinate });
    fc.assert(
      fc.property(point, point, point, point, point, (a, b, c, d, p) => {
        for (const segment of [cubic(a, b, c, d), line(a, d)]) {
          const found = touchingRadii(segment, p);
          for (const wanted of turningDistances(segment, p)) {
            if (wanted < 0.05) continue;
            expect(Math.min(...found.map((radius) => Math.abs(radius - wanted)))).toBeLessThan(1e-2);
          }
        }
      }),
      { numRuns: 40 },
    );
  });
});
