import fc from 'fast-check';
import { expect, it } from 'vitest';

import { anyPoint } from '../../../tests/help/arbitraries';
import { nearestOnPath } from './nearest';
import { cross, distance, subtract } from './point';
import { arcFromBulge } from './segment';
import { bulgeThrough, circleThrough } from './threePoints';

const triangles = fc
  .tuple(anyPoint, anyPoint, anyPoint)
  .filter(([a, b, c]) => Math.abs(cross(subtract(b, a), subtract(c, a))) > 1);

it('a circle through three points has them all on it', () => {
  fc.assert(
    fc.property(triangles, ([a, b, c]) => {
      const circle = circleThrough(a, b, c)!;
      for (const p of [a, b, c])
        expect(Math.abs(distance(p, circle.centre) / circle.radius - 1)).toBeLessThan(1e-7);
    }),
  );
  expect(circleThrough({ x: 0, y: 0 }, { x: 1, y: 1 }, { x: 5, y: 5 })).toBeNull();
});

it('an arc through three points begins in the first, passes the second and ends in the third', () => {
  fc.assert(
    fc.property(triangles, ([a, b, c]) => {
      const arc = arcFromBulge(a, c, bulgeThrough(a, b, c));
      expect(arc.from).toEqual(a);
      expect(arc.to).toEqual(c);
      const size = arc.kind === 'arc' ? arc.radius : distance(a, c);
      expect(nearestOnPath({ closed: false, segments: [arc] }, b)!.distance).toBeLessThan(1e-7 * size);
    }),
  );
  expect(bulgeThrough({ x: 0, y: 0 }, { x: 1, y: 1 }, { x: 5, y: 5 })).toBe(0);
});
