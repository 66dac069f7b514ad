import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import {
  distance,
  mapPath,
  nearestOnPath,
  type Path,
  pathLength,
  type Point,
  reversedPath,
  signedArea,
  turnMap,
  windingNumber,
} from '@/core/curve';
import { halfWidth, insideOf, wellInside } from './inside';

const circle = (radius: number, centre: Point = { x: 0, y: 0 }): Path => ({
  closed: true,
  segments: [0, Math.PI].map((from) => ({
    kind: 'arc',
    from: { x: centre.x + radius * Math.cos(from), y: centre.y + radius * Math.sin(from) },
    to: { x: centre.x - radius * Math.cos(from), y: centre.y - radius * Math.sin(from) },
    centre,
    radius,
    sweep: Math.PI,
  })),
});

const awayFrom = (loops: readonly Path[], p: Point): number =>
  Math.min(...loops.map((loop) => nearestOnPath(loop, p)?.distance ?? Infinity));
const isIn = (loops: readonly Path[], p: Point): boolean =>
  loops.reduce((sum, loop) => sum + windingNumber(loop, p, 1e-9), 0) !== 0;

describe('A point inside a cell', () => {
  it('is soon found in a ring of any width, off its middle or not', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -700, max: -1 }),
        fc.double({ min: 0, max: 0.5, noNaN: true }),
        (power, off) => {
          const width = 10 ** (power / 100);
          const middle = { x: off * width, y: 0 };
          const loops = [circle(1), reversedPath(circle(1 - width, middle))];
          const area = Math.abs(signedArea(loops));
          for (const at of [insideOf(loops, area), wellInside(loops, area).at]) {
            expect(Math.hypot(at.x, at.y)).toBeLessThan(1);
            expect(distance(at, middle)).toBeGreaterThan(1 - width);
            expect(awayFrom(loops, at)).toBeGreaterThan(halfWidth(loops, area) / 2);
          }
        },
      ),
      { numRuns: 60 },
    );
  });

  it('is the middle of a round one, and lies in the ball of a long pin', () => {
    expect(insideOf([circle(3, { x: 1, y: 2 })], 9 * Math.PI)).toEqual({
      x: expect.closeTo(1, 1) as number,
      y: expect.closeTo(2, 1) as number,
    });
    // A needle of length 400 with half a circle of radius 2 at its end, turned by a little.
    const corners = [
      { x: 0, y: -2 },
      { x: 0, y: 2 },
      { x: -400, y: 0.01 },
      { x: -400, y: -0.01 },
    ] as const;
    const pin: Path = {
      closed: true,
      segments: corners.map((from, k) => ({ kind: 'line', from, to: corners[(k + 1) % 4]! })),
    };
    const loops = [mapPath(pin, turnMap({ num: 1, den: 7 }))];
    const area = Math.abs(signedArea(loops));
    const at = insideOf(loops, area);
    expect(isIn(loops, at)).toBe(true);
    expect(awayFrom(loops, at)).toBeGreaterThan(area / pathLength(loops[0]!) / 2);
  });
});
