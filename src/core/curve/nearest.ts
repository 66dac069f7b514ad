import type { Path } from './path';
import { cross, distance, dot, subtract, type Point } from './point';
import { pointAt, type Segment } from './segment';

export interface Nearest {
  readonly segment: number;
  readonly t: number;
  readonly point: Point;
  readonly distance: number;
}

const SAMPLES = 48;

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
  // Every sample that is nearer than both beside it may have the minimum next to it: narrow each down by thirds.
  const away = Array.from({ length: SAMPLES + 1 }, (_, k) => distance(pointAt(segment, k / SAMPLES), p));
  let found = { t: 0, away: Infinity };
  away.forEach((here, k) => {
    if (here > (away[k - 1] ?? Infinity) || here > (away[k + 1] ?? Infinity)) return;
    let [low, high] = [within((k - 1) / SAMPLES), within((k + 1) / SAMPLES)];
    for (let step = 0; step < 60; step += 1) {
      const [a, b] = [low + (high - low) / 3, high - (high - low) / 3];
      if (distance(pointAt(segment, a), p) <= distance(pointAt(segment, b), p)) high = b;
      else low = a;
    }
    const t = (low + high) / 2;
    const least = distance(pointAt(segment, t), p);
    if (least < found.away) found = { t, away: least };
  });
  return found.t;
}

/** The point of a path that is nearest to p; null for a path without segments. */
export function nearestOnPath(path: Path, p: Point): Nearest | null {
  let found: Nearest | null = null;
  path.segments.forEach((segment, index) => {
    const t = nearestParameter(segment, p);
    const at = pointAt(segment, t);
    const away = distance(at, p);
    if (!found || away < found.distance) found = { segment: index, t, point: at, distance: away };
  });
  return found;
}
