/**
 * The symmetry that strokes drawn by hand about the centre most likely have: by strokes that are alike, by one that goes round, by one
 * whose ends would meet those of its copies, or that stands beside them.
 *
 * @example
 * const seen = strokeSymmetry([petalUp, petalAtTwo]); // { fold: 6, mirror: false, from: 'copies', … }
 */
import { distance, dot, cross, lengthOf, ORIGIN, subtract, type Point } from '../curve/point';
import { foldShare, harmonicsOf } from '../picture/correlation';
import { meantFold } from '../picture/readPicture';

/** What a hand drew, as points at even distances along it, from the centre. */
export interface HandStroke {
  readonly id: string;
  readonly points: readonly Point[];
  readonly closed: boolean;
}

/** A stroke that is kept, as it is in the upright wedge. */
export interface KeptStroke extends HandStroke {
  /** True for what goes once round the centre, of which one step is kept, from ray to ray. */
  readonly isRound?: true;
}

export interface StrokeSymmetry {
  readonly fold: number;
  readonly mirror: boolean;
  /** Where the upright wedge stands, clockwise from straight up, in radians. */
  readonly axis: number;
  /** What says so. */
  readonly from: 'copies' | 'sides' | 'round' | 'ends' | 'width';
  /** One of those that are alike, their mean; what goes round, one step of it. */
  readonly kept: readonly KeptStroke[];
  /** Strokes that nothing is like, and by how much each is turned into the wedge, in radians. */
  readonly alone: readonly { readonly id: string; readonly by: number }[];
  /** Strokes that go round the centre, and stay as they are. */
  readonly stay: readonly string[];
}

/** What one way of looking found. */
type Found = Omit<StrokeSymmetry, 'stay'>;

const FULL = 2 * Math.PI;
const MOST_FOLD = 36;

const turned = ({ x, y }: Point, by: number): Point => ({
  x: x * Math.cos(by) - y * Math.sin(by),
  y: x * Math.sin(by) + y * Math.cos(by),
});

const reflected = ({ x, y }: Point): Point => ({ x: -x, y });

/** Clockwise from straight up, from −π to π. */
const directionOf = ({ x, y }: Point): number => Math.atan2(x, -y);

/** An angle as the nearest to 0 of those that differ by steps. */
const within = (angle: number, step: number): number => angle - Math.round(angle / step) * step;

const meanOf = (points: readonly Point[]): Point => ({
  x: points.reduce((sum, { x }) => sum + x, 0) / points.length,
  y: points.reduce((sum, { y }) => sum + y, 0) / points.length,
});

/** Root of the mean square. */
const spread = (lengths: readonly number[]): number =>
  Math.sqrt(lengths.reduce((sum, each) => sum + each * each, 0) / Math.max(1, lengths.length));

const sizeOf = (points: readonly Point[]): number => {
  const middle = meanOf(points);
  return spread(points.map((p) => distance(p, middle)));
};

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

/** A direction is put straight where it is so near to one that is half a step from straight up, in radians. */
const NEARLY = (4 * Math.PI) / 180;

function evenAxis(axis: number, fold: number): number {
  const half = Math.PI / fold;
  const degree = Math.PI / 180;
  return Math.abs(within(axis, half)) < NEARLY
    ? axis - within(axis, half)
    : Math.round(axis / degree) * degree;
}

/** What is alike as one motif, and all else turned along with it. */
function byCopies(strokes: readonly HandStroke[]): Found | null {
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
      return { ...base, points: points.map((p) => turned(p, by)) };
    }),
    alone: kin
      .filter(({ fits }) => fits.length === 1)
      .map(({ base }) => ({ id: base.id, by: intoWedge(base.points) })),
  };
}

/** How often a stroke goes round the centre, its ends joined. */
function timesRound({ points }: HandStroke): number {
  let sum = 0;
  points.forEach((p, k) => {
    const q = points[(k + 1) % points.length] ?? p;
    sum += Math.atan2(cross(p, q), dot(p, q));
  });
  return sum / FULL;
}

/** True for a line that goes once round the centre, its ends joined. */
export const goesRound = (stroke: HandStroke): boolean => Math.abs(Math.abs(timesRound(stroke)) - 1) < 0.05;

const SPOKES = 256;

/** How far a stroke that goes round is from the centre, in each direction. */
function radiiOf(points: readonly Point[]): Float32Array {
  const radii = new Float32Array(SPOKES);
  const counts = new Float32Array(SPOKES);
  points.forEach((p, k) => {
    const q = points[(k + 1) % points.length] ?? p;
    const from = directionOf(p);
    const way = within(directionOf(q) - from, FULL);
    const parts = Math.max(1, Math.ceil((2 * Math.abs(way) * SPOKES) / FULL));
    for (let part = 0; part < parts; part += 1) {
      const share = part / parts;
      const spoke = Math.floor((((from + way * share + FULL) % FULL) / FULL) * SPOKES) % SPOKES;
      radii[spoke] = (radii[spoke] ?? 0) + lengthOf(p) * (1 - share) + lengthOf(q) * share;
      counts[spoke] = (counts[spoke] ?? 0) + 1;
    }
  });
  return radii.map((sum, k) => sum / Math.max(1, counts[k] ?? 0));
}

/** A line that goes round is a circle by hand where it is no farther from one than this part of its radius. */
const CIRCLE = 0.04;
/** Points of one step of what goes round. */
const STEP_POINTS = 48;

/** One stroke that goes once round the centre, and repeats there. */
function byRound(stroke: HandStroke): Found | null {
  const radii = radiiOf(stroke.points);
  const mean = radii.reduce((sum, r) => sum + r, 0) / SPOKES;
  const beside = radii.map((r) => r - mean);
  if (radii.some((r) => r <= 0) || spread([...beside]) < CIRCLE * mean) return null;
  const harmonics = harmonicsOf({
    reach: 1,
    rings: 1,
    spokes: SPOKES,
    values: beside,
    seen: Float32Array.of(1),
  });
  const shares = Array.from({ length: MOST_FOLD - 1 }, (_, k) => ({
    fold: k + 2,
    share: foldShare(harmonics, k + 2),
  }));
  const meant = meantFold(shares);
  if (!meant || meant.share < 0.5) return null;
  const { fold } = meant;
  const step = FULL / fold;
  const radiusAt = (angle: number): number => {
    let sum = 0;
    for (let k = 0; k < fold; k += 1) {
      const at = ((((angle + k * step) % FULL) + FULL) / FULL) * SPOKES;
      const [low, share] = [Math.floor(at), at - Math.floor(at)];
      sum += (radii[low % SPOKES] ?? 0) * (1 - share) + (radii[(low + 1) % SPOKES] ?? 0) * share;
    }
    return sum / fold;
  };
  const tries = Array.from({ length: SPOKES }, (_, k) => (k * step) / SPOKES);
  const valley = tries.reduce((a, b) => (radiusAt(b) < radiusAt(a) ? b : a));
  const axis = within(valley + step / 2, step);
  const points = Array.from({ length: STEP_POINTS + 1 }, (_, k) => {
    const aside = (k / STEP_POINTS - 0.5) * step;
    const r = radiusAt(axis + aside);
    return { x: r * Math.sin(aside), y: -r * Math.cos(aside) };
  });
  return {
    fold,
    mirror: false,
    axis: evenAxis(axis, fold),
    from: 'round',
    kept: [{ ...stroke, points, isRound: true }],
    alone: [],
  };
}

/** How near to a whole number of steps an angle has to be, as a part of it. */
const NEAR = 0.12;
/** Ends are equally far from the centre where they differ by less than this part. */
const LEVEL = 0.12;

/** One open line whose ends are equally far from the centre, and as far apart as those of copies that join end to end. */
function byEnds(strokes: readonly HandStroke[]): Found | null {
  const [stroke, other] = strokes;
  if (!stroke || other || stroke.closed) return null;
  const { points } = stroke;
  const [from, to] = [points[0], points[points.length - 1]];
  if (!from || !to) return null;
  const [a, b] = [lengthOf(from), lengthOf(to)];
  const most = Math.max(...points.map(lengthOf));
  if (Math.abs(a - b) > LEVEL * Math.max(a, b) || Math.min(a, b) < 0.15 * most) return null;
  const way = within(directionOf(to) - directionOf(from), FULL);
  const fold = Math.round(FULL / Math.abs(way));
  if (!(fold >= 3 && fold <= 24) || Math.abs((Math.abs(way) * fold) / FULL - 1) > NEAR) return null;
  const middle = directionOf(from) + way / 2;
  const step = FULL / fold;
  const level = (a + b) / 2;
  // The line is bent a little, so that its ends are on the rays and meet those of the copies.
  const kept = points.map((p, k) => {
    const share = k / (points.length - 1);
    const aside = within(directionOf(p) - middle, FULL) * (step / Math.abs(way));
    const r = lengthOf(p) * (level / (a * (1 - share) + b * share));
    return { x: r * Math.sin(aside), y: -r * Math.cos(aside) };
  });
  return {
    fold,
    mirror: false,
    axis: evenAxis(middle, fold),
    from: 'ends',
    kept: [{ ...stroke, points: kept }],
    alone: [],
  };
}

/** One closed line beside the centre, as wide from there as a step of a fold: copies stand side by side. */
function byWidth(strokes: readonly HandStroke[]): Found | null {
  const [stroke, other] = strokes;
  if (!stroke || other || !stroke.closed) return null;
  const middle = directionOf(meanOf(stroke.points));
  const far = Math.max(...stroke.points.map(lengthOf));
  // What is at the centre is seen from there in any direction.
  const asides = stroke.points
    .filter((p) => lengthOf(p) > 0.15 * far)
    .map((p) => within(directionOf(p) - middle, FULL));
  const width = Math.max(...asides) - Math.min(...asides);
  const fold = Math.round(FULL / width);
  if (!(fold >= 3 && fold <= 24) || Math.abs((width * fold) / FULL - 1) > NEAR) return null;
  const axis = middle + (Math.max(...asides) + Math.min(...asides)) / 2;
  return {
    fold,
    mirror: false,
    axis: evenAxis(axis, fold),
    from: 'width',
    kept: [],
    alone: [{ id: stroke.id, by: -axis }],
  };
}

/** Strokes are compared pair by pair; of more than this nobody draws each by hand. */
const MOST_STROKES = 40;

/** The symmetry that strokes most likely have; null where nothing speaks for one. */
export function strokeSymmetry(strokes: readonly HandStroke[]): StrokeSymmetry | null {
  const own = strokes.filter(({ points }) => points.length > 2 && sizeOf(points) > 0);
  if (own.length === 0 || own.length > MOST_STROKES) return null;
  const round = own.filter(goesRound);
  const beside = own.filter((stroke) => !round.includes(stroke));
  const found =
    beside.length > 0
      ? (byCopies(beside) ?? byEnds(beside) ?? byWidth(beside))
      : round.map(byRound).find((each) => each !== null);
  if (!found) return null;
  const taken = new Set(found.kept.map(({ id }) => id));
  return { ...found, stay: round.filter(({ id }) => !taken.has(id)).map(({ id }) => id) };
}
