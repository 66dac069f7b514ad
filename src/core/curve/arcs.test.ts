import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { arcsAlong } from './arcs';
import { nearestOnPath } from './nearest';
import { cubic, pointAt } from './segment';

describe('arcs along a curve', () => {
  it('lead from end to end, no farther from it than the tolerance', () => {
    const place = fc.record({ x: fc.integer({ min: -40, max: 40 }), y: fc.integer({ min: -40, max: 40 }) });
    fc.assert(
      fc.property(place, place, place, place, fc.constantFrom(0.5, 0.05), (a, b, c, d, tolerance) => {
        fc.pre(Math.hypot(a.x - d.x, a.y - d.y) > 1);
        const curve = cubic(a, b, c, d);
        const arcs = arcsAlong(curve, tolerance);
        expect(arcs[0]?.from).toEqual(a);
        expect(arcs.at(-1)?.to).toEqual(d);
        arcs.slice(1).forEach(({ from }, k) => expect(from).toEqual(arcs[k]?.to));
        const path = { closed: false, segments: arcs };
        for (let t = 0; t <= 1; t += 1 / 64)
          expect(nearestOnPath(path, pointAt(curve, t))!.distance).toBeLessThan(1.5 * tolerance);
      }),
      { numRuns: 60 },
    );
  });
});
