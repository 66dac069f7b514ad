import type { Path } from './path';
import type { Point } from './point';
import { type CubicSegment, pointAt, type Segment } from './segment';
import { remembered } from '../remembered';

/** An upright box; empty where nothing has been put in it. */
export interface Bounds {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

const EMPTY_BOUNDS: Bounds = { left: Infinity, top: Infinity, right: -Infinity, bottom: -Infinity };

export const isEmptyBounds = (box: Bounds): boolean => box.left > box.right || box.top > box.bottom;

const including = (box: Bounds, p: Point): Bounds => ({
  left: Math.min(box.left, p.x),
  top: Math.min(box.top, p.y),
  right: Math.max(box.right, p.x),
  bottom: Math.max(box.bottom, p.y),
});

const joinBounds = (a: Bounds, b: Bounds): Bounds => ({
  left: Math.min(a.left, b.left),
  top: Math.min(a.top, b.top),
  right: Math.max(a.right, b.right),
  bottom: Math.max(a.bottom, b.bottom),
});

/** True where a point lies in a box, on its border, or no farther from its sides than `near`. */
export const isInBounds = ({ left, right, top, bottom }: Bounds, { x, y }: Point, near = 0): boolean =>
  x >= left - near && x <= right + near && y >= top - near && y <= bottom + near;

/** How far two boxes are apart at least: a lower bound for all that is in them. */
export function boundsApart(a: Bounds, b: Bounds): number {
  const dx = Math.max(0, a.left - b.right, b.left - a.right);
  const dy = Math.max(0, a.top - b.bottom, b.top - a.bottom);
  return Math.hypot(dx, dy);
}

const boundsOfPoints = (points: readonly Point[]): Bounds => points.reduce(including, EMPTY_BOUNDS);

/** Roots in (0, 1) of a t² + b t + c. */
function rootsWithin(a: number, b: number, c: number): number[] {
  const roots: number[] = [];
  if (Math.abs(a) < 1e-14 * (Math.abs(b) + Math.abs(c))) {
    if (b !== 0) roots.push(-c / b);
  } else {
    const discriminant = b * b - 4 * a * c;
    if (discriminant >= 0) {
      const q = -(b + (b < 0 ? -1 : 1) * Math.sqrt(discriminant)) / 2;
      roots.push(q / a);
      if (q !== 0) roots.push(c / q);
    }
  }
  return roots.filter((t) => t > 0 && t < 1);
}

/** Parameters in (0, 1) where a cubic turns back along an axis. */
function turningsOf(segment: CubicSegment, axis: 'x' | 'y'): number[] {
  const first = segment.out[axis] - segment.from[axis];
  const second = segment.in[axis] - segment.out[axis];
  const third = segment.to[axis] - segment.in[axis];
  return rootsWithin(first - 2 * second + third, 2 * (second - first), first);
}

/** Parameters in (0, 1) where a segment turns back in x or in y. */
export function extremaOf(segment: Segment): number[] {
  if (segment.kind === 'line') return [];
  if (segment.kind === 'cubic') return [...turningsOf(segment, 'x'), ...turningsOf(segment, 'y')];
  const start = Math.atan2(segment.from.y - segment.centre.y, segment.from.x - segment.centre.x);
  const quarter = Math.PI / 2;
  const [low, high] = segment.sweep > 0 ? [start, start + segment.sweep] : [start + segment.sweep, start];
  const found: number[] = [];
  for (let k = Math.ceil(low / quarter); k * quarter <= high; k += 1) {
    const t = (k * quarter - start) / segment.sweep;
    if (t > 0 && t < 1) found.push(t);
  }
  return found;
}

/** From where to where a cubic goes along an axis. With its control points between its ends it goes no farther: it lies in their hull. */
function rangeOfCubic(segment: CubicSegment, axis: 'x' | 'y'): readonly [number, number] {
  const [a, b, c, d] = [segment.from[axis], segment.out[axis], segment.in[axis], segment.to[axis]];
  let [least, most] = a < d ? [a, d] : [d, a];
  if (b >= least && b <= most && c >= least && c <= most) return [least, most];
  for (const t of turningsOf(segment, axis)) {
    const at = pointAt(segment, t)[axis];
    if (at < least) least = at;
    if (at > most) most = at;
  }
  return [least, most];
}

/** The exact box of a segment: its ends and the points where it turns back. */
export function boundsOfSegment(segment: Segment): Bounds {
  const ends = boundsOfPoints([segment.from, segment.to]);
  if (segment.kind === 'line') return ends;
  if (segment.kind === 'cubic') {
    const [left, right] = rangeOfCubic(segment, 'x');
    const [top, bottom] = rangeOfCubic(segment, 'y');
    return { left, top, right, bottom };
  }
  const { centre, radius } = segment;
  return extremaOf(segment).reduce((box, t) => {
    const p = pointAt(segment, t);
    // A quadrant point is exactly one radius from the centre: say so instead of rounding a sine.
    const sideways = Math.abs(p.x - centre.x) > Math.abs(p.y - centre.y);
    return including(
      box,
      sideways
        ? { x: centre.x + Math.sign(p.x - centre.x) * radius, y: centre.y }
        : { x: centre.x, y: centre.y + Math.sign(p.y - centre.y) * radius },
    );
  }, ends);
}

/** The exact box of one path, found once for it. */
const boundsOfPath = remembered(({ segments }: Path): Bounds =>
  segments.reduce((box, segment) => joinBounds(box, boundsOfSegment(segment)), EMPTY_BOUNDS),
);

/** The exact box of paths, without their strokes. */
export const boundsOfPaths = (paths: readonly Path[]): Bounds =>
  paths.reduce((box, path) => joinBounds(box, boundsOfPath(path)), EMPTY_BOUNDS);

/** The same, found once for a list of paths. */
export const boxOfPaths = remembered(boundsOfPaths);
