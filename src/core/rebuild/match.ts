/**
 * Whether one mark is another one, turned, mirrored or moved; which of its contours then lies on which.
 *
 * @example
 * const match = matchUnder(petal, next, turnAbout(centre, turn(1, 12)), 0.02);
 * match?.far; // how far the farthest of its points is from where it would be
 */
import {
  type Affine,
  applyTo,
  compose,
  distance,
  mapSegment,
  moveMap,
  type Point,
  reversed,
  type Segment,
  subtract,
} from '@/core/curve';
import { innerPoints, type Layer, type Line, type Mark, type Outline } from './mark';

/** Where a contour of one mark is in the other one. */
interface Pair {
  readonly from: Outline;
  readonly to: Outline;
  /** The segment of `to` on which the first one of `from` lies, `to` being walked backwards where that is so. */
  readonly shift: number;
  readonly isBackward: boolean;
}

interface Match {
  /** The greatest distance of a point from where it would be. */
  readonly far: number;
  readonly pairs: readonly Pair[];
}

/** A turn about a point. @param radians clockwise on the screen */
export function turnAbout(centre: Point, radians: number): Affine {
  const [cos, sin] = [Math.cos(radians), Math.sin(radians)];
  const turned: Affine = { a: cos, b: sin, c: -sin, d: cos, e: 0, f: 0 };
  return compose(moveMap(centre), compose(turned, moveMap({ x: -centre.x, y: -centre.y })));
}

/** The reflection in the line through a point. @param radians its direction, clockwise from straight up */
export function mirrorAbout(centre: Point, radians: number): Affine {
  const [cos, sin] = [Math.cos(2 * radians), Math.sin(2 * radians)];
  // Straight up is the y axis: x changes its sign.
  const across: Affine = { a: -cos, b: -sin, c: -sin, d: cos, e: 0, f: 0 };
  return compose(moveMap(centre), compose(across, moveMap({ x: -centre.x, y: -centre.y })));
}

const backward = (line: Line): readonly Segment[] => line.path.segments.map(reversed).reverse();

function farthest(a: Segment, b: Segment, within: number): number {
  if (a.kind !== b.kind) return Infinity;
  let far = Math.max(distance(a.from, b.from), distance(a.to, b.to));
  if (far > within) return Infinity;
  const others = innerPoints(b);
  innerPoints(a).forEach((p, k) => (far = Math.max(far, distance(p, others[k] ?? p))));
  return far <= within ? far : Infinity;
}

/** How far a list of segments is from another one, begun at one of its segments. */
function farFrom(
  image: readonly Segment[],
  other: readonly Segment[],
  shift: number,
  within: number,
): number {
  let far = 0;
  for (const [k, segment] of image.entries()) {
    const facing = other[(k + shift) % other.length];
    if (facing) far = Math.max(far, farthest(segment, facing, within));
    if (far > within) return Infinity;
  }
  return far;
}

type Found = Pick<Pair, 'shift' | 'isBackward'> & { readonly far: number };

function matchLines(a: Line, b: Line, map: Affine, within: number): Found | null {
  if (a.path.closed !== b.path.closed || a.path.segments.length !== b.path.segments.length) return null;
  if (distance(applyTo(map, a.middle), b.middle) > within) return null;
  const image = a.path.segments.flatMap((segment) => mapSegment(segment, map));
  const start = image[0]?.from;
  if (!start || image.length !== a.path.segments.length) return null;
  let best: Found | null = null;
  for (const isBackward of [false, true]) {
    const other = isBackward ? backward(b) : b.path.segments;
    const shifts = a.path.closed ? other.keys() : [0].values();
    for (const shift of shifts) {
      if (distance(start, other[shift]?.from ?? start) > within) continue;
      const far = farFrom(image, other, shift, within);
      if (far <= within && far < (best?.far ?? Infinity)) best = { far, shift, isBackward };
    }
  }
  return best;
}

function matchOutlines(a: Outline, b: Outline, map: Affine, within: number): Found | null {
  if (a.kind === 'ring' && b.kind === 'ring') {
    const far = Math.max(distance(applyTo(map, a.middle), b.middle), Math.abs(a.radius - b.radius));
    return far <= within ? { far, shift: 0, isBackward: false } : null;
  }
  return a.kind === 'line' && b.kind === 'line' ? matchLines(a, b, map, within) : null;
}

function matchLayers(a: Layer, b: Layer, map: Affine, within: number): Match | null {
  if (a.outlines.length !== b.outlines.length || a.pins.length !== b.pins.length) return null;
  const pairs: Pair[] = [];
  const left = new Set(b.outlines);
  let far = Math.max(0, ...a.pins.map((p, k) => distance(applyTo(map, p), b.pins[k] ?? p)));
  if (far > within) return null;
  for (const from of a.outlines) {
    let best: (Found & { readonly to: Outline }) | null = null;
    for (const to of left) {
      const found = matchOutlines(from, to, map, within);
      if (found && found.far < (best?.far ?? Infinity)) best = { ...found, to };
    }
    if (!best) return null;
    left.delete(best.to);
    far = Math.max(far, best.far);
    pairs.push({ from, to: best.to, shift: best.shift, isBackward: best.isBackward });
  }
  return { far, pairs };
}

/**
 * How one mark lies on another once it is mapped; null where it does not. Contours may begin anywhere and run either way.
 * @param map keeps lengths: a turn, a reflection, a move
 * @param within how far points may be from where they would be
 */
export function matchUnder(a: Mark, b: Mark, map: Affine, within: number): Match | null {
  if (a.layers.length !== b.layers.length || distance(applyTo(map, a.middle), b.middle) > within) return null;
  let far = 0;
  const pairs: Pair[] = [];
  for (const [k, layer] of a.layers.entries()) {
    const match = matchLayers(layer, b.layers[k] as Layer, map, within);
    if (!match) return null;
    far = Math.max(far, match.far);
    pairs.push(...match.pairs);
  }
  return { far, pairs };
}

/** Contours longer than this are not tried from each of their segments: whether they are a turn of each other is seen by others. */
const MOST_TRIED = 400;

/** The longest contour that says how a mark is turned; null where it has only circles about its middle. */
function tellingLine(mark: Mark): Line | null {
  const lines = mark.layers
    .flatMap(({ outlines }) => outlines)
    .filter(
      (outline): outline is Line => outline.kind === 'line' && outline.path.segments.length <= MOST_TRIED,
    );
  return lines.reduce<Line | null>((best, each) => (each.length > (best?.length ?? 0) ? each : best), null);
}

/** The angle by which points about one middle are best turned onto as many about another (Kabsch's problem in the plane). */
function bestTurn(a: readonly Point[], b: readonly Point[]): number {
  let [cosines, sines] = [0, 0];
  a.forEach((p, k) => {
    const q = b[k] ?? p;
    cosines += p.x * q.x + p.y * q.y;
    sines += p.x * q.y - p.y * q.x;
  });
  return Math.atan2(sines, cosines);
}

/**
 * The turns that take one mark to another, in radians about their middles: one, or as many as it has turns of its own.
 * None for what looks the same in every direction, and for reflections.
 */
export function turnsBetween(a: Mark, b: Mark, within: number): number[] {
  const [from, to] = [tellingLine(a), tellingLine(b)];
  if (!from || !to || from.path.segments.length !== to.path.segments.length) return [];
  const [own, other] = [from.path.segments, to.path.segments];
  const arms = own.map((segment) => subtract(segment.from, a.middle));
  const shifts = from.path.closed ? [...other.keys()] : [0];
  return shifts.flatMap((shift) => {
    const facing = own.map((_, k) => other[(k + shift) % other.length]?.from ?? b.middle);
    const isLike = arms.every((arm, k) => {
      const there = subtract(facing[k] ?? b.middle, b.middle);
      return Math.abs(Math.hypot(arm.x, arm.y) - Math.hypot(there.x, there.y)) <= 2 * within;
    });
    if (!isLike) return [];
    const angle = bestTurn(
      arms,
      facing.map((p) => subtract(p, b.middle)),
    );
    const map = compose(moveMap(subtract(b.middle, a.middle)), turnAbout(a.middle, angle));
    return matchUnder(a, b, map, 4 * within) ? [angle] : [];
  });
}
