import fitCurve from 'fit-curve';
import { getStroke } from 'perfect-freehand';

import { nearestOnPath } from './nearest';
import { nodesOfPath, type PathNode } from './nodes';
import { distance, type Point } from './point';
import { cubic, type Segment } from './segment';

/** A point of a stroke by hand; the pen's pressure from 0 to 1, 0.5 for a mouse. */
export interface HandPoint extends Point {
  readonly pressure: number;
}

export interface Brush {
  /** Greatest width, in the figure's unit. */
  readonly width: number;
  /** How much of the width follows the pressure, or the speed where there is none; 0 to 1. */
  readonly thinning: number;
  /** Length over which both ends run out to a point. */
  readonly taper: number;
}

const apart = (points: readonly Point[]): [number, number][] =>
  points
    .filter((p, k) => k === 0 || distance(p, points[k - 1] as Point) > 0)
    .map(({ x, y }): [number, number] => [x, y]);

const segmentsThrough = (points: readonly [number, number][], tolerance: number): Segment[] =>
  fitCurve(points as [number, number][], tolerance * tolerance).map(([a, b, c, d]) =>
    cubic({ x: a[0], y: a[1] }, { x: b[0], y: b[1] }, { x: c[0], y: c[1] }, { x: d[0], y: d[1] }),
  );

/** Curves fitted to points within a tolerance by least squares; see `fittedNodes`, which measures the result too. */
export const fittedSegments = (points: readonly Point[], tolerance: number): Segment[] =>
  segmentsThrough(apart(points), tolerance);

/**
 * Few smooth nodes through a stroke by hand, no point of it farther than the tolerance (in the figure's unit) from the
 * curve. Fitted by least squares (P. Schneider, "An algorithm for automatically fitting digitized curves", Graphics
 * Gems, 1990, in the fit-curve package); the distance is measured on the result, and the fit made closer until it holds.
 */
export function fittedNodes(points: readonly Point[], tolerance: number): PathNode[] {
  const list = apart(points);
  if (list.length < 2) return [];
  for (let share = 1; share > 1 / 64; share /= 2) {
    const segments = segmentsThrough(list, tolerance * share);
    const path = { closed: false, segments };
    const off = list.reduce(
      (most, [x, y]) => Math.max(most, nearestOnPath(path, { x, y })?.distance ?? Infinity),
      0,
    );
    if (off <= tolerance) return nodesOfPath(path);
  }
  return list.map(([x, y]) => ({ x, y, kind: 'corner' }));
}

/** Few smooth nodes of a closed path through points that end where they begin; none where they are too few. */
export function closedNodes(points: readonly Point[], tolerance: number): PathNode[] {
  const nodes = fittedNodes(points, tolerance);
  const [start, ...rest] = nodes;
  const last = rest[rest.length - 1];
  if (!start || !last || nodes.length < 3) return [];
  return [{ ...start, ...(last.in && { in: last.in }) }, ...rest.slice(0, -1)];
}

/** The outline of a brush stroke as nodes of a closed path: as wide as the pressure says, run out at both ends. */
export function brushNodes(points: readonly HandPoint[], brush: Brush, tolerance: number): PathNode[] {
  const even = points.every(({ pressure }) => pressure === (points[0]?.pressure ?? 0));
  // The outline is made at a scale of pixels, which is what the package's smoothing is tuned to.
  const scale = 16 / brush.width;
  const outline = getStroke(
    points.map(({ x, y, pressure }) => ({ x: x * scale, y: y * scale, pressure })),
    {
      size: 16,
      thinning: brush.thinning,
      smoothing: 0.6,
      streamline: 0.4,
      simulatePressure: even,
      start: { taper: brush.taper * scale, cap: true },
      end: { taper: brush.taper * scale, cap: true },
      last: true,
    },
  ).map(([x, y]) => ({ x: x / scale, y: y / scale }));
  const [first] = outline;
  if (!first || outline.length < 3) return [];
  return closedNodes([...outline, first], tolerance);
}
