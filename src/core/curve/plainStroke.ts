/**
 * What a stroke by hand is meant to be, where that is plain: a line, an arc, or half a circle about the axis.
 *
 * @example
 * const nodes = plainStroke(points, 0.5); // two nodes with a bulge, or null for any other stroke
 */
import { distance, type Point } from './point';
import { nearestOnPath } from './nearest';
import { pathOfNodes, type PathNode } from './nodes';
import { bulgeThrough } from './threePoints';

/** An arc whose ends are on the axis and that bulges nearly as half a circle does is one: its reflection makes a circle of it. */
const HALF_CIRCLE = 0.12;

/** A point nearer to the axis than this, as a share of the stroke, is on it. */
const ON_AXIS = 1e-9;

/** More of a circle than this cannot be told from its ends. */
const MOST_BULGE = 3;

const middleOf = (numbers: readonly number[]): number =>
  [...numbers].sort((a, b) => a - b)[Math.floor(numbers.length / 2)] ?? 0;

/** How far the farthest of points is from a path of nodes. */
export const farthestFrom = (nodes: readonly PathNode[], points: readonly Point[]): number => {
  const path = pathOfNodes(nodes, false);
  return points.reduce((most, p) => Math.max(most, nearestOnPath(path, p)?.distance ?? Infinity), 0);
};

/**
 * Two nodes with a line or an arc between them, where all points of a stroke are near it; null where they are not. The bulge is the
 * middle of those that the points tell of by the angle under which they see both ends (Euclid III.20).
 * @param tolerance in the figure's unit
 */
export function plainStroke(points: readonly Point[], tolerance: number): readonly PathNode[] | null {
  const [from, to] = [points[0], points[points.length - 1]];
  if (!from || !to || distance(from, to) <= tolerance) return null;
  const chord = distance(from, to);
  const two = (bulge: number): PathNode[] => [
    { x: from.x, y: from.y, kind: 'corner', ...(bulge !== 0 && { bulge }) },
    { x: to.x, y: to.y, kind: 'corner' },
  ];
  const straight = two(0);
  if (farthestFrom(straight, points) <= tolerance) return straight;
  // Points near an end tell little of the bulge.
  const inner = points.filter((p) => distance(p, from) > chord / 6 && distance(p, to) > chord / 6);
  const bulge = middleOf(inner.map((p) => bulgeThrough(from, p, to)));
  if (bulge === 0 || Math.abs(bulge) > MOST_BULGE) return null;
  const isOnAxis = Math.abs(from.x) <= ON_AXIS * chord && Math.abs(to.x) <= ON_AXIS * chord;
  const isHalf = isOnAxis && Math.abs(Math.abs(bulge) - 1) <= HALF_CIRCLE;
  const nodes = two(isHalf ? Math.sign(bulge) : bulge);
  return farthestFrom(nodes, points) <= tolerance ? nodes : null;
}

/**
 * The points of a stroke that is half a circle between two points of the axis put on that circle, so that with its reflection it is a circle;
 * the same points of any other stroke.
 * @param tolerance in the figure's unit
 */
export function onHalfCircle<P extends Point>(points: readonly P[], tolerance: number): readonly P[] {
  const [from, to] = plainStroke(points, tolerance) ?? [];
  if (!from || !to || Math.abs(from.bulge ?? 0) !== 1) return points;
  const centre = { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 };
  const radius = distance(from, to) / 2;
  return points.map((p, k) => {
    const away = distance(p, centre);
    // Both ends are on it, and what is in its middle is on no side of it.
    if (k === 0 || k === points.length - 1 || away === 0) return p;
    const factor = radius / away;
    return { ...p, x: centre.x + (p.x - centre.x) * factor, y: centre.y + (p.y - centre.y) * factor };
  });
}

/** A stroke with its ends at other places: what is nearer to them than a length gives way. */
export function strokeWithEnds<P extends Point>(
  points: readonly P[],
  start: Point,
  end: Point,
  near: number,
): P[] {
  const [first, last] = [points[0], points[points.length - 1]];
  if (!first || !last) return [];
  const from = points.findIndex((p) => distance(p, start) > near);
  const to = points.findLastIndex((p) => distance(p, end) > near);
  return [{ ...first, ...start }, ...(from < 0 ? [] : points.slice(from, to + 1)), { ...last, ...end }];
}
