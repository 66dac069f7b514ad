/**
 * The sides of a band: what runs beside a line to its left and right, with joins at corners and caps at ends, as closed outlines that
 * cover the band together.
 *
 * @example
 * coverOfBand(line, look, 1e-3); // [{ paths: [one outline all round], rule: 'nonzero' }]
 */
import {
  add,
  type Apart,
  arcLength,
  boundsOfPaths,
  cross,
  curvatureAt,
  cuspOf,
  directionAt,
  distance,
  dot,
  leftOf,
  line,
  parallelOf,
  parameterAt,
  partOf,
  type Path,
  pathLength,
  type Point,
  reversed,
  scaleBy,
  type Segment,
  signedArea,
  subtract,
  turningBack,
  withEnds,
} from '@/core/curve';
import type { MergeShape } from './merge';

export type BandJoin = 'miter' | 'round' | 'bevel';
export type BandCap = 'butt' | 'round' | 'square';

/** How a line becomes a band. Lengths in the figure's unit. */
export interface BandLook {
  readonly width: number;
  /** Both sides of the line, or one: outside of a closed line, left of an open one, and the other. */
  readonly side: 'middle' | 'outside' | 'inside';
  readonly join: BandJoin;
  /** Miters longer than this many widths become bevels, as in SVG 2. */
  readonly limit: number;
  readonly cap: BandCap;
  /** Widths at even steps from start to end, straight in between; none: the same width all along. */
  readonly widths: readonly number[];
  /** Lengths drawn and left out in turn; none: all of it. */
  readonly dashes: readonly number[];
}

/** A stretch of a line, and how far the band reaches to its left and right at both ends. */
interface Stretch {
  readonly segment: Segment;
  readonly left: Apart;
  readonly right: Apart;
  /** It bends so much that a side of the band runs backwards. */
  readonly tight: boolean;
}

const SMOOTH = 1e-7;
const CHECKS = 4;
/** The most that a stretch turns, and a strip of its own. */
const MOST_TURN = Math.PI / 2;
const STRIP_TURN = Math.PI / 12;
const MOST_HALVINGS = 18;

const between = ({ from, to }: Apart, share: number): number => from + (to - from) * share;

/** How much a segment turns between two parameters, where that is less than half a turn or so. */
function turnOf(segment: Segment): number {
  const [a, b, c] = [0, 0.5, 1].map((t) => directionAt(segment, t)) as [Point, Point, Point];
  return Math.abs(Math.atan2(cross(a, b), dot(a, b))) + Math.abs(Math.atan2(cross(b, c), dot(b, c)));
}

/** A side of the band runs backwards where its distance from the line is more than the radius of the bend. */
function isTight(segment: Segment, left: Apart, right: Apart): boolean {
  const [most, least] = [Math.max(left.from, left.to), -Math.max(right.from, right.to)];
  return Array.from({ length: CHECKS + 1 }, (_, k) => curvatureAt(segment, k / CHECKS)).some(
    (bend) => Math.min(1 + bend * most, 1 + bend * least) < 0.05,
  );
}

type Bare = Omit<Stretch, 'tight'>;

/** A stretch in pieces, cut at parameters in order. */
function cutAt({ segment, left, right }: Bare, cuts: readonly number[]): Bare[] {
  // Lengths count only where the width changes along them.
  const even = left.from === left.to && right.from === right.to;
  const whole = even ? 1 : arcLength(segment);
  const shareAt = (t: number): number =>
    even || t <= 0 ? 0 : t >= 1 ? 1 : arcLength(partOf(segment, 0, t)) / whole;
  return [...cuts, 1].map((to, k) => {
    const from = cuts[k - 1] ?? 0;
    const [a, b] = [shareAt(from), shareAt(to)];
    return {
      segment: partOf(segment, from, to),
      left: { from: between(left, a), to: between(left, b) },
      right: { from: between(right, a), to: between(right, b) },
    };
  });
}

/** A stretch halved until no piece turns more than an angle. */
const halvedTo = (most: number, stretch: Bare, halvings = MOST_HALVINGS): Bare[] =>
  halvings === 0 || turnOf(stretch.segment) <= most
    ? [stretch]
    : cutAt(stretch, [0.5]).flatMap((half) => halvedTo(most, half, halvings - 1));

/** Cuts nearer to each other or to an end than this, by parameter, are one. */
const LEAST_CUT = 1e-6;

/** A segment cut at its cusp, where a side of the band stops and turns back, and into turns that a cubic beside it can follow. */
function stretchesOf(stretch: Bare): Stretch[] {
  const { segment, left, right } = stretch;
  if (segment.kind !== 'cubic')
    return [{ ...stretch, tight: segment.kind === 'arc' && isTight(segment, left, right) }];
  const cusp = cuspOf(segment);
  if (cusp !== null) return cutAt(stretch, [cusp]).flatMap(stretchesOf);
  const stops = [
    ...turningBack(segment, (left.from + left.to) / 2),
    ...turningBack(segment, -(right.from + right.to) / 2),
  ]
    .sort((a, b) => a - b)
    .filter((t, k, all) => t - (all[k - 1] ?? 0) > LEAST_CUT && t < 1 - LEAST_CUT);
  return cutAt(stretch, stops)
    .flatMap((piece) => halvedTo(MOST_TURN, piece))
    .map((piece) => ({ ...piece, tight: isTight(piece.segment, piece.left, piece.right) }));
}

/** True for a segment without length. */
const isPoint = (segment: Segment): boolean =>
  distance(segment.from, segment.to) === 0 &&
  (segment.kind === 'cubic'
    ? distance(segment.from, segment.out) === 0 && distance(segment.from, segment.in) === 0
    : segment.kind === 'line');

/** Ends that are apart by less than this share of the tolerance are one. */
const SAME_END = 1e-6;

/** Segments with straight ones where the end of one is not the start of the next, as one outline. */
function outlineOf(segments: readonly Segment[], tolerance: number): Path {
  const joined = segments.flatMap((segment, k) => {
    const next = segments[(k + 1) % segments.length] ?? segment;
    const gap = distance(segment.to, next.from);
    if (gap === 0) return [segment];
    return gap < SAME_END * tolerance
      ? [withEnds(segment, segment.from, next.from)]
      : [segment, line(segment.to, next.from)];
  });
  return { closed: true, segments: joined.filter((each) => !isPoint(each)) };
}

const shapeOf = (paths: readonly Path[]): MergeShape[] => {
  const drawn = paths.filter(({ segments }) => segments.length > 0);
  return drawn.length > 0 ? [{ paths: drawn, rule: 'nonzero' }] : [];
};

const leftSide = ({ segment, left }: Bare, tolerance: number): Segment[] =>
  parallelOf(segment, left, tolerance);

const rightSide = ({ segment, right: { from, to } }: Bare, tolerance: number): Segment[] =>
  parallelOf(segment, { from: -from, to: -to }, tolerance);

const backwards = (segments: readonly Segment[]): Segment[] => segments.map(reversed).reverse();

/** How much the line turns from one stretch to the next, in radians, positive clockwise on the screen. */
function turnBetween(a: Stretch, b: Stretch): number {
  const [t0, t1] = [directionAt(a.segment, 1), directionAt(b.segment, 0)];
  return Math.atan2(cross(t0, t1), dot(t0, t1));
}

const isCorner = (turned: number): boolean => Math.abs(turned) >= SMOOTH;

/** What goes round the outer side of a corner that turns by an angle, at a distance from it. */
function aroundCorner(
  at: Point,
  [n0, n1]: readonly [Point, Point],
  turned: number,
  look: BandLook,
): Segment[] {
  const [p, q] = [add(at, n0), add(at, n1)];
  if (look.join === 'round')
    return [{ kind: 'arc', from: p, to: q, centre: at, radius: distance(at, p), sweep: turned }];
  // Miter length over width is 1 / sin(θ/2), θ the angle of the corner (SVG 2, "stroke-miterlimit").
  const share = Math.cos(turned / 2);
  if (look.join === 'miter' && share > 1e-6 && 1 / share <= look.limit) {
    const tip = add(at, scaleBy(add(n0, n1), 1 / (2 * share * share)));
    return [line(p, tip), line(tip, q)];
  }
  return [line(p, q)];
}

interface Sides {
  readonly left: readonly Segment[];
  readonly right: readonly Segment[];
}

const NOTHING: Sides = { left: [], right: [] };

/**
 * What joins both sides from one stretch to the next, along the line. The outer side goes round the corner; the inner one
 * through it, which winds round what is within the band's reach of the corner once more and round nothing else.
 */
function joinOf(a: Stretch, b: Stretch, look: BandLook): Sides {
  const turned = turnBetween(a, b);
  if (!isCorner(turned)) return NOTHING;
  // A turn to the right leaves a gap on the left, and the other way.
  const sign = turned > 0 ? 1 : -1;
  const d = turned > 0 ? a.left.to : a.right.to;
  const at = b.segment.from;
  const [t0, t1] = [directionAt(a.segment, 1), directionAt(b.segment, 0)];
  const normals = [scaleBy(leftOf(t0), sign * d), scaleBy(leftOf(t1), sign * d)] as const;
  const outer = d > 0 ? aroundCorner(at, normals, turned, look) : [];
  const inner = [line(at, at)];
  return turned > 0 ? { left: outer, right: inner } : { left: inner, right: outer };
}

/** What goes round an end of an open line, from the left side of one who looks outward to the right. */
function capOf(at: Point, outward: Point, left: number, right: number, cap: BandCap): Segment[] {
  const half = (left + right) / 2;
  if (cap === 'butt' || !(half > 0)) return [];
  const side = leftOf(outward);
  const [p, q] = [add(at, scaleBy(side, left)), subtract(at, scaleBy(side, right))];
  if (cap === 'square') {
    const out = scaleBy(outward, half);
    return [line(p, add(p, out)), line(add(p, out), add(q, out)), line(add(q, out), q)];
  }
  const centre = scaleBy(add(p, q), 0.5);
  return [{ kind: 'arc', from: p, to: q, centre, radius: half, sweep: Math.PI }];
}

/** Half widths along a path, at the ends of each of its segments, cut where the widths have a step. */
function widthsAlong(path: Path, { width, widths }: BandLook): { segment: Segment; apart: Apart }[] {
  if (widths.length < 2) {
    const half = (widths[0] ?? width) / 2;
    return path.segments.map((segment) => ({ segment, apart: { from: half, to: half } }));
  }
  const length = pathLength(path);
  const steps = widths.length - 1;
  const halfAt = (at: number): number => {
    const place = Math.min(steps, Math.max(0, (at / length) * steps));
    const k = Math.min(steps - 1, Math.floor(place));
    return between({ from: widths[k] ?? 0, to: widths[k + 1] ?? 0 }, place - k) / 2;
  };
  const found: { segment: Segment; apart: Apart }[] = [];
  let before = 0;
  for (const segment of path.segments) {
    const whole = arcLength(segment);
    const knots = Array.from({ length: steps - 1 }, (_, k) => ((k + 1) * length) / steps - before);
    const cuts = [0, ...knots.filter((at) => at > 1e-9 * whole && at < whole * (1 - 1e-9)), whole];
    cuts.slice(1).forEach((to, k) => {
      const from = cuts[k] ?? 0;
      found.push({
        segment: partOf(
          segment,
          from === 0 ? 0 : parameterAt(segment, from, whole),
          to === whole ? 1 : parameterAt(segment, to, whole),
        ),
        apart: { from: halfAt(before + from), to: halfAt(before + to) },
      });
    });
    before += whole;
  }
  return found;
}

/** Stretches with both sides and what joins them to the next, all round: one outline of an open line, two of a closed one. */
function outlinesOf(
  stretches: readonly Stretch[],
  closed: boolean,
  look: BandLook,
  tolerance: number,
): readonly Path[] {
  const joins = stretches.map((each, k) => {
    const next = stretches[k + 1] ?? (closed ? stretches[0] : undefined);
    return next ? joinOf(each, next, look) : NOTHING;
  });
  const left = stretches.flatMap((each, k) => [...leftSide(each, tolerance), ...(joins[k]?.left ?? [])]);
  const right = stretches.flatMap((each, k) => [...rightSide(each, tolerance), ...(joins[k]?.right ?? [])]);
  if (closed) return [outlineOf(left, tolerance), outlineOf(backwards(right), tolerance)];
  const [first, last] = [stretches[0] as Stretch, stretches[stretches.length - 1] as Stretch];
  const inward = directionAt(first.segment, 0);
  const end = capOf(last.segment.to, directionAt(last.segment, 1), last.left.to, last.right.to, look.cap);
  const start = capOf(first.segment.from, scaleBy(inward, -1), first.right.from, first.left.from, look.cap);
  return [outlineOf([...left, ...end, ...backwards(right), ...start], tolerance)];
}

/** How far a band reaches from its line at most. */
const reachOf = (stretches: readonly Stretch[]): number =>
  stretches.reduce((most, { left, right }) => Math.max(most, left.from, left.to, right.from, right.to), 0);

/** Corners and ends at which a band does not go round by an arc. */
function unrounded(stretches: readonly Stretch[], closed: boolean, { join, cap }: BandLook): Point[] {
  const [first, last] = [stretches[0], stretches[stretches.length - 1]];
  const ends = closed || cap === 'round' || !first || !last ? [] : [first.segment.from, last.segment.to];
  if (join === 'round') return ends;
  const corners = stretches.filter((each, k) => {
    const before = stretches[k - 1] ?? (closed ? last : undefined);
    return before !== undefined && isCorner(turnBetween(before, each));
  });
  return [...ends, ...corners.map(({ segment }) => segment.from)];
}

/**
 * Tight stretches that the outlines all round may leave bare. A point winds with the outlines once for each place of the line that is
 * nearest to it near by, and back once for each that is farthest; the farthest are in tight stretches. Of each part of an even band with
 * round ends that is within reach of the point there is one more of the nearest, so that the sum tells what is covered. That fails
 * where such a part ends at a corner or an end that is not round, where the line is closed and all of it within reach, where
 * the widths change, and where the band has one side only.
 */
function bareStretches(stretches: readonly Stretch[], path: Path, look: BandLook): readonly Stretch[] {
  const tight = stretches.filter((each) => each.tight);
  if (tight.length === 0) return [];
  const reach = reachOf(stretches);
  const box = boundsOfPaths([path]);
  const isSmall = path.closed && Math.max(box.right - box.left, box.bottom - box.top) <= 2 * reach;
  if (look.side !== 'middle' || look.widths.length > 1 || isSmall) return tight;
  const places = unrounded(stretches, path.closed, look);
  return tight.filter(({ segment }) => {
    // No place of the stretch is farther from its start: a cubic turns by a right angle at most, an arc may go round.
    const extent = segment.kind === 'arc' ? 2 * segment.radius : 1.1 * distance(segment.from, segment.to);
    const near = 2 * reach + extent;
    return places.some((at) => distance(at, segment.from) <= near);
  });
}

/** Arcs whose radius is this many times what the band reaches are wide enough. */
const WIDE = 1 + 1e-6;

/**
 * True where the one outline that `coverOfBand` gives cannot meet itself: for an even band along an open line of straight lines and arcs,
 * without corners, that turns by less than a right angle in all, its arcs wider than the band reaches from the line (all lengths in the
 * figure's unit). Why: let the places 1 and 2 of the line, in its order, reach the same point, at distances s₁ and s₂ along their normals.
 * Then (s₂ − s₁) n₁ plus the integral of (1 − s₂κ) T from 1 to 2 is nothing (n normal, T tangent, κ curvature). But along T₁ the first part
 * is nothing and the second more than that, as κ times s₂ is less than 1 and T is less than a right angle from T₁. A cap goes straight on or is
 * within what does.
 */
export function isPlainBand({ closed, segments }: Path, { side, widths, width, dashes }: BandLook): boolean {
  if (closed || widths.length > 1 || dashes.length > 0) return false;
  const reach = ((widths[0] ?? width) / 2) * (side === 'middle' ? 1 : 2);
  let turned = 0;
  for (const segment of segments) {
    if (segment.kind === 'cubic' || isPoint(segment)) return false;
    if (segment.kind === 'arc') {
      turned += Math.abs(segment.sweep);
      if (segment.radius <= WIDE * reach) return false;
    }
  }
  if (turned >= MOST_TURN) return false;
  return segments.every((segment, k) => {
    const next = segments[k + 1];
    if (!next) return true;
    const [t0, t1] = [directionAt(segment, 1), directionAt(next, 0)];
    return dot(t0, t1) > 0 && !isCorner(cross(t0, t1));
  });
}

/** The closed shapes that cover a band together. */
export function coverOfBand(path: Path, look: BandLook, tolerance: number): MergeShape[] {
  const clockwise = !path.closed || signedArea([path]) > 0;
  const reach = { middle: [1, 1], outside: [2, 0], inside: [0, 2] }[look.side] as [number, number];
  const [toLeft, toRight] = clockwise ? reach : [reach[1], reach[0]];
  const times = ({ from, to }: Apart, by: number): Apart => ({ from: from * by, to: to * by });
  const stretches = widthsAlong(path, look)
    .filter(({ segment }) => !isPoint(segment))
    .flatMap(({ segment, apart }) =>
      stretchesOf({ segment, left: times(apart, toLeft), right: times(apart, toRight) }),
    );
  if (stretches.length === 0) return [];
  const strips = bareStretches(stretches, path, look)
    .flatMap((each) => halvedTo(STRIP_TURN, each))
    .flatMap((each) =>
      shapeOf([
        outlineOf([...leftSide(each, tolerance), ...backwards(rightSide(each, tolerance))], tolerance),
      ]),
    );
  return [...shapeOf(outlinesOf(stretches, path.closed, look, tolerance)), ...strips];
}
