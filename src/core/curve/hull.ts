/**
 * Convex hulls, for what has to be known soon: curves whose hulls are apart are apart.
 *
 * @example
 * hullsMeet(hullOfPaths(petal), hullOfPaths(dot)); // false: no two of their curves meet
 */
import type { Path } from './path';
import { subtract, type Point } from './point';
import { wholeOf } from './stretch';

const turnAt = (a: Point, b: Point, c: Point): number =>
  (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x);

/** One side of a hull: points in the order of x, without those at which it would turn back. */
function chain(points: readonly Point[]): Point[] {
  const kept: Point[] = [];
  for (const p of points) {
    while (kept.length > 1 && turnAt(kept[kept.length - 2] as Point, kept[kept.length - 1] as Point, p) <= 0)
      kept.pop();
    kept.push(p);
  }
  return kept.slice(0, -1);
}

/** The corners of the convex hull of points, clockwise on the screen (Andrew's monotone chain, 1979). */
export function convexHull(points: readonly Point[]): Point[] {
  const sorted = [...points].sort((a, b) => a.x - b.x || a.y - b.y);
  if (sorted.length < 3) return sorted;
  const hull = [...chain(sorted), ...chain(sorted.reverse())];
  return hull.length > 0 ? hull : sorted.slice(0, 1);
}

/** A convex polygon in which paths lie. */
export const hullOfPaths = (paths: readonly Path[]): Point[] =>
  convexHull(paths.flatMap(({ segments }) => segments.flatMap((segment) => [...wholeOf(segment).hull])));

/** From the least to the most of points along a direction. */
function spanAlong(points: readonly Point[], { x, y }: Point): [number, number] {
  let [least, most] = [Infinity, -Infinity];
  for (const p of points) {
    const along = p.x * x + p.y * y;
    if (along < least) least = along;
    if (along > most) most = along;
  }
  return [least, most];
}

/** True where no side of the first hull parts it from the second. */
function noSideParts(hull: readonly Point[], other: readonly Point[], within: number): boolean {
  return hull.every((from, k) => {
    const side = subtract(hull[(k + 1) % hull.length] ?? from, from);
    const length = Math.hypot(side.x, side.y);
    if (length === 0) return true;
    const across = { x: side.y / length, y: -side.x / length };
    const [a, b] = [spanAlong(hull, across), spanAlong(other, across)];
    return a[0] < b[1] - within && b[0] < a[1] - within;
  });
}

/**
 * True where two convex hulls have an area in common, or lines cross it: no side of either parts them (the separating axis theorem).
 * @param within what overlaps by less does not count
 */
export const hullsMeet = (a: readonly Point[], b: readonly Point[], within = 0): boolean =>
  a.length > 0 && b.length > 0 && noSideParts(a, b, within) && noSideParts(b, a, within);
