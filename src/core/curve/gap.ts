import { boundsApart, boundsOfSegment } from './bounds';
import { crossingsOf } from './crossings';
import type { Path } from './path';
import { pointAt } from './segment';
import { segmentGap } from './segmentGap';
import { windingNumber } from './winding';

/** True where a segment of one set of paths crosses one of another. */
const cross = (a: readonly Path[], b: readonly Path[]): boolean =>
  a.some((one) =>
    b.some((other) =>
      one.segments.some((s) =>
        other.segments.some(
          (t) =>
            boundsApart(boundsOfSegment(s), boundsOfSegment(t)) === 0 &&
            crossingsOf(s, t).some(({ touching }) => !touching),
        ),
      ),
    ),
  );

/** True where one of the paths lies inside a closed path of the others, or the other way round. */
function oneInside(a: readonly Path[], b: readonly Path[]): boolean {
  const inside = (paths: readonly Path[], others: readonly Path[]): boolean =>
    paths.some((path) =>
      others.some(({ segments: [first] }) => {
        const p = first && pointAt(first, 0.5);
        return p !== undefined && path.closed && windingNumber(path, p, 1e-9) !== 0;
      }),
    );
  return inside(a, b) || inside(b, a);
}

/** True where closed paths go round all of others, whose curves they do not cross. */
export const enclosesAll = (paths: readonly Path[], others: readonly Path[]): boolean =>
  others.every(({ segments: [first] }) => {
    const p = first && pointAt(first, 0.5);
    return p !== undefined && paths.some((path) => path.closed && windingNumber(path, p, 1e-9) !== 0);
  });

/** The least distance between the curves of two sets of paths, whatever they enclose. */
function leastDistance(a: readonly Path[], b: readonly Path[]): number {
  const others = b.flatMap(({ segments }) =>
    segments.map((segment) => ({ segment, box: boundsOfSegment(segment) })),
  );
  const pairs = a.flatMap(({ segments }) =>
    segments.flatMap((segment) => {
      const box = boundsOfSegment(segment);
      return others.map((other) => ({ segment, other: other.segment, away: boundsApart(box, other.box) }));
    }),
  );
  return pairs
    .sort((x, y) => x.away - y.away)
    .reduce(
      (least, { segment, other, away }) => (away < least ? segmentGap(segment, other, least) : least),
      Infinity,
    );
}

/** The gap between two sets of paths, in the figure's unit: 0 where they touch, −∞ where they overlap. */
export const gapBetween = (a: readonly Path[], b: readonly Path[]): number =>
  cross(a, b) || oneInside(a, b) ? -Infinity : leastDistance(a, b);

/** The gap between the curves of two sets of paths, one of which may lie inside the other; −∞ where they cross. */
export const gapOfCurves = (a: readonly Path[], b: readonly Path[]): number =>
  cross(a, b) ? -Infinity : leastDistance(a, b);
