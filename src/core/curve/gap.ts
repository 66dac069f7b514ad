import { boundsOfSegment, type Bounds } from './bounds';
import { crossingsOf } from './crossings';
import { nearestOnPath } from './nearest';
import { partOf } from './part';
import type { Path } from './path';
import { distance, type Point } from './point';
import { pointAt, type Segment } from './segment';
import { windingNumber } from './winding';

/** How far two boxes are apart at least: a lower bound for all that is in them. */
function apart(a: Bounds, b: Bounds): number {
  const dx = Math.max(0, a.left - b.right, b.left - a.right);
  const dy = Math.max(0, a.top - b.bottom, b.top - a.bottom);
  return Math.hypot(dx, dy);
}

const toSegment = (segment: Segment, p: Point): number =>
  nearestOnPath({ closed: false, segments: [segment] }, p)?.distance ?? Infinity;

const GOLDEN = (Math.sqrt(5) - 1) / 2;

/** The least value of a function that falls and then rises between two parameters (golden-section search). */
function leastBetween(f: (t: number) => number, from: number, to: number): number {
  let [low, high] = [from, to];
  let [a, b] = [high - GOLDEN * (high - low), low + GOLDEN * (high - low)];
  let [fa, fb] = [f(a), f(b)];
  for (let step = 0; step < 48; step += 1) {
    if (fa < fb) {
      [high, b, fb] = [b, a, fa];
      a = high - GOLDEN * (high - low);
      fa = f(a);
    } else {
      [low, a, fa] = [a, b, fb];
      b = low + GOLDEN * (high - low);
      fb = f(b);
    }
  }
  return Math.min(fa, fb);
}

/** The centre of a line or arc's own nearness: the points of it that are square to a point are known in closed form. */
function closed(a: Segment, b: Segment): number {
  const ends = [toSegment(b, a.from), toSegment(b, a.to), toSegment(a, b.from), toSegment(a, b.to)];
  // Between the ends, what is nearest is square to both: through the centre of each arc.
  const inner: number[] = [];
  for (const [one, other] of [
    [a, b],
    [b, a],
  ] as const)
    if (one.kind === 'arc') {
      const foot = nearestOnPath({ closed: false, segments: [other] }, one.centre);
      if (foot) inner.push(toSegment(one, foot.point));
    }
  return Math.min(...ends, ...inner);
}

const DEEPEST = 6;

/**
 * The least distance between two segments, if it is below `best`; else `best`. Pairs of parts whose boxes are farther
 * apart than the best so far cannot be nearer, and are left out: what is found is the minimum, to about 1e-12 of the size.
 */
function nearer(a: Segment, b: Segment, best: number): number {
  if (apart(boundsOfSegment(a), boundsOfSegment(b)) >= best) return best;
  if (a.kind !== 'cubic' && b.kind !== 'cubic') return Math.min(best, closed(a, b));
  let least = best;
  const look = (s0: number, s1: number, t0: number, t1: number, depth: number): void => {
    const [pa, pb] = [partOf(a, s0, s1), partOf(b, t0, t1)];
    least = Math.min(least, distance(pa.from, pb.from), distance(pa.to, pb.to), distance(pa.from, pb.to));
    if (apart(boundsOfSegment(pa), boundsOfSegment(pb)) >= least) return;
    if (depth === DEEPEST) {
      const margin = s1 - s0;
      const f = (s: number): number => toSegment(b, pointAt(a, s));
      least = Math.min(least, leastBetween(f, Math.max(0, s0 - margin), Math.min(1, s1 + margin)));
      return;
    }
    const [s, t] = [(s0 + s1) / 2, (t0 + t1) / 2];
    const bounds = (segment: Segment, from: number, to: number): Bounds =>
      boundsOfSegment(partOf(segment, from, to));
    const halves = [
      [s0, s],
      [s, s1],
    ] as const;
    const others = [
      [t0, t],
      [t, t1],
    ] as const;
    // The nearer parts first: what they give rules out the others.
    halves
      .flatMap((left) =>
        others.map((right) => ({ left, right, away: apart(bounds(a, ...left), bounds(b, ...right)) })),
      )
      .sort((x, y) => x.away - y.away)
      .forEach(({ left, right, away }) => {
        if (away < least) look(left[0], left[1], right[0], right[1], depth + 1);
      });
  };
  look(0, 1, 0, 1, 0);
  return least;
}

/** True where a segment of one set of paths crosses one of another. */
const cross = (a: readonly Path[], b: readonly Path[]): boolean =>
  a.some((one) =>
    b.some((other) =>
      one.segments.some((s) =>
        other.segments.some(
          (t) =>
            apart(boundsOfSegment(s), boundsOfSegment(t)) === 0 &&
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
      return others.map((other) => ({ segment, other: other.segment, away: apart(box, other.box) }));
    }),
  );
  return pairs
    .sort((x, y) => x.away - y.away)
    .reduce(
      (least, { segment, other, away }) => (away < least ? nearer(segment, other, least) : least),
      Infinity,
    );
}

/** The gap between two sets of paths, in the figure's unit: 0 where they touch, −∞ where they overlap. */
export const gapBetween = (a: readonly Path[], b: readonly Path[]): number =>
  cross(a, b) || oneInside(a, b) ? -Infinity : leastDistance(a, b);

/** The gap between the curves of two sets of paths, one of which may lie inside the other; −∞ where they cross. */
export const gapOfCurves = (a: readonly Path[], b: readonly Path[]): number =>
  cross(a, b) ? -Infinity : leastDistance(a, b);
