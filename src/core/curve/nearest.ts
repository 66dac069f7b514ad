import type { Path } from './path';
import { polynomialRoots } from '@/core/number';
import { add, cross, distance, dot, scaleBy, subtract, type Point } from './point';
import { derivativeAt, pointAt, type CubicSegment, type Segment } from './segment';

export interface Nearest {
  readonly segment: number;
  readonly t: number;
  readonly point: Point;
  readonly distance: number;
}

const within = (t: number): number => Math.min(1, Math.max(0, t));

function nearestParameter(segment: Segment, p: Point): number {
  if (segment.kind === 'line') {
    const along = subtract(segment.to, segment.from);
    const square = dot(along, along);
    return square === 0 ? 0 : within(dot(subtract(p, segment.from), along) / square);
  }
  if (segment.kind === 'arc') {
    const spoke = subtract(segment.from, segment.centre);
    const toward = subtract(p, segment.centre);
    const angle = Math.atan2(cross(spoke, toward), dot(spoke, toward));
    const full = 2 * Math.PI * Math.sign(segment.sweep);
    const share = angle / segment.sweep;
    const wrapped = share < 0 ? (angle + full) / segment.sweep : share;
    if (wrapped <= 1) return wrapped;
    return distance(p, segment.from) <= distance(p, segment.to) ? 0 : 1;
  }
  let found = { t: 0, away: Infinity };
  for (const t of [0, 1, ...squareOnCubic(segment, p)]) {
    const away = distance(pointAt(segment, within(t)), p);
    if (away < found.away) found = { t: within(t), away };
  }
  return found.t;
}

/** Where the way from a point is square to a cubic, (P − p) · P′ = 0, of degree five; a root of even order comes as one of the slope. */
function squareOnCubic(segment: CubicSegment, p: Point): number[] {
  const [a, b, c, d] = [segment.from, segment.out, segment.in, segment.to];
  const powers = [
    subtract(a, p),
    scaleBy(subtract(b, a), 3),
    scaleBy(add(subtract(a, scaleBy(b, 2)), c), 3),
    add(subtract(d, scaleBy(c, 3)), subtract(scaleBy(b, 3), a)),
  ];
  const square = [0, 0, 0, 0, 0, 0];
  powers.forEach((u, i) =>
    powers.forEach((v, j) => {
      if (j > 0) square[i + j - 1] = (square[i + j - 1] ?? 0) + j * dot(u, v);
    }),
  );
  const slope = square.slice(1).map((factor, k) => factor * (k + 1));
  return [...polynomialRoots(square), ...polynomialRoots(slope)];
}

/** A root of the slope alone is none: there the way is not square. */
const SQUARE = 1e-7;

/**
 * The radii of the circles about a point that touch a segment between its ends, from within and from without: the ways that are square
 * to it. None where it is an arc about the point.
 */
export function touchingRadii(segment: Segment, p: Point): number[] {
  if (segment.kind === 'arc') {
    const away = distance(p, segment.centre);
    if (away <= 1e-12 * segment.radius) return [];
    // The near point of the arc's circle, and the far one.
    const toward = scaleBy(subtract(p, segment.centre), segment.radius / away);
    return [toward, scaleBy(toward, -1)].flatMap((spoke) => {
      const foot = add(segment.centre, spoke);
      const t = nearestParameter(segment, foot);
      const isOn = t > 0 && t < 1 && distance(pointAt(segment, t), foot) <= 1e-9 * segment.radius;
      return isOn ? [distance(p, foot)] : [];
    });
  }
  const parameters = segment.kind === 'line' ? [nearestParameter(segment, p)] : squareOnCubic(segment, p);
  return parameters.flatMap((t) => {
    if (!(t > 0 && t < 1)) return [];
    const way = subtract(pointAt(segment, t), p);
    const along = derivativeAt(segment, t);
    const isSquare =
      Math.abs(dot(way, along)) <= SQUARE * Math.hypot(way.x, way.y) * Math.hypot(along.x, along.y);
    return isSquare ? [Math.hypot(way.x, way.y)] : [];
  });
}

/** How far a point is at least from a cubic: from the box round its four points, which holds it. */
function outside({ from, out, in: into, to }: CubicSegment, p: Point): number {
  const dx = Math.max(
    Math.min(from.x, out.x, into.x, to.x) - p.x,
    p.x - Math.max(from.x, out.x, into.x, to.x),
    0,
  );
  const dy = Math.max(
    Math.min(from.y, out.y, into.y, to.y) - p.y,
    p.y - Math.max(from.y, out.y, into.y, to.y),
    0,
  );
  return Math.hypot(dx, dy);
}

/** Squares of less are nought in double precision. */
const ROUNDED_AWAY = 1e-150;

/** The point of a path that is nearest to p; null for a path without segments. */
export function nearestOnPath(path: Path, p: Point): Nearest | null {
  let found: Nearest | null = null;
  // No farther than the nearest end of a segment, so that most segments need no look; a little more, as both are rounded.
  const [first] = path.segments;
  const least = path.segments.reduce(
    (near, { to }) => Math.min(near, distance(to, p)),
    first ? distance(first.from, p) : Infinity,
  );
  const most = least * (1 + 1e-9) + ROUNDED_AWAY;
  for (const [index, segment] of path.segments.entries()) {
    if (segment.kind === 'cubic' && outside(segment, p) > Math.min(most, found?.distance ?? Infinity))
      continue;
    const t = nearestParameter(segment, p);
    const at = pointAt(segment, t);
    const away = distance(at, p);
    if (!found || away < found.distance) found = { segment: index, t, point: at, distance: away };
  }
  return found;
}
