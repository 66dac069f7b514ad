import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { anySegment } from '../../../tests/help/arbitraries';
import { pointAt } from '@/core/curve';
import { Crossings } from './fold';
import { Group } from './group';
import { cutsOf } from './pieces';
import { angleBetween, polarAt, rangeOfPart } from './polar';
import { Sources } from './sources';

describe('pieces seen from the centre', () => {
  it('stay within the range that is given for them', () => {
    fc.assert(
      fc.property(anySegment, fc.double({ min: 0, max: 1, noNaN: true }), (segment, share) => {
        const sources = new Sources(new Group({ fold: 1, mirror: false }));
        const source = sources.add(segment, 0);
        const cuts = cutsOf(sources, source, 1e-6);
        cuts.slice(1).forEach((to, k) => {
          const from = cuts[k] ?? 0;
          const { low, high } = rangeOfPart(sources, source, from, to);
          const p = pointAt(segment, from + (to - from) * share);
          const r = Math.hypot(p.x, p.y);
          expect(r).toBeGreaterThanOrEqual(low - 1e-9 * (1 + r));
          expect(r).toBeLessThanOrEqual(high + 1e-9 * (1 + r));
        });
      }),
    );
  });

  it('have angles that are the same bits where two segments meet', () => {
    fc.assert(
      fc.property(anySegment, anySegment, (a, b) => {
        if (Math.hypot(a.to.x, a.to.y) < 1e-3) return;
        const sources = new Sources(new Group({ fold: 1, mirror: false }));
        const one = sources.add(a, 0);
        const other = sources.add({ kind: 'line', from: a.to, to: b.to }, 0);
        const end = polarAt(sources, one, 1, -1, 1e-6);
        const start = polarAt(sources, other, 0, 1, 1e-6);
        expect(start.angle).toBe(end.angle);
        expect(end.angle).toBeGreaterThanOrEqual(0);
        expect(end.angle).toBeLessThanOrEqual(2 * Math.PI);
      }),
    );
  });

  it('run from one angle to another by less than half a turn, whichever way', () => {
    expect(angleBetween(0.1, 0.3)).toBeCloseTo(0.2, 12);
    expect(angleBetween(0.1, 6.2)).toBeCloseTo(6.1 - 2 * Math.PI, 12);
    expect(angleBetween(6.2, 0.1)).toBeCloseTo(2 * Math.PI - 6.1, 12);
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 6.28, noNaN: true }),
        fc.double({ min: 0, max: 6.28, noNaN: true }),
        (a, b) => {
          const way = angleBetween(a, b);
          expect(Math.abs(way)).toBeLessThanOrEqual(Math.PI);
          expect(Math.abs(Math.sin(a + way - b))).toBeLessThan(1e-9);
        },
      ),
    );
  });

  it('are counted by path and element where they pass a wall', () => {
    const crossings = new Crossings(2, 12);
    crossings.add(1, 5, 1);
    crossings.add(1, 5, 1);
    crossings.add(0, 11, -1);
    expect(crossings.changes[17]).toBe(2);
    expect(crossings.changes[11]).toBe(-1);
    expect(crossings.changes.reduce((sum, by) => sum + Math.abs(by), 0)).toBe(3);
  });
});
