/**
 * Strokes that are alike but for a turn about the centre, or for a reflection and a turn: what a hand drew more than once.
 *
 * @example
 * byCopies([petalUp, petalAtTwo]); // { fold: 6, from: 'copies', kept: [their mean], … }
 */
import { cross, distance, dot, lengthOf, ORIGIN, type Point, subtract } from '@/core/curve';
import {
  directionOf,
  evenAxis,
  FULL,
  meanOf,
  MOST_FOLD,
  reflected,
  sizeOf,
  spread,
  turned,
  within,
  type Found,
  type HandStroke,
} from './handStroke';

/** How a stroke lies on another that was turned about the centre, reflected in the upright axis before where it is mirrored. */
interface Fit {
  readonly by: number;
  readonly isMirrored: boolean;
  /** How far their forms are apart, laid on one another, beside their size. */
  readonly off: number;
  /** How far the one is from where the other was turned to, beside their size. */
  readonly moved: number;
  /** The stroke's points in the order of the other's. */
  readonly points: readonly Point[];
}

function fitTo(base: readonly Point[], points: readonly Point[], isMirrored: boolean): Fit {
  const from = isMirrored ? base.map(reflected) : base;
  let [sin, cos] = [0, 0];
  from.forEach((p, k) => {
    const q = points[k] ?? p;
    sin += cross(p, q);
    cos += dot(p, q);
  });
  const by = Math.atan2(sin, cos);
  const apart = from.map((p, k) => subtract(points[k] ?? p, turned(p, by)));
  const shift = meanOf(apart);
  const size = Math.max(1e-9, sizeOf(base));
  const off = spread(apart.map((p) => distance(p, shift))) / size;
  return { by, isMirrored, off, moved: lengthOf(shift) / size, points };
}

/** All orders in which the points of a stroke may follow one another: both ways, and from each where it is closed. */
function ordersOf({ points, closed }: HandStroke): (readonly Point[])[] {
  const both = [points, points.toReversed()];
  if (!closed) return both;
  return both.flatMap((list) => list.map((_, k) => [...list.slice(k), ...list.slice(0, k)]));
}

/** Strokes whose forms are farther apart than this part of their size are not alike. */
const ALIKE = 0.3;
/** A hand begins beside where it should by no more than this part of a stroke's size. */
const BESIDE = 0.6;
/** A mirror image is meant only where it is so much nearer than a turn alone. */
const MIRRORED = 0.6;

/** How a stroke is another one turned, or reflected and turned; null where they are not alike. */
function likeness(base: HandStroke, stroke: HandStroke): Fit | null {
  if (base.closed !== stroke.closed) return null;
  const orders = ordersOf(stroke);
  const best = (isMirrored: boolean): Fit =>
    orders.map((points) => fitTo(base.points, points, isMirrored)).reduce((a, b) => (b.off < a.off ? b : a));
  const [straight, mirrored] = [best(false), best(true)];
  const fit = mirrored.off < MIRRORED * straight.off ? mirrored : straight;
  return fit.off <= ALIKE && fit.moved <= BESIDE ? fit : null;
}

/** Strokes that are alike, beside the first of them. */
interface Kin {
  readonly base: HandStroke;
  readonly fits: readonly Fit[];
}

function kinOf(strokes: readonly HandStroke[]): Kin[] {
  const found: { base: HandStroke; fits: Fit[] }[] = [];
  for (const stroke of strokes) {
    const own: Fit = { by: 0, isMirrored: false, off: 0, moved: 0, points: stroke.points };
    let known = false;
    for (const { base, fits } of found) {
      const fit = likeness(base, stroke);
      if (!fit) continue;
      fits.push(fit);
      known = true;
      break;
    }
    if (!known) found.push({ base: stroke, fits: [own] });
  }
  return found;
}

/** A hand is off by so much, in radians, and by no more than this part of a step. */
const UNSTEADY = (9 * Math.PI) / 180;
const PART = 0.22;

/** How far turns are from whole steps of a fold, each another one, in the mean; null where they are none. */
function offSteps(turns: readonly number[], fold: number): number | null {
  const step = FULL / fold;
  const slack = Math.min(UNSTEADY, PART * step);
  const [first = 0] = turns;
  const slots = turns.map((by) => Math.round((((by - first) % FULL) + FULL) / step) % fold);
  const off = turns.map((by) => Math.abs(within(by - first, step)));
  if (new Set(slots).size < turns.length || off.some((each) => each > slack)) return null;
  return off.reduce((sum, each) => sum + each, 0) / Math.max(1, turns.length - 1);
}

const turnsOf = ({ fits }: Kin, isMirrored: boolean): number[] =>
  fits.filter((fit) => fit.isMirrored === isMirrored).map(({ by }) => by);

/** Two strokes say a high fold only where they are neighbours. */
const HIGH = 6;

/** A fold that is higher by one has to be nearer by so much, in radians: what is whole steps of 6 is so of 12. */
const HIGHER = (0.3 * Math.PI) / 180;

/** The fold of which all that are alike are most nearly whole steps apart; null where none are. */
function foldOf(kin: readonly Kin[]): number | null {
  const several = kin
    .flatMap((each) => [turnsOf(each, false), turnsOf(each, true)])
    .filter(({ length }) => length > 1);
  if (several.length === 0) return null;
  let best: { readonly fold: number; readonly cost: number } | null = null;
  for (let fold = 2; fold <= MOST_FOLD; fold += 1) {
    const offs = several.map((turns) => offSteps(turns, fold));
    const isNear = several.some(
      ([a = 0, b = 0, ...more]) =>
        more.length > 0 || fold <= HIGH || Math.abs(within(a - b, FULL)) < (1.5 * FULL) / fold,
    );
    if (!isNear || offs.includes(null)) continue;
    const cost = Math.max(...offs.map((off) => off ?? 0)) + fold * HIGHER;
    if (!best || cost < best.cost) best = { fold, cost };
  }
  return best?.fold ?? null;
}

/** The mean of angles that are known but for whole steps. */
function meanAngle(angles: readonly number[], step: number): number {
  const [sin, cos] = [Math.sin, Math.cos].map((f) =>
    angles.reduce((sum, angle) => sum + f((angle * FULL) / step), 0),
  ) as [number, number];
  return (Math.atan2(sin, cos) * step) / FULL;
}

/** The mean of strokes that are alike, where the first of them stands, put even. */
function meanStroke({ base, fits }: Kin, step: number): Point[] {
  const back = fits.map(({ by, isMirrored, points }) =>
    points.map((p) => {
      const q = turned(p, -by);
      return isMirrored ? reflected(q) : q;
    }),
  );
  const plain = fits.filter(({ isMirrored }) => !isMirrored);
  const off = meanAngle(
    plain.map(({ by }) => by),
    step,
  );
  return base.points.map((_, k) => turned(meanOf(back.map((points) => points[k] ?? ORIGIN)), off));
}

/** What is alike as one motif, and all else turned along with it. */
export function byCopies(strokes: readonly HandStroke[]): Found | null {
  const kin = kinOf(strokes);
  const fold = foldOf(kin);
  const alike = kin.filter(({ fits }) => fits.length > 1);
  const sides = alike.flatMap((each) => turnsOf(each, true));
  if (!fold && sides.length === 0) return null;
  const step = FULL / (fold ?? 1);
  // A stroke reflected in the upright axis and turned by an angle is reflected in the axis at half of it.
  const mirrorAxis = meanAngle(
    sides.map((by) => by / 2),
    step / 2,
  );
  const means = alike.map((each) => ({ kin: each, points: meanStroke(each, step) }));
  const [first] = means;
  const middle = first ? directionOf(meanOf(first.points)) : 0;
  const mirror = sides.length > 0;
  const axis = mirror ? mirrorAxis + Math.round((middle - mirrorAxis) / step) * step : middle;
  const intoWedge = (points: readonly Point[]): number => {
    const direction = directionOf(meanOf(points));
    return within(direction - axis, step) - direction;
  };
  return {
    fold: fold ?? 1,
    mirror,
    axis: evenAxis(axis, fold ?? 1),
    from: fold ? 'copies' : 'sides',
    kept: means.map(({ kin: { base }, points }) => {
      const by = intoWedge(points);
      return { ...base, by, points: points.map((p) => turned(p, by)) };
    }),
    alone: kin
      .filter(({ fits }) => fits.length === 1)
      .map(({ base }) => ({ id: base.id, by: intoWedge(base.points) })),
  };
}
