/**
 * Cubics along a smooth curve of which points and directions are known.
 *
 * @example
 * const cubics = fittedTo({ at: (t) => spiralPoint(t), along: (t) => spiralSpeed(t) }, 0.001);
 */
import { add, distance, dot, lengthOf, scaleBy, subtract, type Point } from './point';
import { cubic, derivativeAt, pointAt, type CubicSegment } from './segment';

/** A curve by its parameter from 0 to 1. */
export interface SmoothCurve {
  readonly at: (t: number) => Point;
  /** Its derivative; at an end where that is nothing, any vector in the way that it leaves or comes. */
  readonly along: (t: number) => Point;
}

/** Places on each piece at which it is fitted and measured. */
const SAMPLES = 16;
/** Up to so many even pieces are tried before they are halved. */
const MOST_EVEN = 6;
const MOST_HALVINGS = 9;
/** How often the places on a fit are found anew. */
const ROUNDS = 6;

const unit = (v: Point): Point => {
  const length = lengthOf(v);
  return length > 0 ? scaleBy(v, 1 / length) : v;
};

/** The curvature's part of Newton's step to the foot of a point on a cubic; none where the cubic is straight. */
function secondOf({ from, out, in: into, to }: CubicSegment, t: number): Point {
  const at = (a: number, b: number, c: number, d: number): number =>
    6 * ((1 - t) * (c - 2 * b + a) + t * (d - 2 * c + b));
  return { x: at(from.x, out.x, into.x, to.x), y: at(from.y, out.y, into.y, to.y) };
}

/** A step towards the parameter of a cubic's point nearest to `p` (Newton). */
function nearer(curve: CubicSegment, p: Point, s: number): number {
  const off = subtract(pointAt(curve, s), p);
  const speed = derivativeAt(curve, s);
  const slope = dot(speed, speed) + dot(off, secondOf(curve, s));
  return slope > 0 ? Math.min(1, Math.max(0, s - dot(off, speed) / slope)) : s;
}

/**
 * The cubic with given ends and directions nearest to points in the sense of least squares. Source: P. J. Schneider, "An Algorithm for
 * Automatically Fitting Digitized Curves", Graphics Gems, 1990.
 */
function leastSquares(
  [from, to]: readonly [Point, Point],
  [leaves, comes]: readonly [Point, Point],
  points: readonly Point[],
  places: readonly number[],
): CubicSegment {
  let [aa, ab, bb, ax, bx] = [0, 0, 0, 0, 0];
  points.forEach((p, k) => {
    const s = places[k] ?? 0;
    const r = 1 - s;
    const [b1, b2] = [3 * r * r * s, 3 * r * s * s];
    const [a, b] = [scaleBy(leaves, b1), scaleBy(comes, -b2)];
    const rest = subtract(p, add(scaleBy(from, r * r * r + b1), scaleBy(to, s * s * s + b2)));
    aa += dot(a, a);
    ab += dot(a, b);
    bb += dot(b, b);
    ax += dot(a, rest);
    bx += dot(b, rest);
  });
  const whole = aa * bb - ab * ab;
  const chord = distance(from, to);
  const [first, last] = [(ax * bb - bx * ab) / whole, (bx * aa - ax * ab) / whole];
  // Handles that run back, or far off, are no fit: a third of the chord is the start that is always one.
  const isFit = (length: number): boolean => length > 1e-6 * chord && length < 3 * chord;
  const [out, into] = isFit(first) && isFit(last) ? [first, last] : [chord / 3, chord / 3];
  return cubic(from, add(from, scaleBy(leaves, out)), subtract(to, scaleBy(comes, into)), to);
}

/** The cubic along a piece of a curve, and how far it is from it; see `fittedTo`. */
function fitOf({ at, along }: SmoothCurve, t0: number, t1: number): { curve: CubicSegment; off: number } {
  const ends = [at(t0), at(t1)] as const;
  const ways = [unit(along(t0)), unit(along(t1))] as const;
  const points = Array.from({ length: SAMPLES - 1 }, (_, k) => at(t0 + ((k + 1) / SAMPLES) * (t1 - t0)));
  let length = 0;
  const lengths = [...points, ends[1]].map((p, k) => (length += distance(p, points[k - 1] ?? ends[0])));
  let places = points.map((_, k) => (length > 0 ? (lengths[k] ?? 0) / length : 0));
  let curve = leastSquares(ends, ways, points, places);
  for (let k = 0; k < ROUNDS; k += 1) {
    const made = curve;
    places = points.map((p, i) => nearer(made, p, places[i] ?? 0));
    if (k < ROUNDS - 1) curve = leastSquares(ends, ways, points, places);
  }
  const rises = places.every((s, k) => s >= (places[k - 1] ?? 0));
  const off = Math.max(...points.map((p, k) => distance(p, pointAt(curve, places[k] ?? 0))));
  return { curve, off: rises ? off : Infinity };
}

/**
 * As few cubics as it needs along a curve, each with the curve's ends and directions, nowhere farther from it than a tolerance, nor it from
 * them. Pieces are even in the parameter while few do, and halved where many are wanted.
 * @param tolerance in the curve's unit
 */
export function fittedTo(smooth: SmoothCurve, tolerance: number): CubicSegment[] {
  // What lies between the places that are measured is a little farther off than these.
  const enough = 0.7 * tolerance;
  const halved = (t0: number, t1: number, deep: number): CubicSegment[] => {
    const { curve, off } = fitOf(smooth, t0, t1);
    if (off <= enough || deep === 0) return [curve];
    const middle = (t0 + t1) / 2;
    return [...halved(t0, middle, deep - 1), ...halved(middle, t1, deep - 1)];
  };
  for (let count = 1; count <= MOST_EVEN; count += 1) {
    const pieces: CubicSegment[] = [];
    while (pieces.length < count) {
      const k = pieces.length;
      const { curve, off } = fitOf(smooth, k / count, (k + 1) / count);
      if (off > enough) break;
      pieces.push(curve);
    }
    if (pieces.length === count) return pieces;
  }
  return halved(0, 1, MOST_HALVINGS);
}
