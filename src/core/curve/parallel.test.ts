import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { nearestOnPath } from './nearest';
import { curvatureAt, cuspOf, directionAt, leftOf } from './direction';
import { parallelOf } from './parallel';
import { distance, lengthOf, type Point } from './point';
import { arcFromBulge, cubic, line, pointAt } from './segment';

const p = (x: number, y: number): Point => ({ x, y });

describe('what runs beside a segment', () => {
  it('is a line beside a line, also where the distance changes along it', () => {
    const [even] = parallelOf(line(p(0, 0), p(10, 0)), { from: 2, to: 2 }, 1e-6);
    // Left of what goes to the right on the screen is up.
    expect(even).toEqual(line(p(0, -2), p(10, -2)));
    const [growing] = parallelOf(line(p(0, 0), p(10, 0)), { from: 0, to: -3 }, 1e-6);
    expect(growing).toEqual(line(p(0, 0), p(10, 3)));
  });

  it('is an arc beside an arc, about the same centre, and nothing where that has no radius', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -3, max: 3, noNaN: true }).filter((bulge) => Math.abs(bulge) > 0.01),
        fc.double({ min: -40, max: 40, noNaN: true }),
        (bulge, d) => {
          const arc = arcFromBulge(p(0, 0), p(20, 5), bulge);
          if (arc.kind !== 'arc') return;
          const radius = arc.radius + (arc.sweep > 0 ? d : -d);
          fc.pre(Math.abs(radius) > 1e-6);
          const [beside] = parallelOf(arc, { from: d, to: d }, 1e-6);
          expect(beside).toMatchObject({ kind: 'arc', centre: arc.centre, sweep: arc.sweep });
          for (const t of [0, 0.3, 1])
            expect(distance(pointAt(beside!, t), pointAt(arc, t))).toBeCloseTo(Math.abs(d), 8);
        },
      ),
    );
    const half = arcFromBulge(p(-5, 0), p(5, 0), 1);
    // At its centre it is a point.
    expect(parallelOf(half, { from: -5, to: -5 }, 1e-6)).toEqual([line(p(0, 0), p(0, 0))]);
  });

  it('is within its tolerance beside a cubic', () => {
    const curve = cubic(p(0, 0), p(10, -20), p(30, 20), p(40, 0));
    for (const [from, to] of [
      [2, 2],
      [-3, -3],
      [0, 4],
      [3, 1],
    ] as const) {
      const tolerance = 1e-5;
      const made = parallelOf(curve, { from, to }, tolerance);
      expect(made.length).toBeLessThan(100);
      const path = { closed: false, segments: made };
      for (let k = 0; k <= 50; k += 1) {
        const t = k / 50;
        if (from !== to && k % 50 !== 0) continue;
        const d = t === 1 ? to : from;
        const side = leftOf(directionAt(curve, t));
        const at = pointAt(curve, t);
        const wanted = { x: at.x + side.x * d, y: at.y + side.y * d };
        expect(nearestOnPath(path, wanted)!.distance).toBeLessThan(tolerance);
      }
      made.slice(1).forEach((segment, k) => expect(distance(segment.from, made[k]!.to)).toBeLessThan(1e-9));
    }
  });
});

describe('direction, curvature and cusps', () => {
  it('have a direction where a handle lies on its node', () => {
    const flat = cubic(p(0, 0), p(0, 0), p(10, 10), p(10, 10));
    for (const t of [0, 0.5, 1]) {
      const d = directionAt(flat, t);
      expect(lengthOf(d)).toBeCloseTo(1, 9);
      expect(d.x).toBeCloseTo(Math.SQRT1_2, 6);
    }
  });

  it('give a circle one over its radius, clockwise positive', () => {
    const arc = arcFromBulge(p(0, -5), p(0, 5), 1);
    expect(curvatureAt(arc, 0.4)).toBeCloseTo(0.2, 9);
    expect(curvatureAt(line(p(0, 0), p(1, 1)), 0.5)).toBe(0);
  });

  it('find the cusp of a cubic that has one, and none in others', () => {
    // Handles that cross in the middle of a symmetric cubic make its speed 0 there.
    expect(cuspOf(cubic(p(0, 0), p(60, 30), p(-20, 30), p(40, 0)))).toBeNull();
    expect(cuspOf(cubic(p(-20, 0), p(20, 40), p(-20, 40), p(20, 0)))).toBeCloseTo(0.5, 5);
    expect(cuspOf(cubic(p(0, 0), p(10, -20), p(30, 20), p(40, 0)))).toBeNull();
  });
});
