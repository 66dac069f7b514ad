import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import {
  cubic,
  distance,
  lengthOf,
  nearestOnPath,
  type Path,
  pathLength,
  type Point,
  pointAt,
  polygonPath,
  signedArea,
  subtract,
} from '@/core/curve';
import { cosSin, divideTurn, negateTurn, radiansOf, turn } from '@/core/number';
import {
  bendMap,
  bendProblem,
  fittingRadius,
  fittingUnits,
  plainBend,
  stretchOf,
  withInner,
  withOuter,
  type Bend,
} from './bend';
import { BEND_TOLERANCE, bentPaths } from './bentPaths';
import { bendHandles, draggedBend } from './handles';

const STRIP = { left: -20, right: 20, top: -12, bottom: 0 };
const BOX: Path = polygonPath([
  { x: -20, y: -12 },
  { x: 20, y: -12 },
  { x: 20, y: 0 },
  { x: -20, y: 0 },
]);
const fifth = (part: Partial<Bend> = {}): Bend => ({ ...plainBend(STRIP, turn(1, 5)), radius: 40, ...part });

const anyBend = fc
  .record({
    how: fc.constantFrom('wrap' as const, 'bow' as const),
    units: fc.integer({ min: 1, max: 3 }),
    radius: fc.double({ min: 30, max: 90, noNaN: true }),
    height: fc.double({ min: 4, max: 16, noNaN: true }),
    span: fc.integer({ min: 3, max: 24 }).map((n) => turn(1, n)),
    middle: fc.integer({ min: -8, max: 8 }).map((n) => turn(n, 24)),
    overlap: fc.double({ min: 0, max: 3, noNaN: true }),
    up: fc.constantFrom('out' as const, 'in' as const),
    mirrored: fc.boolean(),
    swell: fc.double({ min: -0.8, max: 0.8, noNaN: true }),
    taper: fc.double({ min: -0.5, max: 0.9, noNaN: true }),
    wave: fc.double({ min: -3, max: 3, noNaN: true }),
    waves: fc.integer({ min: 1, max: 4 }),
    twist: fc.double({ min: -25, max: 25, noNaN: true }),
  })
  .map((part): Bend => ({ ...fifth(), ...part }))
  .filter((bend) => bendProblem(bend) === null);

const anyPoint = fc.record({
  x: fc.double({ min: -20, max: 20, noNaN: true }),
  y: fc.double({ min: -12, max: 0, noNaN: true }),
});

describe('a plain wrap', () => {
  it('has the area and the lengths of the closed formulas', () => {
    // A box becomes a sector of a ring: half the angle times the difference of the squared radii; its sides are arcs and radii.
    const [bent] = bentPaths([BOX], fifth());
    const [inner, outer, angle] = [34, 46, radiansOf(turn(1, 5))];
    expect(Math.abs(signedArea([bent!]))).toBeCloseTo((angle / 2) * (outer ** 2 - inner ** 2), 9);
    expect(pathLength(bent!)).toBeCloseTo(angle * (inner + outer) + 2 * (outer - inner), 9);
    expect(bent!.segments.map(({ kind }) => kind)).toEqual(['arc', 'line', 'arc', 'line']);
  });

  it('ends on the rays, so that its turned copies meet to the last digits', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 400 }), fc.boolean(), (fold, inward) => {
        const span = turn(1, fold);
        const bend = fifth({ span, radius: 40 + fold, up: inward ? 'in' : 'out' });
        const [bent] = bentPaths([BOX], bend);
        const ray = cosSin(negateTurn(divideTurn(span, 2)));
        const onRay = bent!.segments
          .filter(({ kind }) => kind === 'line')
          .flatMap(({ from, to }) => [from, to]);
        for (const p of onRay) {
          const r = lengthOf(p);
          expect(Math.abs(Math.abs(p.x) - Math.abs(r * ray.sin))).toBeLessThan(1e-12 * r);
        }
      }),
    );
  });

  it('goes all the way round, once, in arcs that every reader takes', () => {
    const [bent] = bentPaths([BOX], fifth({ span: turn(1), radius: 40 }));
    expect(Math.abs(signedArea([bent!]))).toBeCloseTo(Math.PI * (46 ** 2 - 34 ** 2), 7);
    for (const segment of bent!.segments)
      if (segment.kind === 'arc') expect(Math.abs(segment.sweep)).toBeLessThan(Math.PI);
  });

  it('puts units side by side that meet in one and the same points', () => {
    const bend = fifth({ units: 3 });
    const { at } = bendMap(bend);
    for (const y of [-12, -3, 0]) {
      expect(at({ x: 20, y }, 0)).toEqual(at({ x: -20, y }, 1));
      expect(at({ x: 20, y }, 1)).toEqual(at({ x: -20, y }, 2));
    }
  });

  it('turns what looks inward by half a turn: read from the centre it is the same strip', () => {
    const { at } = bendMap(fifth({ up: 'in' }));
    const corner = at({ x: -20, y: -12 }, 0);
    expect(lengthOf(corner)).toBeCloseTo(34, 12);
    expect(corner.x).toBeGreaterThan(0);
  });
});

describe('a bow', () => {
  it('keeps what is upright upright, and makes arcs of one radius of what runs along', () => {
    const [bent] = bentPaths([BOX], fifth({ how: 'bow' }));
    const arcs = bent!.segments.filter((segment) => segment.kind === 'arc');
    expect(arcs.map(({ radius }) => radius)).toEqual([expect.closeTo(40, 9), expect.closeTo(40, 9)]);
    for (const { kind, from, to } of bent!.segments)
      if (kind === 'line') expect(from.x).toBeCloseTo(to.x, 12);
    // Each upright of a box is moved as it is: the area is that of the chord times the height.
    expect(Math.abs(signedArea([bent!]))).toBeCloseTo(2 * 40 * Math.sin(Math.PI / 5) * 12, 9);
  });
});

describe('any bend', () => {
  it('has the derivative that its points show', () => {
    fc.assert(
      fc.property(anyBend, anyPoint, fc.double({ min: 0, max: 6.28, noNaN: true }), (bend, p, angle) => {
        const { at, along } = bendMap(bend);
        const way = { x: Math.cos(angle), y: Math.sin(angle) };
        const step = 1e-4;
        const ahead = at({ x: p.x + step * way.x, y: p.y + step * way.y }, 0);
        const behind = at({ x: p.x - step * way.x, y: p.y - step * way.y }, 0);
        const seen = { x: (ahead.x - behind.x) / (2 * step), y: (ahead.y - behind.y) / (2 * step) };
        expect(distance(along(p, way, 0), seen)).toBeLessThan(1e-4 * (1 + lengthOf(seen)));
      }),
    );
  });

  it('is within its tolerance of the exact map, measured both ways', () => {
    fc.assert(
      fc.property(anyBend, anyPoint, anyPoint, anyPoint, anyPoint, (bend, a, b, c, d) => {
        const straight = cubic(a, b, c, d);
        if (distance(a, b) < 1 || distance(c, d) < 1) return;
        const [bent] = bentPaths([{ segments: [straight], closed: false }], { ...bend, units: 1 });
        const { at } = bendMap({ ...bend, units: 1 });
        const tolerance = BEND_TOLERANCE * bend.height;
        const exact = Array.from({ length: 401 }, (_, k) => at(pointAt(straight, k / 400), 0));
        for (const p of exact) expect(nearestOnPath(bent!, p)!.distance).toBeLessThan(tolerance);
        // The other way: from the fit to the exact curve, between whose points the chord is a bound.
        const polyline = polygonPath(exact);
        for (const segment of bent!.segments)
          for (let k = 0; k <= 20; k += 1) {
            const near = nearestOnPath({ ...polyline, closed: false }, pointAt(segment, k / 20))!;
            expect(near.distance).toBeLessThan(tolerance + sagOf(exact));
          }
      }),
      { numRuns: 60 },
    );
  }, 60_000);

  it('joins its pieces in one point and one direction', () => {
    const wave = cubic({ x: -20, y: -1 }, { x: -5, y: -20 }, { x: 5, y: 9 }, { x: 20, y: -11 });
    const [bent] = bentPaths([{ segments: [wave], closed: false }], fifth({ swell: 0.6, wave: 2, waves: 2 }));
    expect(bent!.segments.length).toBeGreaterThan(1);
    bent!.segments.slice(1).forEach((segment, k) => {
      const before = bent!.segments[k]!;
      expect(segment.from).toEqual(before.to);
      if (segment.kind !== 'cubic' || before.kind !== 'cubic') throw new Error('a fitted piece is a cubic');
      const [u, v] = [subtract(segment.out, segment.from), subtract(before.to, before.in)];
      expect(Math.abs(u.x * v.y - u.y * v.x)).toBeLessThan(1e-9 * lengthOf(u) * lengthOf(v));
    });
  });
});

/** How far a curve may be from the chords of its points: a third of the farthest bend from three in a row. */
function sagOf(points: readonly Point[]): number {
  let most = 0;
  for (let k = 1; k < points.length - 1; k += 1) {
    const [a, b, c] = [points[k - 1]!, points[k]!, points[k + 1]!];
    most = Math.max(most, distance(b, { x: (a.x + c.x) / 2, y: (a.y + c.y) / 2 }));
  }
  return most / 3;
}

describe('count and radius', () => {
  it('follow from one another where units keep their proportions', () => {
    const bend = fifth({ units: 4, span: turn(1), radius: 40 });
    const round = { ...bend, radius: fittingRadius(bend) };
    expect(round.radius).toBeCloseTo((4 * 40) / (2 * Math.PI), 12);
    expect(stretchOf(round)).toBeCloseTo(1, 12);
    expect(fittingUnits(round)).toBe(4);
  });

  it('change together where one edge is put somewhere and the other stays', () => {
    expect(withInner(fifth(), 30)).toEqual({ radius: 38, height: 16 });
    expect(withOuter(fifth(), 60)).toEqual({ radius: 47, height: 26 });
  });

  it('are refused where the strip would reach the centre, or a bow go half round', () => {
    expect(bendProblem(fifth({ radius: 5 }))?.code).toBe('bend.centre');
    expect(bendProblem(fifth({ how: 'bow', span: turn(1, 2) }))?.code).toBe('bend.bow');
    expect(bendProblem(fifth({ span: turn(0) }))?.code).toBe('bend.span');
    expect(bendProblem(fifth({ overlap: -60 }))?.code).toBe('bend.overlap');
  });
});

describe('the handles of a strip', () => {
  it('change nothing where they are let go where they are', () => {
    fc.assert(
      fc.property(anyBend, (bend) => {
        for (const { id, point } of bendHandles(bend)) {
          // A twisted strip's ends lie aside of its middle line's, where a wave or the taper lifts them.
          if (bend.twist !== 0 && id !== 'twist') continue;
          if (bend.overlap !== 0 && id === 'span') continue;
          const same = draggedBend(bend, id, point, 12);
          for (const key of ['radius', 'height', 'swell', 'taper', 'wave', 'twist'] as const)
            expect(same[key], `${id}: ${key}`).toBeCloseTo(bend[key], 6);
          expect(radiansOf(same.span)).toBeCloseTo(radiansOf(bend.span), 6);
        }
      }),
    );
  });

  it('come to where they are dragged', () => {
    const to = { x: 0, y: -57 };
    const far = draggedBend(fifth(), 'radius', to, 5);
    expect(far.radius).toBeCloseTo(57, 9);
    expect(distance(bendHandles(far)[0]!.point, to)).toBeLessThan(1e-9);
    const fuller = draggedBend(fifth({ wave: 2 }), 'swell', { x: 0, y: -52 }, 5);
    expect(
      distance(bendHandles(fuller).find(({ id }) => id === 'swell')!.point, { x: 0, y: -52 }),
    ).toBeLessThan(1e-9);
  });

  it('put an end on a ray of the round exactly', () => {
    const { cos, sin } = cosSin(turn(1, 14));
    expect(draggedBend(fifth(), 'span', { x: 40 * sin, y: -40 * cos }, 7).span).toEqual(turn(1, 7));
  });
});
