import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { nearestOnPath } from './nearest';
import { distance } from './point';
import { pointAt } from './segment';
import { segmentsOfSpline, type Spline } from './spline';

/** A point of a spline by the basis functions (Cox 1972, de Boor 1972). */
function byBasis({ degree, knots, points, weights }: Spline, t: number) {
  const basis = (i: number, p: number): number => {
    const [a, b] = [knots[i]!, knots[i + 1]!];
    if (p === 0) return (t >= a && t < b) || (t === 1 && b === 1 && a < b) ? 1 : 0;
    const [low, high] = [knots[i + p]! - knots[i]!, knots[i + p + 1]! - knots[i + 1]!];
    return (
      (low > 0 ? ((t - knots[i]!) / low) * basis(i, p - 1) : 0) +
      (high > 0 ? ((knots[i + p + 1]! - t) / high) * basis(i + 1, p - 1) : 0)
    );
  };
  const shares = points.map((_, i) => basis(i, degree) * (weights?.[i] ?? 1));
  const all = shares.reduce((sum, each) => sum + each, 0);
  return points.reduce(
    (sum, p, i) => ({ x: sum.x + (p.x * shares[i]!) / all, y: sum.y + (p.y * shares[i]!) / all }),
    { x: 0, y: 0 },
  );
}

const coordinate = fc.double({ min: -50, max: 50, noNaN: true });
const clamped = (degree: number, count: number): number[] => {
  const inner = count - degree - 1;
  return [
    ...Array.from({ length: degree + 1 }, () => 0),
    ...Array.from({ length: inner }, (_, k) => (k + 1) / (inner + 1)),
    ...Array.from({ length: degree + 1 }, () => 1),
  ];
};

describe('a spline', () => {
  it('up to the third degree is its segments exactly', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 3 }),
        fc.array(fc.record({ x: coordinate, y: coordinate }), { minLength: 4, maxLength: 9 }),
        (degree, points) => {
          const spline = { degree, knots: clamped(degree, points.length), points, weights: null };
          const path = { closed: false, segments: segmentsOfSpline(spline, 1e-6) };
          for (let k = 0; k <= 20; k += 1)
            expect(nearestOnPath(path, byBasis(spline, k / 20))?.distance ?? Infinity).toBeLessThan(1e-6);
        },
      ),
    );
  });

  // A quarter of a circle as a rational spline of degree two, weights 1, √½, 1 (Piegl and Tiller, The NURBS Book, chapter 7; from memory).
  it('that is rational is fitted as near as was asked', () => {
    const spline = {
      degree: 2,
      knots: [0, 0, 0, 1, 1, 1],
      points: [
        { x: 10, y: 0 },
        { x: 10, y: 10 },
        { x: 0, y: 10 },
      ],
      weights: [1, Math.SQRT1_2, 1],
    };
    const segments = segmentsOfSpline(spline, 1e-3);
    for (const segment of segments)
      for (let k = 0; k <= 8; k += 1)
        expect(Math.abs(distance(pointAt(segment, k / 8), { x: 0, y: 0 }) - 10)).toBeLessThan(2e-3);
  });
});
