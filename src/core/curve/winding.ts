import { flatten } from './flatten';
import type { Path } from './path';
import type { Point } from './point';

/**
 * How often a closed path goes round p, clockwise counted positive; within `tolerance` of the path the
 * answer may be that of either side.
 */
export const windingNumber = (path: Path, p: Point, tolerance: number): number =>
  windingOfCorners(flatten(path, tolerance), p);

/** How often a closed polygon runs round a point; clockwise, as y counts down, is above 0. */
export function windingOfCorners(points: readonly Point[], p: Point): number {
  let winding = 0;
  points.forEach((a, k) => {
    const b = points[(k + 1) % points.length] ?? a;
    if (a.y <= p.y === b.y <= p.y) return;
    const left = (b.x - a.x) * (p.y - a.y) - (p.x - a.x) * (b.y - a.y);
    if (b.y > a.y ? left > 0 : left < 0) winding += b.y > a.y ? 1 : -1;
  });
  return winding;
}
