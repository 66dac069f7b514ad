/**
 * Cubics along a smooth curve of which points and directions are known.
 *
 * @example
 * const cubics = fittedTo({ at: (t) => spiralPoint(t), along: (t) => spiralSpeed(t) }, 0.001);
 */
import { add, distance, lengthOf, scaleBy, subtract, type Point } from './point';
import { cubic, type CubicSegment } from './segment';

/** A curve by its parameter from 0 to 1. */
export interface SmoothCurve {
  readonly at: (t: number) => Point;
  /** Its derivative; at an end where that is nothing, any vector in the way that it leaves or comes. */
  readonly along: (t: number) => Point;
}

/** Places on each piece at which it is fitted and measured. */
const SAMPLES = 16;
/** Up to so many even pieces are tried before they are halved. */
const MOST_EVEN = 12;
const MOST_HALVINGS = 9;
/** How often the places on a fit are found anew, at most. */
const ROUNDS = 6;
/** A fit's error falls with this power of its length where it is smooth (de Boor, Höllig and Sabin, CAGD 4, 1987, from memory: six; here a little less). */
const POWER = 5;

const unit = (v: Point): Point => {
  const length = lengthOf(v);
  return length > 0 ? scaleBy(v, 1 / length) : v;
};

/** The ends of a cubic, and the unit vectors in the way that it leaves and comes. */
interface Ends {
  readonly from: Point;
  readonly to: Point;
  readonly leaves: Point;
  readonly comes: Point;
}

/** Points in a row that a cubic is fitted to, and where on it each has its foot. Plain numbers: this is done thousands of times. */
interface Row {
  readonly xs: Float64Array;
  readonly ys: Float64Array;
  readonly feet: Float64Array;
}

/**
 * The cubic with given ends and directions nearest to points in the sense of least squares. Source: P. J. Schneider, "An Algorithm for
 * Automatically Fitting Digitized Curves", Graphics Gems, 1990.
 */
function leastSquares({ from, to, leaves, comes }: Ends, { xs, ys, feet }: Row): CubicSegment {
  let [aa, ab, bb, ax, bx] = [0, 0, 0, 0, 0];
  const across = leaves.x * comes.x + leaves.y * comes.y;
  for (let k = 0; k < xs.length; k += 1) {
    const s = feet[k] ?? 0;
    const r = 1 - s;
    const [b1, b2] = [3 * r * r * s, 3 * r * s * s];
    const [w0, w3] = [r * r * r + b1, s * s * s + b2];
    const restX = (xs[k] ?? 0) - w0 * from.x - w3 * to.x;
    const restY = (ys[k] ?? 0) - w0 * from.y - w3 * to.y;
    aa += b1 * b1;
    ab -= b1 * b2 * across;
    bb += b2 * b2;
    ax += b1 * (leaves.x * restX + leaves.y * restY);
    bx -= b2 * (comes.x * restX + comes.y * restY);
  }
  const whole = aa * bb - ab * ab;
  const chord = distance(from, to);
  const [first, last] = [(ax * bb - bx * ab) / whole, (bx * aa - ax * ab) / whole];
  // Handles that run back, or far off, are no fit: a third of the chord is the start that is always one.
  const isFit = (length: number): boolean => length > 1e-6 * chord && length < 3 * chord;
  const [out, into] = isFit(first) && isFit(last) ? [first, last] : [chord / 3, chord / 3];
  return cubic(from, add(from, scaleBy(leaves, out)), subtract(to, scaleBy(comes, into)), to);
}

/** Moves each foot a step nearer to the cubic's point nearest to its own (Newton). @returns how far the farthest point is from the cubic */
function stepped({ from, out, in: into, to }: CubicSegment, { xs, ys, feet }: Row): number {
  let most = 0;
  for (let k = 0; k < xs.length; k += 1) {
    const s = feet[k] ?? 0;
    const r = 1 - s;
    const [w0, w1, w2, w3] = [r * r * r, 3 * r * r * s, 3 * r * s * s, s * s * s];
    const offX = w0 * from.x + w1 * out.x + w2 * into.x + w3 * to.x - (xs[k] ?? 0);
    const offY = w0 * from.y + w1 * out.y + w2 * into.y + w3 * to.y - (ys[k] ?? 0);
    const [d0, d1, d2] = [3 * r * r, 6 * r * s, 3 * s * s];
    const speedX = d0 * (out.x - from.x) + d1 * (into.x - out.x) + d2 * (to.x - into.x);
    const speedY = d0 * (out.y - from.y) + d1 * (into.y - out.y) + d2 * (to.y - into.y);
    const secondX = 6 * (r * (into.x - 2 * out.x + from.x) + s * (to.x - 2 * into.x + out.x));
    const secondY = 6 * (r * (into.y - 2 * out.y + from.y) + s * (to.y - 2 * into.y + out.y));
    const along = offX * speedX + offY * speedY;
    const square = speedX * speedX + speedY * speedY;
    const slope = square + offX * secondX + offY * secondY;
    const next = slope > 0 ? Math.min(1, Math.max(0, s - along / slope)) : s;
    feet[k] = next;
    // What is left once it has its foot: the part of the way off that is square to the curve.
    const left =
      square > 0 ? Math.abs(offX * speedY - offY * speedX) / Math.sqrt(square) : Math.hypot(offX, offY);
    const ahead = square > 0 ? Math.abs(along / Math.sqrt(square) - (next - s) * Math.sqrt(square)) : 0;
    most = Math.max(most, Math.hypot(left, ahead));
  }
  return most;
}

/** True where feet lie in the order of their points. */
function isInOrder(feet: Float64Array): boolean {
  for (let k = 1; k < feet.length; k += 1) if ((feet[k] ?? 0) < (feet[k - 1] ?? 0)) return false;
  return true;
}

/** The best of some rounds; fewer where it is near enough. */
function bestOf(ends: Ends, row: Row, rounds: number, enough: number): { curve: CubicSegment; off: number } {
  let curve = leastSquares(ends, row);
  let off = stepped(curve, row);
  for (let k = 1; k < rounds && off > enough; k += 1) {
    curve = leastSquares(ends, row);
    off = stepped(curve, row);
  }
  return { curve, off: isInOrder(row.feet) ? off : Infinity };
}

/**
 * The cubic with given ends and directions nearest to points that lie in a row; where on it each has its foot is found anew each round.
 * @param ways unit vectors in the way that the curve leaves and comes
 * @param places where on the cubic the points are first, from 0 to 1
 */
export function cubicNear(
  [from, to]: readonly [Point, Point],
  [leaves, comes]: readonly [Point, Point],
  points: readonly Point[],
  places: readonly number[],
  rounds = ROUNDS,
): CubicSegment {
  const row = {
    xs: Float64Array.from(points, ({ x }) => x),
    ys: Float64Array.from(points, ({ y }) => y),
    feet: Float64Array.from(places),
  };
  return bestOf({ from, to, leaves, comes }, row, rounds, 0).curve;
}

/** The cubic along a piece of a curve, and how far it is from it; see `fittedTo`. */
function fitOf(
  { at, along }: SmoothCurve,
  t0: number,
  t1: number,
  enough: number,
): { curve: CubicSegment; off: number } {
  const count = SAMPLES - 1;
  const row = { xs: new Float64Array(count), ys: new Float64Array(count), feet: new Float64Array(count) };
  for (let k = 0; k < count; k += 1) {
    const share = (k + 1) / SAMPLES;
    const { x, y } = at(t0 + share * (t1 - t0));
    row.xs[k] = x;
    row.ys[k] = y;
    row.feet[k] = share;
  }
  const ends = { from: at(t0), to: at(t1), leaves: unit(along(t0)), comes: unit(along(t1)) };
  return bestOf(ends, row, ROUNDS, enough);
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
    const { curve, off } = fitOf(smooth, t0, t1, enough);
    if (off <= enough || deep === 0) return [curve];
    const middle = (t0 + t1) / 2;
    return [...halved(t0, middle, deep - 1), ...halved(middle, t1, deep - 1)];
  };
  const one = fitOf(smooth, 0, 1, enough);
  if (one.off <= enough) return [one.curve];
  // Fewer than its error asks for are not tried.
  const least = Math.floor((one.off / enough) ** (1 / POWER));
  for (let count = Math.max(2, least); count <= MOST_EVEN; count += 1) {
    const pieces: CubicSegment[] = [];
    while (pieces.length < count) {
      const k = pieces.length;
      const { curve, off } = fitOf(smooth, k / count, (k + 1) / count, enough);
      if (off > enough) break;
      pieces.push(curve);
    }
    if (pieces.length === count) return pieces;
  }
  return halved(0, 1, MOST_HALVINGS);
}
