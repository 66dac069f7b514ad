import {
  add,
  between,
  distance,
  flatten,
  leftOf,
  lengthOf,
  type Point,
  scaleBy,
  subtract,
} from '@/core/curve';
import { pieceOf, type Strand } from './strands';

/** A stretch of a strand as points near enough to tell where its band reaches. */
export interface Trail {
  readonly points: readonly Point[];
  /** Lengths at the points, from the stretch's start. */
  readonly lengths: readonly number[];
  readonly length: number;
  /** Of its longest chord. */
  readonly chord: number;
  /** Where along the strand the stretch begins. */
  readonly from: number;
}

/** A stretch of a strand to both sides of a place, as far as there is one. @param within how near its chords are to it */
export function trailAround(strand: Strand, along: number, reach: number, within: number): Trail {
  const { path, length } = strand;
  const [from, to] = path.closed
    ? [along - Math.min(reach, length / 2), along + Math.min(reach, length / 2)]
    : [Math.max(0, along - reach), Math.min(length, along + reach)];
  const points = flatten(pieceOf(strand, from, to), within);
  let sum = 0;
  let chord = 0;
  const lengths = points.map((p, k) => {
    const own = k > 0 ? distance(p, points[k - 1] as Point) : 0;
    chord = Math.max(chord, own);
    return (sum += own);
  });
  return { points, lengths, length: sum, chord, from };
}

/** Where a trail is at a length of it, and its direction there. */
function placeOn({ points, lengths }: Trail, along: number): { at: Point; way: Point } {
  let k = 1;
  while (k < points.length - 1 && (lengths[k] ?? 0) < along) k += 1;
  const [a, b] = [points[k - 1] as Point, (points[k] ?? points[k - 1]) as Point];
  const [from, to] = [lengths[k - 1] ?? 0, lengths[k] ?? 0];
  const way = subtract(b, a);
  return {
    at: between(a, b, to > from ? (along - from) / (to - from) : 0),
    way: scaleBy(way, 1 / (lengthOf(way) || 1)),
  };
}

/** The point at a length of a trail. */
const pointOn = (trail: Trail, along: number): Point => placeOn(trail, along).at;

/** True where a point is no farther from a trail than a distance. Asked very often: without a new object for each chord. */
function isWithin({ points, chord }: Trail, { x, y }: Point, far: number): boolean {
  const near = far + chord;
  for (let k = 1; k < points.length; k += 1) {
    const a = points[k - 1] as Point;
    const [px, py] = [x - a.x, y - a.y];
    if (px > near || px < -near || py > near || py < -near) continue;
    const b = points[k] as Point;
    const [sx, sy] = [b.x - a.x, b.y - a.y];
    const square = sx * sx + sy * sy;
    const t = square > 0 ? Math.min(1, Math.max(0, (px * sx + py * sy) / square)) : 0;
    const [dx, dy] = [px - t * sx, py - t * sy];
    if (dx * dx + dy * dy <= far * far) return true;
  }
  return false;
}

/** Where a cross-section of a band is looked at, in half widths. */
const ACROSS = [-1, -0.5, 0, 0.5, 1];

/** Points across a band at a length of its trail. */
const sectionOf = (trail: Trail, along: number, half: number): Point[] => {
  const { at, way } = placeOn(trail, along);
  return ACROSS.map((share) => add(at, scaleBy(leftOf(way), share * half)));
};

/**
 * How far along a strand, from a place where it crosses another, its band lies on the other's: lengths back and on. Infinite where
 * the trails end before it does.
 * @param sine of the angle between them there
 */
export function overlapAlong(
  own: Trail,
  ownHalf: number,
  other: Trail,
  otherHalf: number,
  along: number,
  sine: number,
): readonly [back: number, on: number] {
  const meets = (at: number): boolean =>
    sectionOf(own, at, ownHalf).some((p) => isWithin(other, p, otherHalf));
  const middle = along - own.from;
  // At a flat angle bands overlap for long, and may be looked at in longer steps.
  const step = (ownHalf + otherHalf) * Math.max(1 / 3, 0.1 / sine);
  const reach = (sign: 1 | -1): number => {
    const most = sign > 0 ? own.length - middle : middle;
    for (let far = step; far < most; far += step) {
      if (meets(middle + sign * far)) continue;
      let [yes, no] = [far - step, far];
      for (let halving = 0; halving < 8; halving += 1) {
        const half = (yes + no) / 2;
        if (meets(middle + sign * half)) yes = half;
        else no = half;
      }
      return no;
    }
    return Infinity;
  };
  return [reach(-1), reach(1)];
}

/** True where a band has some of the plane in common with all of others. */
export function shareGround(
  own: Trail,
  ownHalf: number,
  others: readonly { readonly trail: Trail; readonly half: number }[],
): boolean {
  return [0.02, 0.18, 0.34, 0.5, 0.66, 0.82, 0.98].some((share) =>
    sectionOf(own, share * own.length, ownHalf).some((p) =>
      others.every(({ trail, half }) => isWithin(trail, p, half)),
    ),
  );
}

/** True where a strand turns back between two lengths so sharply that its band lies on itself all the way to the turn. */
export function folds(strand: Strand, from: number, to: number, half: number): boolean {
  if (to - from > strand.length / 2) return false;
  const trail = trailAround(strand, (from + to) / 2, (to - from) / 2, half / 50);
  return [0, 0.1, 0.25, 0.4].every((share) => {
    const [a, b] = [share, 1 - share].map((at) => pointOn(trail, at * trail.length)) as [Point, Point];
    return distance(a, b) <= 2 * half;
  });
}
