import { made, refusal } from '../../../tests/help/made';
import { STRAIGHT } from '@/core/derive';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import {
  boundsOfPaths,
  type Contour,
  distance,
  gapOfCurves,
  mapPath,
  nearestOnPath,
  nodesOfPath,
  type Path,
  pathLength,
  pathOfNodes,
  type Point,
  scaleMap,
} from '@/core/curve';
import { turn, type Turn } from '@/core/number';
import { alongTurn } from '@/core/symmetry';
import { MAKERS } from './makers';
import { nest, nestFactor } from './nest';
import { stamp, stampChances, stampCount, type StampParams } from './stamp';
import { contoursAbout, STOCK_IDS, stockContours } from './stock';
import { whirlFactor } from './whirl';

const corners = (points: readonly Point[], closed: boolean): Contour => ({
  closed,
  nodes: points.map(({ x, y }) => ({ x, y, kind: 'corner' })),
});
const polygon = (sides: number, r: number): Contour =>
  corners(
    Array.from({ length: sides }, (_, k) => alongTurn(turn(k, sides), r)),
    true,
  );
const circle = stockContours('circle', 2);
const ellipsePath = (a: number, b: number): Path => {
  const [path] = MAKERS.ellipse.paths({ width: 2 * a, height: 2 * b });
  return path!;
};

/** The middles of stamps that are circles. */
const middles = (params: StampParams): Point[] =>
  stamp.paths(params).map((path) => {
    const box = boundsOfPaths([path]);
    return { x: (box.left + box.right) / 2, y: (box.top + box.bottom) / 2 };
  });

describe('stamps', () => {
  const curved: Contour = {
    closed: false,
    nodes: [
      { x: 0, y: 0, kind: 'corner', out: { x: 20, y: -40 } },
      { x: 50, y: -10, kind: 'smooth', in: { x: 30, y: 20 }, out: { x: 70, y: -40 } },
      { x: 80, y: -30, kind: 'corner' },
    ],
  };
  const along = pathOfNodes(curved.nodes, false);

  it('stand on the line, as far apart along it as asked, or made to fit with one on either end', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 30, noNaN: true }), (spacing) => {
        const exact = { ...stamp.start, along: [curved], shape: circle, spacing, spread: 'exact' as const };
        const length = pathLength(along);
        expect(stampCount(exact)).toBe(1 + Math.floor(length / spacing + 1e-9));
        const places = middles(exact);
        for (const p of places) expect(nearestOnPath(along, p)!.distance).toBeLessThan(1e-7);
        const even = middles({ ...exact, spread: 'even' });
        expect(even).toHaveLength(1 + Math.max(1, Math.round(length / spacing)));
        expect(distance(even[0]!, { x: 0, y: 0 })).toBeLessThan(1e-7);
        expect(distance(even[even.length - 1]!, { x: 80, y: -30 })).toBeLessThan(1e-7);
      }),
      { numRuns: 20 },
    );
  });

  it('part a closed line evenly: six round a regular hexagon are on its corners', () => {
    const ring = { ...stamp.start, along: [polygon(6, 30)], shape: circle, spacing: 31 };
    const places = middles(ring);
    expect(places).toHaveLength(6);
    places.forEach((p, k) => expect(distance(p, alongTurn(turn(k, 6), 30))).toBeLessThan(1e-9));
    expect(middles({ ...ring, spacing: 30, spread: 'exact' })).toHaveLength(6);
  });

  it('turn with the line or stay upright', () => {
    const bar = contoursAbout(
      [
        {
          kind: 'path',
          contours: [
            corners(
              [
                { x: 0, y: 0 },
                { x: 4, y: 0 },
                { x: 4, y: 1 },
                { x: 0, y: 1 },
              ],
              true,
            ),
          ],
        },
      ],
      null,
      STRAIGHT,
    )[0]!;
    const line = corners(
      [
        { x: 0, y: 0 },
        { x: 0, y: -40 },
      ],
      false,
    );
    const size = (params: StampParams): [number, number] => {
      const box = boundsOfPaths([stamp.paths(params)[0]!]);
      return [box.right - box.left, box.bottom - box.top];
    };
    const params = { ...stamp.start, along: [line], shape: bar };
    expect(size(params).map((n) => Number(n.toFixed(9)))).toEqual([1, 4]);
    expect(size({ ...params, facing: 'upright' }).map((n) => Number(n.toFixed(9)))).toEqual([4, 1]);
  });

  it('vary by a seed that is kept, within their share, and do not change as the line grows', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 9999 }), fc.nat(60), (seed, count) => {
        const some = stampChances(seed, count);
        expect(stampChances(seed, count + 7).slice(0, count)).toEqual(some);
        for (const { size, light, hue } of some)
          for (const n of [size, light, hue]) expect(Math.abs(n)).toBeLessThanOrEqual(1);
        expect(stampChances(seed + 1, 3)).not.toEqual(stampChances(seed, 3));
      }),
    );
    const varied = { ...stamp.start, along: [curved], shape: circle, sizes: 0.5, seed: 3 };
    const widths = stamp.paths(varied).map((path) => {
      const box = boundsOfPaths([path]);
      return box.right - box.left;
    });
    expect(Math.min(...widths)).toBeGreaterThanOrEqual(1);
    expect(Math.max(...widths)).toBeLessThanOrEqual(3);
    expect(new Set(widths.map((w) => w.toFixed(6))).size).toBe(widths.length);
  });

  it('are refused in params that nobody wants, with the spacing that works', () => {
    expect(stamp.problem({ ...stamp.start, spacing: 0.001 })?.sentence).toContain(
      'the spacing is 0.04 or more',
    );
    expect(stamp.problem({ ...stamp.start, spacing: 0 })?.sentence).toContain('above 0');
  });

  it.each(STOCK_IDS)('have a stock %s of the size asked, about its middle', (id) => {
    const paths = stockContours(id, 6).map(({ nodes, closed }) => pathOfNodes(nodes, closed));
    const box = boundsOfPaths(paths);
    expect(Math.max(box.right - box.left, box.bottom - box.top)).toBeCloseTo(6, 9);
    expect(box.left + box.right).toBeCloseTo(0, 9);
    expect(box.top + box.bottom).toBeCloseTo(0, 9);
  });
});

describe('a whirl of a shape', () => {
  it('of a regular polygon is by the factor of plane trigonometry, cos(π/n) / cos(π/n − θ)', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 3, max: 9 }),
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        (sides, share) => {
          const angle: Turn = turn(Math.round(share * 10000), 10000 * sides);
          const factor = nestFactor([polygon(sides, 20)], angle);
          expect(Math.abs(factor! - whirlFactor(sides, angle))).toBeLessThan(1e-9);
        },
      ),
      { numRuns: 25 },
    );
  });

  it('of any curve touches the one outside it and does not cross it', () => {
    const [heart] = stockContours('heart', 20);
    const params = { ...nest.start, shape: [heart!], count: 4 };
    expect(nest.problem(params)).toBeNull();
    const paths = nest.paths(params, made(nest.solve!(params).run()));
    expect(paths).toHaveLength(4);
    for (let k = 1; k < paths.length; k += 1) {
      const gap = gapOfCurves([paths[k]!], [paths[k - 1]!]);
      expect(Math.abs(gap === -Infinity ? 0 : gap)).toBeLessThan(20 * 1e-8);
      // A hair smaller it is clear of it, a hair larger it crosses.
      const sized = (s: number) =>
        gapOfCurves([mapPath(paths[k]!, scaleMap(s, { x: 0, y: 0 }))], [paths[k - 1]!]);
      expect(sized(1 - 1e-6)).toBeGreaterThan(0);
      expect(sized(1 + 1e-6)).toBe(-Infinity);
    }
  });

  it('of an ellipse shrinks to the root of the least eigenvalue of the turned form by the plain one', () => {
    // x/a, y/b turned by θ: the least value of the turned form on the ellipse (Lagrange's multipliers).
    const [a, b, θ] = [8.5, 7.8, Math.PI / 18];
    const contour = { closed: true, nodes: nodesOfPath(ellipsePath(a, b)) };
    const [c, s] = [Math.cos(θ), Math.sin(θ)];
    const xx = a ** 2 * ((c / a) ** 2 + (s / b) ** 2);
    const yy = b ** 2 * ((s / a) ** 2 + (c / b) ** 2);
    const xy = a * b * c * s * (1 / a ** 2 - 1 / b ** 2);
    const least = (xx + yy) / 2 - Math.hypot((xx - yy) / 2, xy);
    expect(nestFactor([contour], turn(1, 36))).toBeCloseTo(Math.sqrt(least), 6);
  });

  it('is refused where the shape falls on itself, is open, or has its middle outside', () => {
    expect(refusal(nest.solve!({ ...nest.start, angle: turn(1, 4) }).run())).toContain('falls on itself');
    expect(nest.problem({ ...nest.start, angle: turn(0) })?.sentence).toContain('falls on itself');
    expect(refusal(nest.solve!({ ...nest.start, shape: circle }).run())).toContain('falls on itself');
    expect(nest.problem({ ...nest.start, shape: [{ ...polygon(5, 3), closed: false }] })?.sentence).toContain(
      'closed',
    );
    const far = mapPath(pathOfNodes(polygon(4, 3).nodes, true), { a: 1, b: 0, c: 0, d: 1, e: 9, f: 0 });
    expect(
      nest.problem({ ...nest.start, shape: [{ closed: true, nodes: nodesOfPath(far) }] })?.sentence,
    ).toContain('outside it');
    expect(
      nest.facts!({ ...nest.start, ends: 'size', smallest: 0.5 }, [], whirlFactor(4, turn(1, 36)))[1]!.value,
    ).toBe(1 + Math.floor(Math.log(0.5) / Math.log(whirlFactor(4, turn(1, 36)))));
  });
});
