/**
 * What runs beside a curve at a distance: the sides of bands and offsets.
 *
 * @example
 * parallelOf(curve, { from: 2, to: 2 }, 1e-3); // cubics 2 to its left
 */
import { rootBetween } from '@/core/number';
import { curvatureAt, directionAt, leftOf, STILL } from './direction';
import { arcLength } from './length';
import { partOf } from './part';
import { add, dot, lengthOf, scaleBy, subtract, type Point } from './point';
import { cubic, derivativeAt, line, pointAt, type CubicSegment, type Segment } from './segment';

/** Distances to the left at both ends of a segment; between them they change evenly along its length. */
export interface Apart {
  readonly from: number;
  readonly to: number;
}

/** A place beside a curve, and the speed with which it moves there as the curve's parameter does. */
interface Beside {
  readonly point: Point;
  readonly speed: Point;
}

/** The differences of a cubic's points, from which all its derivatives are made. */
interface Differences {
  readonly ax: number;
  readonly ay: number;
  readonly bx: number;
  readonly by: number;
  readonly cx: number;
  readonly cy: number;
}

const differencesOf = ({ from, out, in: into, to }: CubicSegment): Differences => ({
  ax: out.x - from.x,
  ay: out.y - from.y,
  bx: into.x - out.x,
  by: into.y - out.y,
  cx: to.x - into.x,
  cy: to.y - into.y,
});

/** A cubic's speed at a parameter, its length, and c′ × c″, by which it bends. */
function motionAt({ ax, ay, bx, by, cx, cy }: Differences, t: number) {
  const u = 1 - t;
  const vx = 3 * (u * u * ax + 2 * u * t * bx + t * t * cx);
  const vy = 3 * (u * u * ay + 2 * u * t * by + t * t * cy);
  const sx = 6 * (u * (bx - ax) + t * (cx - bx));
  const sy = 6 * (u * (by - ay) + t * (cy - by));
  return { vx, vy, v: Math.sqrt(vx * vx + vy * vy), bend: vx * sy - vy * sx };
}

/** What lies at an even distance beside a cubic: as `besideOf` has it, without what does not change. */
function besideCubic(segment: CubicSegment, d: number): (t: number) => Beside {
  const differences = differencesOf(segment);
  const { ax, ay, bx, by, cx, cy } = differences;
  const size = Math.abs(ax) + Math.abs(ay) + Math.abs(bx) + Math.abs(by) + Math.abs(cx) + Math.abs(cy);
  return (t) => {
    const at = pointAt(segment, t);
    const { vx, vy, v, bend } = motionAt(differences, t);
    if (v <= STILL * size) {
      const left = leftOf(directionAt(segment, t));
      return { point: add(at, scaleBy(left, d)), speed: { x: 0, y: 0 } };
    }
    const share = 1 + (d * bend) / (v * v * v);
    return {
      point: { x: at.x + (vy / v) * d, y: at.y - (vx / v) * d },
      speed: { x: vx * share, y: vy * share },
    };
  };
}

/**
 * What lies beside a segment at its parameters. Speed beside a curve: c′ (1 + κd) + d′n, the derivative of c + dn
 * (do Carmo, "Differential Geometry of Curves and Surfaces", §1-5).
 */
function besideOf(segment: Segment, { from, to }: Apart): (t: number) => Beside {
  if (segment.kind === 'cubic' && from === to) return besideCubic(segment, from);
  const length = from === to ? 0 : arcLength(segment);
  const slope = length > 0 ? (to - from) / length : 0;
  const apartAt = (t: number): number =>
    from === to || t === 0 ? from : t === 1 ? to : from + slope * arcLength(partOf(segment, 0, t));
  return (t) => {
    const direction = directionAt(segment, t);
    const left = leftOf(direction);
    const v = lengthOf(derivativeAt(segment, t));
    const d = apartAt(t);
    return {
      point: add(pointAt(segment, t), scaleBy(left, d)),
      speed: add(scaleBy(direction, v * (1 + curvatureAt(segment, t) * d)), scaleBy(left, v * slope)),
    };
  };
}

interface Place extends Beside {
  readonly t: number;
}

const CHECKS = 16;
/** A curve that turns by more than this between two places may do anything there, in radians. */
const MOST_STEP = 0.4;
const MOST_SPLITS = 12;

/** The angle between two directions; none where one of them is no direction. */
const turnFrom = (ax: number, ay: number, bx: number, by: number): number =>
  Math.abs(Math.atan2(ax * by - ay * bx, ax * bx + ay * by));

/** Parameters so near to one another that a cubic turns little between two that follow each other. */
function closeParameters(differences: Differences): number[] {
  const found = [0];
  const split = (t0: number, t1: number, splits: number): void => {
    const [a, b] = [motionAt(differences, t0), motionAt(differences, t1)];
    if (splits > 0 && turnFrom(a.vx, a.vy, b.vx, b.vy) > MOST_STEP) {
      const middle = (t0 + t1) / 2;
      split(t0, middle, splits - 1);
      split(middle, t1, splits - 1);
    } else found.push(t1);
  };
  for (let k = 1; k <= CHECKS; k += 1) split((k - 1) / CHECKS, k / CHECKS, MOST_SPLITS);
  return found;
}

/**
 * Parameters at which what runs at an even distance to the left of a cubic stops and turns back: where its curvature is −1/d, so
 * that |c′|³ + d (c′ × c″) is 0.
 */
export function turningBack(segment: CubicSegment, d: number): number[] {
  const differences = differencesOf(segment);
  const f = (t: number): number => {
    const { v, bend } = motionAt(differences, t);
    return v * v * v + d * bend;
  };
  const places = closeParameters(differences);
  const values = places.map(f);
  return places.slice(1).flatMap((to, k) => {
    const [from, before, next] = [places[k] ?? 0, values[k] ?? 0, values[k + 1] ?? 0];
    if (before > 0 === next > 0) return [];
    const stop = rootBetween(f, from, to, before, next);
    return stop > 0 && stop < 1 ? [stop] : [];
  });
}

const MOST_HALVINGS = 18;

/** Shares of a piece at which a cubic is checked, and, every second of them, fitted to it. */
const SHARES = [1, 2, 3, 4, 5, 6, 7].map((k) => k / 8);
const FITTED = SHARES.filter((_, k) => k % 2 === 1);
const ROUNDS = 3;
/** Changes of handles below this share no longer tell. */
const SETTLED = 1e-4;

/** Handles may become so many times shorter or longer by the fit. */
const MOST_CHANGE = 8;

/** The parameter of a point near a curve: one step of Newton's method along it. */
function parameterNear(curve: CubicSegment, point: Point, share: number): number {
  const way = derivativeAt(curve, share);
  const square = dot(way, way);
  const nearer = share + (square > 0 ? dot(subtract(point, pointAt(curve, share)), way) / square : 0);
  return Math.min(1, Math.max(0, nearer));
}

interface Sample {
  readonly point: Point;
  readonly share: number;
}

/** By how much longer handles bring a cubic nearest to points, across it: least squares in two unknowns. */
function handleChanges(curve: CubicSegment, samples: readonly Sample[]): readonly [number, number] {
  const [out, into] = [subtract(curve.out, curve.from), subtract(curve.to, curve.in)];
  // The normal equations: sums of products of what each change does across the curve.
  let [aa, ab, bb, ae, be] = [0, 0, 0, 0, 0];
  for (const { point, share } of samples) {
    const across = leftOf(derivativeAt(curve, share));
    const off = dot(subtract(point, pointAt(curve, share)), across);
    const byOut = 3 * share * (1 - share) ** 2 * dot(out, across);
    const byInto = -3 * share ** 2 * (1 - share) * dot(into, across);
    aa += byOut * byOut;
    ab += byOut * byInto;
    bb += byInto * byInto;
    ae += byOut * off;
    be += byInto * off;
  }
  // A little damping leaves handles as they are that do nothing across the curve.
  const damping = 1e-9 * (aa + bb);
  const determinant = (aa + damping) * (bb + damping) - ab * ab;
  if (!(determinant > 0)) return [0, 0];
  return [(ae * (bb + damping) - be * ab) / determinant, (be * (aa + damping) - ae * ab) / determinant];
}

/**
 * A cubic through the ends of a curve in its directions there, with the handles that bring it nearest to points of the curve:
 * points go to what is nearest to them on the cubic, handles to what is nearest to the points, by turns
 * (Hoschek, "Intrinsic parametrization for approximation", 1988).
 */
function fittedCubic(hermite: CubicSegment, points: readonly Point[]): CubicSegment {
  let curve = hermite;
  let shares: readonly number[] = FITTED;
  let [longer, other] = [1, 1];
  const [out, into] = [subtract(hermite.out, hermite.from), subtract(hermite.to, hermite.in)];
  for (let round = 0; round < ROUNDS; round += 1) {
    const samples = points.map((point, k) => ({ point, share: shares[k] ?? 0 }));
    const [a, b] = handleChanges(curve, samples);
    if (Math.abs(a) + Math.abs(b) < SETTLED) return curve;
    [longer, other] = [longer * (1 + a), other * (1 + b)];
    if (![longer, other].every((by) => by > 1 / MOST_CHANGE && by < MOST_CHANGE)) return hermite;
    curve = {
      ...hermite,
      out: add(hermite.from, scaleBy(out, longer)),
      in: subtract(hermite.to, scaleBy(into, other)),
    };
    const known = curve;
    shares = points.map((point, k) => parameterNear(known, point, shares[k] ?? 0));
  }
  return curve;
}

/** Below this share of the fastest a speed is that of a stop, and its direction rounding's. */
const STOPPED = 1e-6;

/** True where a curve turns little between places with these speeds: a bend between two of them would not be seen there. */
function turnsLittle(speeds: readonly Point[]): boolean {
  const fastest = Math.max(...speeds.map(lengthOf));
  const moving = speeds.filter((speed) => lengthOf(speed) > STOPPED * fastest);
  return moving.every(({ x, y }, k) => {
    const before = moving[k - 1];
    return before === undefined || turnFrom(before.x, before.y, x, y) <= MOST_STEP;
  });
}

/**
 * The curve that runs beside a segment at a distance to its left (negative: to its right). A line's is a line and an arc's at an
 * even distance an arc, exactly, or at its centre a line without length; any other is cubics within `tolerance` of the true curve,
 * with its ends and its directions there, halved until they are that near.
 */
export function parallelOf(segment: Segment, apart: Apart, tolerance: number): Segment[] {
  const { from, to } = apart;
  const beside = besideOf(segment, apart);
  if (segment.kind === 'line') return [line(beside(0).point, beside(1).point)];
  if (segment.kind === 'arc' && from === to) {
    // A clockwise arc has its centre to the right: what is beside it to the left is farther out.
    const radius = segment.radius + (segment.sweep > 0 ? from : -from);
    if (Math.abs(radius) < 1e-12 * segment.radius) return [line(segment.centre, segment.centre)];
    return [{ ...segment, from: beside(0).point, to: beside(1).point, radius: Math.abs(radius) }];
  }
  const fitted = (a: Place, b: Place, halvings: number): Segment[] => {
    const at = (share: number): Beside => beside(a.t + share * (b.t - a.t));
    const third = (b.t - a.t) / 3;
    const [out, into] = [scaleBy(a.speed, third), scaleBy(b.speed, third)];
    const hermite = cubic(a.point, add(a.point, out), subtract(b.point, into), b.point);
    const samples = SHARES.map(at);
    const middle = samples[SHARES.length >> 1] as Beside;
    const isClose = turnsLittle([a, ...samples, b].map(({ speed }) => speed));
    const points = samples.filter((_, k) => k % 2 === 1).map(({ point }) => point);
    const curve = isClose ? fittedCubic(hermite, points) : hermite;
    const isNear = ({ point }: Beside, k: number): boolean => {
      if (k % 2 === 1) return true;
      const near = parameterNear(curve, point, parameterNear(curve, point, SHARES[k] ?? 0));
      return lengthOf(subtract(point, pointAt(curve, near))) <= tolerance / 2;
    };
    if (halvings === 0 || (isClose && samples.every(isNear))) return [curve];
    const half = { ...middle, t: (a.t + b.t) / 2 };
    return [...fitted(a, half, halvings - 1), ...fitted(half, b, halvings - 1)];
  };
  return fitted({ ...beside(0), t: 0 }, { ...beside(1), t: 1 }, MOST_HALVINGS);
}
