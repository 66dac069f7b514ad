import fc from 'fast-check';

import {
  type Affine,
  arcFromBulge,
  compose,
  cubic,
  distance,
  line,
  MIRROR,
  moveMap,
  type Path,
  type PathNode,
  pathOfNodes,
  type Point,
  scaleMap,
  type Segment,
  turnMap,
} from '@/core/curve';
import { turn } from '@/core/number';

/** Coordinates on a coarse grid too, so that lines coincide and points fall on each other. */
const coordinate = fc.oneof(
  fc.integer({ min: -20, max: 20 }),
  fc.double({ min: -100, max: 100, noNaN: true }).map((x) => Math.round(x * 1e6) / 1e6),
);

export const anyPoint: fc.Arbitrary<Point> = fc.record({ x: coordinate, y: coordinate });

const apart = fc.tuple(anyPoint, anyPoint).filter(([a, b]) => distance(a, b) > 0.01);

export const anyBulge = fc
  .double({ min: 0.02, max: 6, noNaN: true })
  .chain((size) => fc.constantFrom(size, -size));

export const anySegment: fc.Arbitrary<Segment> = fc.oneof(
  apart.map(([a, b]) => line(a, b)),
  fc.tuple(apart, anyBulge).map(([[a, b], bulge]) => arcFromBulge(a, b, bulge)),
  fc.tuple(apart, anyPoint, anyPoint).map(([[a, b], p, q]) => cubic(a, p, q, b)),
);

export const anyNode: fc.Arbitrary<PathNode> = fc.oneof(
  anyPoint.map(({ x, y }): PathNode => ({ x, y, kind: 'corner' })),
  fc.tuple(anyPoint, anyBulge).map(([{ x, y }, bulge]): PathNode => ({ x, y, kind: 'corner', bulge })),
  fc.tuple(anyPoint, anyPoint).map(([{ x, y }, out]): PathNode => ({ x, y, kind: 'corner', out })),
  fc
    .tuple(anyPoint, anyPoint, anyPoint)
    .map(([{ x, y }, into, out]): PathNode => ({ x, y, kind: 'corner', in: into, out })),
);

export const anyClosedPath: fc.Arbitrary<Path> = fc
  .array(anyNode, { minLength: 3, maxLength: 7 })
  .map((nodes) => pathOfNodes(nodes, true));

/** Maps that keep the form of things: moves, turns, reflections, uniform scales. */
export const anySimilarity: fc.Arbitrary<Affine> = fc
  .tuple(
    anyPoint,
    fc.tuple(fc.integer({ min: -50, max: 50 }), fc.integer({ min: 1, max: 60 })),
    fc.double({ min: 0.1, max: 10, noNaN: true }),
    fc.boolean(),
  )
  .map(([by, [num, den], factor, mirrored]) => {
    const turned = compose(turnMap(turn(num, den)), scaleMap(factor, { x: 0, y: 0 }));
    return compose(moveMap(by), mirrored ? compose(turned, MIRROR) : turned);
  });
