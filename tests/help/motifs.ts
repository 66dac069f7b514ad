import fc from 'fast-check';

import { arcFromBulge, cubic, fromPolar, line, type Path, type Point, type Segment } from '@/core/curve';
import type { MergeShape } from '@/core/merge';

/** A circle as two half arcs. */
export function circle(x: number, y: number, r: number): Path {
  const [a, b] = [
    { x, y: y - r },
    { x, y: y + r },
  ];
  return { closed: true, segments: [arcFromBulge(a, b, 1), arcFromBulge(b, a, 1)] };
}

/** A closed polygon through points. */
export const polygon = (points: readonly Point[]): Path => ({
  closed: true,
  segments: points.map((p, k) => line(p, points[(k + 1) % points.length] as Point)),
});

/** A point on a coarse grid, on a ray of the fold, on a ring, on the axis, or the centre: where symmetry makes ties. */
const snappedPoint = (fold: number): fc.Arbitrary<Point> =>
  fc.oneof(
    {
      weight: 5,
      arbitrary: fc.record({ x: fc.integer({ min: -12, max: 12 }), y: fc.integer({ min: -20, max: 4 }) }),
    },
    {
      weight: 3,
      arbitrary: fc
        .tuple(fc.integer({ min: 1, max: 20 }), fc.integer({ min: -2, max: 2 }))
        .map(([r, k]) => fromPolar(r, (k * 180) / fold)),
    },
    { weight: 2, arbitrary: fc.integer({ min: 0, max: 20 }).map((r) => ({ x: 0, y: -r })) },
    { weight: 1, arbitrary: fc.constant({ x: 0, y: 0 }) },
  );

/** One side between two points: a line, an arc of a round bulge, or a cubic with snapped handles. */
const side = (fold: number, from: Point, to: Point): fc.Arbitrary<Segment> =>
  fc.oneof(
    { weight: 3, arbitrary: fc.constant(line(from, to)) },
    {
      weight: 2,
      arbitrary: fc.constantFrom(-1, -0.5, 0.25, 0.5, 1).map((bulge) => arcFromBulge(from, to, bulge)),
    },
    {
      weight: 2,
      arbitrary: fc.tuple(snappedPoint(fold), snappedPoint(fold)).map(([a, b]) => cubic(from, a, b, to)),
    },
  );

const contour = (fold: number): fc.Arbitrary<Path> =>
  fc
    .array(snappedPoint(fold), { minLength: 2, maxLength: 7 })
    .chain((points) =>
      fc.tuple(...points.map((p, k) => side(fold, p, points[(k + 1) % points.length] as Point))),
    )
    .map((segments) => ({
      closed: true,
      segments: segments.filter(({ from, to }) => from.x !== to.x || from.y !== to.y),
    }));

const disc: fc.Arbitrary<Path> = fc
  .tuple(fc.integer({ min: -6, max: 6 }), fc.integer({ min: -16, max: 0 }), fc.integer({ min: 1, max: 10 }))
  .map(([x, y, r]) => circle(x, y, r));

/** Shapes that cross themselves and each other, touch rays and centre, share edges with their own copies. */
export const motif = (fold: number): fc.Arbitrary<MergeShape[]> =>
  fc.array(
    fc.record({
      paths: fc.array(fc.oneof({ weight: 3, arbitrary: contour(fold) }, { weight: 1, arbitrary: disc }), {
        minLength: 1,
        maxLength: 2,
      }),
      rule: fc.constantFrom('nonzero' as const, 'evenodd' as const),
    }),
    { minLength: 1, maxLength: 3 },
  );

export const anyFold: fc.Arbitrary<number> = fc.oneof(
  fc.integer({ min: 1, max: 16 }),
  fc.constantFrom(24, 30, 36, 90),
);
