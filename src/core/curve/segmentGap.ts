/**
 * How near two segments come to each other, as curves: for fits and neighbours.
 *
 * @example
 * segmentGap(circleArc, petalSide, Infinity); // 2.5
 */
import { boundsApart, boundsOfSegment } from './bounds';
import { nearestOnPath } from './nearest';
import { dot, lengthOf, subtract, type Point } from './point';
import { derivativeAt, pointAt, secondDerivativeAt, type Segment } from './segment';
import { halvesOf, leastApart, wholeOf, type Stretch } from './stretch';

const toSegment = (segment: Segment, p: Point): number =>
  nearestOnPath({ closed: false, segments: [segment] }, p)?.distance ?? Infinity;

/** What is nearest at the ends of either segment. */
const atEnds = (a: Segment, b: Segment): number =>
  Math.min(toSegment(b, a.from), toSegment(b, a.to), toSegment(a, b.from), toSegment(a, b.to));

/** Between the ends, what is nearest on lines and arcs is square to both: through the centre of each arc. */
function throughCentres(a: Segment, b: Segment): number {
  const inner = [
    [a, b],
    [b, a],
  ].map(([one, other]) => {
    if (one?.kind !== 'arc' || !other) return Infinity;
    const foot = nearestOnPath({ closed: false, segments: [other] }, one.centre);
    return foot ? toSegment(one, foot.point) : Infinity;
  });
  return Math.min(...inner);
}

const STEPS = 8;

const clamped = (t: number): number => Math.min(1, Math.max(0, t));

/**
 * The nearest that Newton's method comes to from a parameter on each: where the way from one curve to the other is square to both.
 * All steps stay on the curves, so that each is an upper bound.
 */
function nearBy(a: Segment, b: Segment, s0: number, t0: number): number {
  let [s, t, least] = [s0, t0, Infinity];
  for (let step = 0; step < STEPS; step += 1) {
    const way = subtract(pointAt(a, s), pointAt(b, t));
    const away = lengthOf(way);
    if (away >= least) break;
    least = away;
    const [da, db] = [derivativeAt(a, s), derivativeAt(b, t)];
    const [gs, gt] = [dot(way, da), -dot(way, db)];
    const ss = dot(da, da) + dot(way, secondDerivativeAt(a, s));
    const tt = dot(db, db) - dot(way, secondDerivativeAt(b, t));
    const st = -dot(da, db);
    const determinant = ss * tt - st * st;
    // Where the square of the distance bends downward there is no least by a step: down the slope by turns, as on a line.
    const isBowl = ss > 0 && determinant > 1e-14 * ss * Math.abs(tt);
    const ds = isBowl ? (tt * gs - st * gt) / determinant : gs / dot(da, da);
    const dt = isBowl ? (ss * gt - st * gs) / determinant : 0;
    const [nextS, nextT] = [clamped(s - ds), clamped(t - dt)];
    if (Number.isNaN(nextS) || Number.isNaN(nextT) || (nextS === s && nextT === t)) break;
    [s, t] = [nextS, nextT];
  }
  return least;
}

/** Parts of a 256th of a segment are left to Newton's method alone. */
const DEEPEST = 8;

/**
 * The least distance between two segments, if it is below `best`; else `best`. Branch and bound: pairs of parts that are
 * farther apart than the best so far are left out, the rest is halved, and each gives what Newton's method finds
 * from its middle. What is found is the minimum, to about 1e-12 of the size.
 */
export function segmentGap(a: Segment, b: Segment, best: number): number {
  if (boundsApart(boundsOfSegment(a), boundsOfSegment(b)) >= best) return best;
  let least = Math.min(best, atEnds(a, b));
  if (a.kind !== 'cubic' && b.kind !== 'cubic') return Math.min(least, throughCentres(a, b));
  const look = (one: Stretch, other: Stretch, depth: number): void => {
    least = Math.min(least, nearBy(a, b, (one.from + one.to) / 2, (other.from + other.to) / 2));
    if (depth === DEEPEST) return;
    const others = halvesOf(other);
    // The nearer parts first: what they give rules out the others.
    halvesOf(one)
      .flatMap((left) => others.map((right) => ({ left, right, away: leastApart(left, right) })))
      .sort((x, y) => x.away - y.away)
      .forEach(({ left, right, away }) => {
        if (away < least) look(left, right, depth + 1);
      });
  };
  look(wholeOf(a), wholeOf(b), 0);
  return least;
}
