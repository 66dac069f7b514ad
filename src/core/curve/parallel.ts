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
import { add, lengthOf, scaleBy, subtract, type Point } from './point';
import { cubic, derivativeAt, line, pointAt, type CubicSegment, type Segment } from './segment';

/** Distances to the left at both ends of a segment; between them they change evenly along its length. */
export interface Apart {
  readonly from: number;
  readonly to: number;
}

/** A place beside a curve, and the speed with which it moves there as the curve's parameter does. */
interface Beside extends Point {
  readonly vx: number;
  readonly vy: number;
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
  const still =
    STILL * (Math.abs(ax) + Math.abs(ay) + Math.abs(bx) + Math.abs(by) + Math.abs(cx) + Math.abs(cy));
  const { x: fromX, y: fromY } = segment.from;
  return (t) => {
    const u = 1 - t;
    const [w3, w2] = [t * t * t, 3 * u * t * t];
    const [later, last] = [w2 + w3, w3];
    const first = 3 * u * u * t + later;
    const x = fromX + first * ax + later * bx + last * cx;
    const y = fromY + first * ay + later * by + last * cy;
    const { vx, vy, v, bend } = motionAt(differences, t);
    if (v <= still) {
      const left = leftOf(directionAt(segment, t));
      return { x: x + left.x * d, y: y + left.y * d, vx: 0, vy: 0 };
    }
    const share = 1 + (d * bend) / (v * v * v);
    return { x: x + (vy / v) * d, y: y - (vx / v) * d, vx: vx * share, vy: vy * share };
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
    const at = pointAt(segment, t);
    const along = v * (1 + curvatureAt(segment, t) * d);
    return {
      x: at.x + left.x * d,
      y: at.y + left.y * d,
      vx: direction.x * along + left.x * v * slope,
      vy: direction.y * along + left.y * v * slope,
    };
  };
}

const pointOf = ({ x, y }: Beside): Point => ({ x, y });

const CHECKS = 16;
/** A curve that turns by more than this between two places may do anything there, in radians. */
const MOST_STEP = 0.4;
const MOST_SPLITS = 12;

/** How far across a direction goes, for each unit along another, that turns from it by so much. */
const STEEPEST = Math.tan(MOST_STEP);

/** True where the angle between two directions is more than `MOST_STEP`; not where one of them is no direction. */
function turnsMuch(ax: number, ay: number, bx: number, by: number): boolean {
  const [across, along] = [Math.abs(ax * by - ay * bx), ax * bx + ay * by];
  return along > 0 ? across > STEEPEST * along : across > 0 || along < 0;
}

type Motion = ReturnType<typeof motionAt>;

interface Moment {
  readonly t: number;
  readonly motion: Motion;
}

/** Moments so near to one another that a cubic turns little between two that follow each other. */
function closeMoments(differences: Differences): Moment[] {
  const momentAt = (t: number): Moment => ({ t, motion: motionAt(differences, t) });
  const found = [momentAt(0)];
  const split = (a: Moment, b: Moment, splits: number): void => {
    const { motion: from } = a;
    const { motion: to } = b;
    if (splits > 0 && turnsMuch(from.vx, from.vy, to.vx, to.vy)) {
      const middle = momentAt((a.t + b.t) / 2);
      split(a, middle, splits - 1);
      split(middle, b, splits - 1);
    } else found.push(b);
  };
  for (let k = 1; k <= CHECKS; k += 1)
    split(found[found.length - 1] as Moment, momentAt(k / CHECKS), MOST_SPLITS);
  return found;
}

/**
 * Parameters at which what runs at an even distance to the left of a cubic stops and turns back: where its curvature is −1/d, so
 * that |c′|³ + d (c′ × c″) is 0.
 */
export function turningBack(segment: CubicSegment, d: number): number[] {
  const differences = differencesOf(segment);
  const valueOf = ({ v, bend }: Motion): number => v * v * v + d * bend;
  const found: number[] = [];
  let [from, before] = [0, 0];
  closeMoments(differences).forEach(({ t, motion }, k) => {
    const next = valueOf(motion);
    if (k > 0 && before > 0 !== next > 0) {
      const stop = rootBetween((at) => valueOf(motionAt(differences, at)), from, t, before, next);
      if (stop > 0 && stop < 1) found.push(stop);
    }
    [from, before] = [t, next];
  });
  return found;
}

const MOST_HALVINGS = 18;

/** Shares of a piece at which a cubic is checked, and, every second of them, fitted to it. */
const SHARES = [1, 2, 3, 4, 5, 6, 7].map((k) => k / 8);
const ROUNDS = 3;
/** Changes of handles below this share no longer tell. */
const SETTLED = 1e-4;

/** Handles may become so many times shorter or longer by the fit. */
const MOST_CHANGE = 8;

/**
 * Points in a row beside a curve, and where on a cubic each has its foot. Plain numbers: this is done thousands of times. Unlike in `fittedTo`, feet of
 * points that are fitted and of those that are only measured move by themselves: measured, that takes a sixth fewer cubics near stops.
 */
interface Row {
  readonly xs: Float64Array;
  readonly ys: Float64Array;
  /** Speeds there. */
  readonly vxs: Float64Array;
  readonly vys: Float64Array;
  readonly feet: Float64Array;
}

const newRow = (): Row => {
  const numbers = (): Float64Array => new Float64Array(SHARES.length);
  return { xs: numbers(), ys: numbers(), vxs: numbers(), vys: numbers(), feet: numbers() };
};

/** Writes into a row what lies beside a curve at the shares between two parameters, each with its foot there. */
function lookAlong(beside: (t: number) => Beside, t0: number, t1: number, row: Row): void {
  for (let k = 0; k < SHARES.length; k += 1) {
    const share = SHARES[k] ?? 0;
    const { x, y, vx, vy } = beside(t0 + share * (t1 - t0));
    row.xs[k] = x;
    row.ys[k] = y;
    row.vxs[k] = vx;
    row.vys[k] = vy;
    row.feet[k] = share;
  }
}

/** Moves feet from a place on one step nearer to their points along a cubic (Newton), and tells how far the farthest then is. */
function stepped({ from, out, in: into, to }: CubicSegment, { xs, ys, feet }: Row, first: number): number {
  const [ax, ay] = [out.x - from.x, out.y - from.y];
  const [bx, by] = [into.x - out.x, into.y - out.y];
  const [cx, cy] = [to.x - into.x, to.y - into.y];
  let most = 0;
  for (let k = first; k < xs.length; k += 2) {
    const [x, y] = [xs[k] ?? 0, ys[k] ?? 0];
    let t = feet[k] ?? 0;
    let off = 0;
    for (let look = 0; look < 2; look += 1) {
      const u = 1 - t;
      const [w1, w2, w3] = [3 * u * u * t, 3 * u * t * t, t * t * t];
      // The cubic's point, from its start, as the sum of its sides.
      const dx = x - from.x - (w1 + w2 + w3) * ax - (w2 + w3) * bx - w3 * cx;
      const dy = y - from.y - (w1 + w2 + w3) * ay - (w2 + w3) * by - w3 * cy;
      if (look === 1) {
        off = dx * dx + dy * dy;
        break;
      }
      const vx = 3 * (u * u * ax + 2 * u * t * bx + t * t * cx);
      const vy = 3 * (u * u * ay + 2 * u * t * by + t * t * cy);
      const square = vx * vx + vy * vy;
      if (square > 0) t = Math.min(1, Math.max(0, t + (dx * vx + dy * vy) / square));
    }
    feet[k] = t;
    most = Math.max(most, off);
  }
  return Math.sqrt(most);
}

/** By how much longer handles bring a cubic nearest to every second point, across it: least squares in two unknowns. */
function handleChanges(
  { from, out, in: into, to }: CubicSegment,
  { xs, ys, feet }: Row,
): readonly [number, number] {
  const [ax, ay] = [out.x - from.x, out.y - from.y];
  const [bx, by] = [into.x - out.x, into.y - out.y];
  const [cx, cy] = [to.x - into.x, to.y - into.y];
  // The normal equations: sums of products of what each change does across the curve.
  let [aa, ab, bb, ae, be] = [0, 0, 0, 0, 0];
  for (let k = 1; k < xs.length; k += 2) {
    const t = feet[k] ?? 0;
    const u = 1 - t;
    const [w1, w2, w3] = [3 * u * u * t, 3 * u * t * t, t * t * t];
    const dx = (xs[k] ?? 0) - from.x - (w1 + w2 + w3) * ax - (w2 + w3) * bx - w3 * cx;
    const dy = (ys[k] ?? 0) - from.y - (w1 + w2 + w3) * ay - (w2 + w3) * by - w3 * cy;
    const vx = u * u * ax + 2 * u * t * bx + t * t * cx;
    const vy = u * u * ay + 2 * u * t * by + t * t * cy;
    const speed = Math.sqrt(vx * vx + vy * vy) || 1;
    const [nx, ny] = [vy / speed, -vx / speed];
    const off = dx * nx + dy * ny;
    const byOut = w1 * (ax * nx + ay * ny);
    const byInto = -w2 * (cx * nx + cy * ny);
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
 * A cubic through the ends of a curve in its directions there, with the handles that bring it nearest to every second point of the curve:
 * points go to what is nearest to them on the cubic, handles to what is nearest to the points, by turns
 * (Hoschek, "Intrinsic parametrization for approximation", 1988).
 */
function fittedCubic(hermite: CubicSegment, row: Row): CubicSegment {
  let curve = hermite;
  let [longer, other] = [1, 1];
  const [out, into] = [subtract(hermite.out, hermite.from), subtract(hermite.to, hermite.in)];
  for (let round = 0; round < ROUNDS; round += 1) {
    const [a, b] = handleChanges(curve, row);
    if (Math.abs(a) + Math.abs(b) < SETTLED) return curve;
    [longer, other] = [longer * (1 + a), other * (1 + b)];
    if (![longer, other].every((by) => by > 1 / MOST_CHANGE && by < MOST_CHANGE)) return hermite;
    curve = {
      ...hermite,
      out: add(hermite.from, scaleBy(out, longer)),
      in: subtract(hermite.to, scaleBy(into, other)),
    };
    stepped(curve, row, 1);
  }
  return curve;
}

/** Below this share of the fastest a speed is that of a stop, and its direction rounding's. */
const STOPPED = 1e-6;

/** True where a curve turns little between its ends and the places in a row between them: a bend between two would not be seen there. */
function turnsLittle(a: Beside, { vxs, vys }: Row, b: Beside): boolean {
  let fastest = Math.max(a.vx * a.vx + a.vy * a.vy, b.vx * b.vx + b.vy * b.vy);
  for (let k = 0; k < vxs.length; k += 1) {
    const [vx, vy] = [vxs[k] ?? 0, vys[k] ?? 0];
    fastest = Math.max(fastest, vx * vx + vy * vy);
  }
  const least = STOPPED * STOPPED * fastest;
  // The last direction that was one.
  let [ax, ay] = [0, 0];
  for (let k = -1; k <= vxs.length; k += 1) {
    const [vx, vy] = k < 0 ? [a.vx, a.vy] : k < vxs.length ? [vxs[k] ?? 0, vys[k] ?? 0] : [b.vx, b.vy];
    if (!(vx * vx + vy * vy > least)) continue;
    if (turnsMuch(ax, ay, vx, vy)) return false;
    [ax, ay] = [vx, vy];
  }
  return true;
}

/** A piece that is too far off is parted into as many as its error asks for, of these at once. */
const MOST_PARTS = 4;
/** A fit's error falls with this power of its length where it is smooth (as `fittedTo` has it). */
const POWER = 5;

/**
 * The curve that runs beside a segment at a distance to its left (negative: to its right). A line's is a line and an arc's at an
 * even distance an arc, exactly, or at its centre a line without length; any other is cubics within `tolerance` of the true curve,
 * with its ends and its directions there, parted until they are that near.
 */
export function parallelOf(segment: Segment, apart: Apart, tolerance: number): Segment[] {
  const { from, to } = apart;
  const beside = besideOf(segment, apart);
  if (segment.kind === 'line') return [line(pointOf(beside(0)), pointOf(beside(1)))];
  if (segment.kind === 'arc' && from === to) {
    // A clockwise arc has its centre to the right: what is beside it to the left is farther out.
    const radius = segment.radius + (segment.sweep > 0 ? from : -from);
    if (Math.abs(radius) < 1e-12 * segment.radius) return [line(segment.centre, segment.centre)];
    return [{ ...segment, from: pointOf(beside(0)), to: pointOf(beside(1)), radius: Math.abs(radius) }];
  }
  // Each piece is done with it before its parts begin.
  const row = newRow();
  const found: Segment[] = [];
  const fit = (t0: number, a: Beside, t1: number, b: Beside, halvings: number): void => {
    lookAlong(beside, t0, t1, row);
    const third = (t1 - t0) / 3;
    const hermite = cubic(
      pointOf(a),
      { x: a.x + third * a.vx, y: a.y + third * a.vy },
      { x: b.x - third * b.vx, y: b.y - third * b.vy },
      pointOf(b),
    );
    let curve = hermite;
    let parts = 2;
    let isNear = false;
    if (turnsLittle(a, row, b)) {
      curve = fittedCubic(hermite, row);
      stepped(curve, row, 0);
      const off = stepped(curve, row, 0);
      isNear = off <= tolerance / 2;
      const asked = Math.ceil(((2 * off) / tolerance) ** (1 / POWER));
      parts = Math.min(MOST_PARTS, Math.max(2, asked));
    }
    if (isNear || halvings === 0) {
      found.push(curve);
      return;
    }
    let [from, before] = [t0, a];
    for (let k = 1; k <= parts; k += 1) {
      const to = k === parts ? t1 : t0 + (k / parts) * (t1 - t0);
      const end = k === parts ? b : beside(to);
      fit(from, before, to, end, halvings - 1);
      [from, before] = [to, end];
    }
  };
  fit(0, beside(0), 1, beside(1), MOST_HALVINGS);
  return found;
}
