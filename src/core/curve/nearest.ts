import type { Path } from './path';
import { polynomialRoots } from '../number/roots';
import { add, cross, distance, dot, scaleBy, subtract, type Point } from './point';
import { pointAt, type CubicSegment, type Segment } from './segment';

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
  // Where the way from p is square to the curve, (P − p) · P′ = 0, of degree five; or at an end.
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
  // A root of even order shows as one of the slope's only.
  const slope = square.slice(1).map((factor, k) => factor * (k + 1));
  let found = { t: 0, away: Infinity };
  for (const t of [0, 1, ...polynomialRoots(square), ...polynomialRoots(slope)]) {
    const away = distance(pointAt(segment, within(t)), p);
    if (away < found.away) found = { t: within(t), away };
  }
  return found.t;
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

/** The point of a path that is nearest to p; null for a path without segments. */
export function nearestOnPath(path: Path, p: Point): Nearest | null {
  let found: Nearest | null = null;
  for (const [index, segment] of path.segments.entries()) {
    if (found && segment.kind === 'cubic' && outside(segment, p) > found.distance) continue;
    const t = nearestParameter(segment, p);
    const at = pointAt(segment, t);
    const away = distance(at, p);
    if (!found || away < found.distance) found = { segment: index, t, point: at, distance: away };
  }
  return found;
}
