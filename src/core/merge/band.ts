import { arcLength, pathLength } from '../curve/length';
import { boundsOfPaths } from '../curve/bounds';
import { dashesOf } from '../curve/cutAlong';
import { parameterAt } from '../curve/along';
import { curvatureAt, cuspOf, directionAt, leftOf, parallelOf, type Apart } from '../curve/parallel';
import { partOf } from '../curve/part';
import { polygonPath, signedArea, type Path } from '../curve/path';
import { add, cross, distance, dot, scaleBy, subtract, type Point } from '../curve/point';
import { line, reversed, type Segment } from '../curve/segment';
import { NO_TURN } from '../number/turn';
import { mergeNow } from './engine';
import { placedLoops } from './placed';
import type { MergeOperand, MergeShape } from './merge';

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

/** How near a band of cubics comes to the true one, as a share of the line's size. */
export const BAND_TOLERANCE = 1e-5;

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
/** The most that a tight stretch turns, and one that is not. */
const TIGHT_TURN = Math.PI / 12;
const LOOSE_TURN = Math.PI / 2;
const MOST_HALVINGS = 18;

const between = ({ from, to }: Apart, share: number): number => from + (to - from) * share;

/** How much a segment turns between two parameters, where that is less than half a turn or so. */
function turnOf(segment: Segment, from: number, to: number): number {
  const [a, b, c] = [from, (from + to) / 2, to].map((t) => directionAt(segment, t)) as [Point, Point, Point];
  return Math.abs(Math.atan2(cross(a, b), dot(a, b))) + Math.abs(Math.atan2(cross(b, c), dot(b, c)));
}

/** A segment cut at cusps and, where it is tight, into small turns. */
function stretchesOf(segment: Segment, left: Apart, right: Apart): Stretch[] {
  if (segment.kind === 'line') return [{ segment, left, right, tight: false }];
  const cusp = segment.kind === 'cubic' ? cuspOf(segment) : null;
  // Lengths count only where the width changes along them.
  const even = left.from === left.to && right.from === right.to;
  const whole = even ? 1 : arcLength(segment);
  const shareAt = (t: number): number =>
    even || t <= 0 ? 0 : t >= 1 ? 1 : arcLength(partOf(segment, 0, t)) / whole;
  const piece = (from: number, to: number, tight: boolean): Stretch => {
    const [a, b] = [shareAt(from), shareAt(to)];
    return {
      segment: partOf(segment, from, to),
      left: { from: between(left, a), to: between(left, b) },
      right: { from: between(right, a), to: between(right, b) },
      tight,
    };
  };
  if (cusp !== null) {
    const halves = [piece(0, cusp, false), piece(cusp, 1, false)];
    return halves.flatMap((half) => stretchesOf(half.segment, half.left, half.right));
  }
  const [most, least] = [Math.max(left.from, left.to), -Math.max(right.from, right.to)];
  // A side of the band runs backwards where its distance from the line is more than the radius of the bend.
  const isTight = (from: number, to: number): boolean => {
    for (let k = 0; k <= CHECKS; k += 1) {
      const bend = curvatureAt(segment, from + ((to - from) * k) / CHECKS);
      if (Math.min(1 + bend * most, 1 + bend * least) < 0.05) return true;
    }
    return false;
  };
  const cuts = (from: number, to: number, halvings: number): Stretch[] => {
    const turned = turnOf(segment, from, to);
    const tight = isTight(from, to);
    if (turned <= (tight ? TIGHT_TURN : LOOSE_TURN) || halvings === 0) return [piece(from, to, tight)];
    const middle = (from + to) / 2;
    return [...cuts(from, middle, halvings - 1), ...cuts(middle, to, halvings - 1)];
  };
  if (segment.kind === 'arc') return isTight(0, 1) ? cuts(0, 1, MOST_HALVINGS) : [piece(0, 1, false)];
  return cuts(0, 1, MOST_HALVINGS);
}

/** True for a segment without length. */
const isPoint = (segment: Segment): boolean =>
  distance(segment.from, segment.to) === 0 &&
  (segment.kind === 'cubic'
    ? distance(segment.from, segment.out) === 0 && distance(segment.from, segment.in) === 0
    : segment.kind === 'line');

/** Consecutive stretches as one strip: what is beside them to the left, and back on the right. */
function stripOf(stretches: readonly Stretch[], closed: boolean, tolerance: number): Path[] {
  const left = stretches.flatMap(({ segment, left: apart }) => parallelOf(segment, apart, tolerance));
  const right = stretches
    .flatMap(({ segment, right: { from, to } }) => parallelOf(segment, { from: -from, to: -to }, tolerance))
    .map(reversed)
    .reverse();
  const loops = closed ? [left, right] : [[...left, ...right]];
  return loops
    .map((segments): Path => ({
      closed: true,
      segments: joinedUp(segments, true).filter((each) => !isPoint(each)),
    }))
    .filter(({ segments }) => segments.length > 0);
}

/** Segments with straight ones where the end of one is not the start of the next. */
function joinedUp(segments: readonly Segment[], closed: boolean): Segment[] {
  return segments.flatMap((segment, k) => {
    const next = segments[k + 1] ?? (closed ? segments[0] : undefined);
    if (!next || distance(segment.to, next.from) === 0) return [segment];
    return [segment, line(segment.to, next.from)];
  });
}

const shapeOf = (...paths: readonly Path[]): MergeShape => ({ paths, rule: 'nonzero' });

/** What fills the outer side of a corner; nothing where the line goes on smoothly. */
function joinAt(a: Stretch, b: Stretch, { join, limit }: BandLook): MergeShape[] {
  const [t0, t1] = [directionAt(a.segment, 1), directionAt(b.segment, 0)];
  const turned = Math.atan2(cross(t0, t1), dot(t0, t1));
  if (Math.abs(turned) < SMOOTH) return [];
  // A turn to the right leaves a gap on the left, and the other way.
  const sign = turned > 0 ? 1 : -1;
  const d = turned > 0 ? a.left.to : a.right.to;
  if (!(d > 0)) return [];
  const at = b.segment.from;
  const [n0, n1] = [scaleBy(leftOf(t0), sign * d), scaleBy(leftOf(t1), sign * d)];
  const [p, q] = [add(at, n0), add(at, n1)];
  if (join === 'round') {
    const arc: Segment = { kind: 'arc', from: p, to: q, centre: at, radius: d, sweep: turned };
    return [shapeOf({ closed: true, segments: [line(at, p), arc, line(q, at)] })];
  }
  // Miter length over width is 1 / sin(θ/2), θ the angle of the corner (SVG 2, "stroke-miterlimit").
  const share = Math.cos(turned / 2);
  if (join === 'miter' && share > 1e-6 && 1 / share <= limit) {
    const tip = add(at, scaleBy(add(n0, n1), 1 / (2 * share * share)));
    return [shapeOf(polygonPath([at, p, tip, q]))];
  }
  return [shapeOf(polygonPath([at, p, q]))];
}

/** What is added at an end of an open line. */
function capAt(at: Point, outward: Point, left: number, right: number, cap: BandCap): MergeShape[] {
  const half = (left + right) / 2;
  if (cap === 'butt' || !(half > 0)) return [];
  const side = leftOf(outward);
  const [p, q] = [add(at, scaleBy(side, left)), subtract(at, scaleBy(side, right))];
  if (cap === 'square') {
    const out = scaleBy(outward, half);
    return [shapeOf(polygonPath([p, add(p, out), add(q, out), q]))];
  }
  const centre = scaleBy(add(p, q), 0.5);
  const arc: Segment = { kind: 'arc', from: p, to: q, centre, radius: half, sweep: Math.PI };
  return [shapeOf({ closed: true, segments: [arc, line(q, p)] })];
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

/** The closed shapes that cover a band together, overlapping. */
function piecesOf(path: Path, look: BandLook, tolerance: number): MergeShape[] {
  const clockwise = !path.closed || signedArea([path]) > 0;
  const reach = { middle: [1, 1], outside: [2, 0], inside: [0, 2] }[look.side] as [number, number];
  const [toLeft, toRight] = clockwise ? reach : [reach[1], reach[0]];
  const times = ({ from, to }: Apart, by: number): Apart => ({ from: from * by, to: to * by });
  const stretches = widthsAlong(path, look)
    .filter(({ segment }) => !isPoint(segment))
    .flatMap(({ segment, apart }) => stretchesOf(segment, times(apart, toLeft), times(apart, toRight)));
  const [first] = stretches;
  const last = stretches[stretches.length - 1];
  if (!first || !last) return [];
  const shapes: MergeShape[] = [];
  // Runs of stretches that go on smoothly and bend little are one strip each.
  const goesOn = (a: Stretch, b: Stretch): boolean =>
    !a.tight &&
    !b.tight &&
    Math.abs(cross(directionAt(a.segment, 1), directionAt(b.segment, 0))) < SMOOTH &&
    dot(directionAt(a.segment, 1), directionAt(b.segment, 0)) > 0 &&
    a.left.to === b.left.from &&
    a.right.to === b.right.from;
  const seams = stretches.map((each, k) => {
    const next = stretches[k + 1] ?? (path.closed ? first : undefined);
    return next !== undefined && goesOn(each, next);
  });
  if (path.closed && seams.every(Boolean)) return [shapeOf(...stripOf(stretches, true, tolerance))];
  // Begins after a seam that does not go on, so that no run is cut at the path's start.
  const begin = path.closed ? seams.findIndex((seam) => !seam) + 1 : 0;
  const turned = [...stretches.slice(begin), ...stretches.slice(0, begin)];
  const turnedSeams = [...seams.slice(begin), ...seams.slice(0, begin)];
  let run: Stretch[] = [];
  turned.forEach((each, k) => {
    run.push(each);
    if (turnedSeams[k] && k < turned.length - 1) return;
    shapes.push(shapeOf(...stripOf(run, false, tolerance)));
    run = [];
    const next = turned[k + 1] ?? (path.closed ? turned[0] : undefined);
    if (next) shapes.push(...joinAt(each, next, look));
  });
  if (!path.closed) {
    shapes.push(
      ...capAt(
        first.segment.from,
        scaleBy(directionAt(first.segment, 0), -1),
        first.right.from,
        first.left.from,
        look.cap,
      ),
      ...capAt(last.segment.to, directionAt(last.segment, 1), last.left.to, last.right.to, look.cap),
    );
  }
  return shapes;
}

const operand = (shapes: readonly MergeShape[]): MergeOperand => ({
  fold: 1,
  mirror: false,
  start: NO_TURN,
  shapes,
});

function outlineOf(
  operands: readonly MergeOperand[],
  op: 'union' | 'subtract',
  progress?: (share: number) => void,
): Path[] {
  const { parts } = mergeNow(
    { op, among: 'operands', quality: 'full', outlineOnly: op === 'union', operands },
    progress,
  );
  return parts.flatMap(({ loops, turns }) => turns.flatMap((by) => placedLoops(loops, by, false)));
}

const toleranceOf = (paths: readonly Path[], width: number): number => {
  const box = boundsOfPaths(paths);
  return BAND_TOLERANCE * Math.max(box.right - box.left, box.bottom - box.top, width);
};

/** Dashes that one band is made of. */
export const MOST_DASHES = 5000;

/** How many dashes lines have, about. */
export function dashCount(paths: readonly Path[], dashes: readonly number[]): number {
  const period = dashes.reduce((sum, dash) => sum + dash, 0);
  if (!(period > 0)) return 0;
  return (paths.reduce((sum, path) => sum + pathLength(path), 0) * dashes.length) / period;
}

/**
 * Lines as bands: closed outlines clockwise, holes the other way. Exact for lines and arcs at an even width; cubics within
 * `BAND_TOLERANCE` of the lines' size. Where the band overlaps itself it is one.
 * @throws MergeFailed where there is more to do than a limit
 */
export function bandsOf(paths: readonly Path[], look: BandLook, progress?: (share: number) => void): Path[] {
  const widest = Math.max(look.width, ...look.widths);
  if (!(widest > 0)) return [];
  const tolerance = toleranceOf(paths, widest);
  const lines = look.dashes.length > 0 ? paths.flatMap((path) => dashesOf(path, look.dashes)) : paths;
  const shapes = lines.flatMap((path) => piecesOf(path, look, tolerance));
  if (shapes.length === 0) return [];
  return withoutHairs(outlineOf([operand(shapes)], 'union', progress), paths, tolerance);
}

/**
 * Outlines without those thinner than what sides of cubics may be off: pieces that overlap for sure on the true curves can leave
 * such a hair between them. Where all is lines and arcs nothing is off, and nothing goes.
 */
function withoutHairs(outlines: readonly Path[], of: readonly Path[], tolerance: number): Path[] {
  if (!of.some(({ segments }) => segments.some(({ kind }) => kind === 'cubic'))) return [...outlines];
  return outlines.filter((path) => 2 * Math.abs(signedArea([path])) > 2 * tolerance * pathLength(path));
}

/**
 * The outline that runs beside closed shapes at a distance, outward for a positive one.
 * @param rule how the shapes fill together
 * @returns nothing where a shape is too small for what is taken away from it
 */
export function offsetOf(
  paths: readonly Path[],
  rule: MergeShape['rule'],
  away: number,
  join: BandJoin,
  limit: number,
  progress?: (share: number) => void,
): Path[] {
  const closed = paths.filter((path) => path.closed);
  const filled = outlineOf([operand([{ paths: closed, rule }])], 'union');
  if (away === 0 || filled.length === 0) return filled;
  const look: BandLook = {
    width: 2 * Math.abs(away),
    side: 'middle',
    join,
    limit,
    cap: 'butt',
    widths: [],
    dashes: [],
  };
  const tolerance = toleranceOf(filled, look.width);
  const band = filled.flatMap((path) => piecesOf(path, look, tolerance));
  const own = operand([shapeOf(...filled)]);
  const made =
    away > 0
      ? outlineOf([operand([shapeOf(...filled), ...band])], 'union', progress)
      : outlineOf([own, operand(band)], 'subtract', progress);
  return withoutHairs(made, filled, tolerance);
}
