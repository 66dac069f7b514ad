import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { boundsOfSegment } from './bounds';
import { distance, type Point } from './point';
import { arcFromBulge, cubic, pointAt, secondDerivativeAt, derivativeAt, type Segment } from './segment';
import { segmentGap } from './segmentGap';
import { halvesOf, leastApart, wholeOf } from './stretch';

const places = fc.record({
  x: fc.double({ min: -10, max: 10, noNaN: true }),
  y: fc.double({ min: -10, max: 10, noNaN: true }),
});
const cubics = fc.tuple(places, places, places, places).map(([a, b, c, d]) => cubic(a, b, c, d));
const arcs = fc
  .tuple(places, places, fc.double({ min: -3, max: 3, noNaN: true }))
  .map(([a, b, bulge]) => arcFromBulge(a, b, bulge));
const segments: fc.Arbitrary<Segment> = fc.oneof(cubics, arcs);

const SAMPLES = 400;
const points = (segment: Segment): Point[] =>
  Array.from({ length: SAMPLES + 1 }, (_, k) => pointAt(segment, k / SAMPLES));

/** No point of a curve is farther from a sample than this: half the longest step along it. */
const stepOf = (segment: Segment): number => {
  const most = Math.max(
    ...Array.from({ length: 50 }, (_, k) => {
      const { x, y } = derivativeAt(segment, k / 49);
      return Math.hypot(x, y);
    }),
  );
  return (1.1 * most) / SAMPLES / 2;
};

describe('The gap of two segments', () => {
  it('is that of the nearest of many points of both, and no more', () => {
    fc.assert(
      fc.property(segments, cubics, (a, b) => {
        const [p, q] = [points(a), points(b)];
        const sampled = Math.min(...p.map((one) => Math.min(...q.map((other) => distance(one, other)))));
        const gap = segmentGap(a, b, Infinity);
        expect(gap).toBeLessThanOrEqual(sampled + 1e-12);
        expect(gap).toBeGreaterThanOrEqual(sampled - stepOf(a) - stepOf(b));
      }),
      { numRuns: 40 },
    );
  });

  it('is the same from both, and the best so far where nothing is nearer', () => {
    fc.assert(
      fc.property(segments, cubics, (a, b) => {
        const gap = segmentGap(a, b, Infinity);
        expect(Math.abs(segmentGap(b, a, Infinity) - gap)).toBeLessThan(1e-9);
        expect(segmentGap(a, b, gap / 2)).toBe(gap / 2);
      }),
    );
  });

  it('of curves that run beside each other is known to rounding', () => {
    const side = cubic({ x: 0, y: 0 }, { x: 3, y: 4 }, { x: 7, y: 4 }, { x: 10, y: 0 });
    const lower = cubic({ x: 0, y: 1e-6 }, { x: 3, y: 4 + 1e-6 }, { x: 7, y: 4 + 1e-6 }, { x: 10, y: 1e-6 });
    // Moved straight down, they are nearest where they are steepest: at the ends, whose slope is 4 in 3.
    expect(segmentGap(side, lower, Infinity)).toBeCloseTo(0.6e-6, 11);
  });
});

describe('A stretch', () => {
  it('is in its hull, and so are its halves: what they say is apart is', () => {
    fc.assert(
      fc.property(segments, segments, fc.nat(1), fc.nat(1), (a, b, left, right) => {
        const [one, other] = [halvesOf(wholeOf(a))[left]!, halvesOf(wholeOf(b))[right]!];
        expect(pointAt(a, (one.from + one.to) / 2)).toEqual({
          x: expect.closeTo(pointAt(one.part, 0.5).x, 9) as number,
          y: expect.closeTo(pointAt(one.part, 0.5).y, 9) as number,
        });
        const [p, q] = [points(one.part), points(other.part)];
        const least = Math.min(...p.map((from) => Math.min(...q.map((to) => distance(from, to)))));
        expect(leastApart(one, other)).toBeLessThanOrEqual(least + 1e-9);
      }),
      { numRuns: 40 },
    );
  });
});

describe('The second derivative', () => {
  it('is how the first one changes', () => {
    fc.assert(
      fc.property(segments, fc.double({ min: 0.1, max: 0.9, noNaN: true }), (segment, t) => {
        const h = 1e-5;
        const [before, after] = [derivativeAt(segment, t - h), derivativeAt(segment, t + h)];
        const second = secondDerivativeAt(segment, t);
        const { left, right, top, bottom } = boundsOfSegment(segment);
        const size = right - left + bottom - top + 1;
        expect(Math.abs((after.x - before.x) / (2 * h) - second.x)).toBeLessThan(1e-3 * size);
        expect(Math.abs((after.y - before.y) / (2 * h) - second.y)).toBeLessThan(1e-3 * size);
      }),
    );
  });
});
