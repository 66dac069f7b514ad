import { contours as contourLines } from 'd3-contour';

import { fittedSegments } from './freehand';
import type { Path } from './path';
import { add, cross, distance, dot, lengthOf, scaleBy, subtract, type Point } from './point';
import { line, type Segment } from './segment';

/** A picture in grey: rows from the top, 0 black to 1 white. */
export interface GreyPicture {
  readonly width: number;
  readonly height: number;
  readonly values: Float32Array;
}

export interface TraceOptions {
  /** What is darker than this is traced; 0 to 1. */
  readonly threshold: number;
  /** Traces what is lighter instead. */
  readonly light: boolean;
  /** How far the curves may be from the picture's outline, in its pixels. */
  readonly smoothness: number;
  /** Areas and holes smaller than this, in square pixels, are left out. */
  readonly smallest: number;
}

type Ring = readonly Point[];

const areaOf = (ring: Ring): number =>
  ring.reduce((sum, p, k) => sum + cross(p, ring[(k + 1) % ring.length] ?? p), 0) / 2;

/** The ring's points, each once, and none nearer to the one before than a hundredth of a pixel. */
function distinct(ring: readonly (readonly number[])[]): Point[] {
  const points: Point[] = [];
  for (const [x = 0, y = 0] of ring) {
    const last = points[points.length - 1];
    if (!last || distance(last, { x, y }) > 0.01) points.push({ x, y });
  }
  const [first] = points;
  const last = points[points.length - 1];
  if (first && last && points.length > 1 && distance(first, last) <= 0.01) points.pop();
  return points;
}

/** How far along the outline, in pixels, a corner is looked for on either side. */
const ARM = 4;
/** Turning by more than this on so short a way is a corner, in radians. */
const SHARP = (50 * Math.PI) / 180;

/** The index of the point that is a length from another along a closed ring, walking one way. */
function stepped(ring: Ring, from: number, way: 1 | -1): number {
  let [k, walked] = [from, 0];
  for (let steps = 0; walked < ARM && steps < ring.length; steps += 1) {
    const next = (k + way + ring.length) % ring.length;
    walked += distance(ring[k] as Point, ring[next] as Point);
    k = next;
  }
  return k;
}

/** Where an outline turns sharply: the sharpest point of every stretch that does. */
function cornersOf(ring: Ring): number[] {
  const turns = ring.map((p, k) => {
    const [a, b] = [ring[stepped(ring, k, -1)] as Point, ring[stepped(ring, k, 1)] as Point];
    const [before, after] = [subtract(p, a), subtract(b, p)];
    return Math.abs(Math.atan2(cross(before, after), dot(before, after)));
  });
  return [...turns.keys()].filter((k) => {
    const turned = turns[k] ?? 0;
    if (turned < SHARP) return false;
    // Only the sharpest within an arm's length, and of equals the first.
    for (const way of [1, -1] as const) {
      const end = stepped(ring, k, way);
      for (let j = (k + way + ring.length) % ring.length; ; j = (j + way + ring.length) % ring.length) {
        const other = turns[j] ?? 0;
        if (other > turned || (other === turned && way === -1)) return false;
        if (j === end) break;
      }
    }
    return true;
  });
}

/** True where points lie along the straight way from the first to the last of them. */
function areStraight(points: Ring, smoothness: number): boolean {
  const [first, last] = [points[0] as Point, points[points.length - 1] as Point];
  const way = subtract(last, first);
  const length = lengthOf(way);
  return (
    length > 0 &&
    points.every((p) => {
      const along = dot(subtract(p, first), way) / length;
      const off = Math.abs(cross(way, subtract(p, first))) / length;
      return off <= smoothness && along >= -smoothness && along <= length + smoothness;
    })
  );
}

/** The line nearest to points by least squares: a point of it and its direction (the main axis of their spread). */
function nearestLine(points: Ring): { readonly at: Point; readonly way: Point } {
  const middle = scaleBy(
    points.reduce((sum, p) => add(sum, p), { x: 0, y: 0 }),
    1 / points.length,
  );
  let [xx, xy, yy] = [0, 0, 0];
  for (const p of points) {
    const d = subtract(p, middle);
    xx += d.x * d.x;
    xy += d.x * d.y;
    yy += d.y * d.y;
  }
  const angle = Math.atan2(2 * xy, xx - yy) / 2;
  return { at: middle, way: { x: Math.cos(angle), y: Math.sin(angle) } };
}

/** A stretch without its last pixels on either side, where a picture rounds its corners. */
function inner(points: Ring): Ring {
  const [first, last] = [points[0] as Point, points[points.length - 1] as Point];
  const kept = points.filter((p) => distance(p, first) > ARM / 2 && distance(p, last) > ARM / 2);
  return kept.length > 1 ? kept : points;
}

/** Where the lines of two straight stretches meet, if that is near the corner that was found between them. */
function sharpened(corner: Point, before: Ring, after: Ring): Point {
  const [a, b] = [nearestLine(inner(before)), nearestLine(inner(after))];
  const turned = cross(a.way, b.way);
  if (Math.abs(turned) < 0.1) return corner;
  const meet = add(a.at, scaleBy(a.way, cross(subtract(b.at, a.at), b.way) / turned));
  return distance(meet, corner) <= ARM / 2 ? meet : corner;
}

/** A ring as a closed curve: straight stretches are lines, whose corners are where the lines meet, the others fitted curves. */
function closedCurve(ring: Ring, smoothness: number): Path {
  const corners = cornersOf(ring);
  const starts = corners.length > 0 ? corners : [0];
  const stretches = starts.map((start, k) => {
    const end = starts[(k + 1) % starts.length] ?? start;
    const count = end > start ? end - start : end - start + ring.length;
    const points = Array.from({ length: count + 1 }, (_, j) => ring[(start + j) % ring.length] as Point);
    return { points, straight: areStraight(points, smoothness) };
  });
  const nodes = stretches.map(({ points, straight }, k) => {
    const before = stretches[(k + stretches.length - 1) % stretches.length];
    const corner = points[0] as Point;
    return straight && before?.straight && stretches.length > 1
      ? sharpened(corner, before.points, points)
      : corner;
  });
  const segments = stretches.flatMap(({ points, straight }, k): Segment[] => {
    const [from, to] = [nodes[k] as Point, nodes[(k + 1) % nodes.length] as Point];
    return straight ? [line(from, to)] : fittedSegments([from, ...points.slice(1, -1), to], smoothness);
  });
  return { closed: true, segments };
}

/**
 * The outlines of what is dark (or light) in a picture, in its pixels, x to the right and y down from its upper left corner: for
 * each area its outline and then its holes. The level lines are those of marching squares with linear interpolation (d3-contour),
 * the curves are fitted to them within `smoothness` (P. Schneider, Graphics Gems, 1990), with corners kept.
 * @param progress is told the share that is done, from 0 to 1
 */
export function traced(
  { width, height, values }: GreyPicture,
  { threshold, light, smoothness, smallest }: TraceOptions,
  progress: (share: number) => void = () => undefined,
): Path[][] {
  // A border of the other tone, so that what reaches the edge of the picture ends there.
  const [w, h] = [width + 2, height + 2];
  const grid = new Array<number>(w * h).fill(0);
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      const value = values[y * width + x] ?? 0;
      grid[(y + 1) * w + x + 1] = light ? value : 1 - value;
    }
  const level = light ? threshold : 1 - threshold;
  const [area] = contourLines()
    .size([w, h])
    .smooth(true)
    .thresholds([Math.max(level, 1e-6)])(grid);
  const polygons = (area?.coordinates ?? []).map((rings) =>
    rings
      .map((ring) => distinct(ring).map(({ x, y }) => ({ x: x - 1, y: y - 1 })))
      .filter((ring) => ring.length > 2),
  );
  return polygons.flatMap(([outline, ...holes], k) => {
    const isKept = (ring: readonly Point[] | undefined): ring is Point[] =>
      ring !== undefined && Math.abs(areaOf(ring)) >= smallest;
    const paths = isKept(outline)
      ? [[outline, ...holes.filter(isKept)].map((ring) => closedCurve(ring, smoothness))]
      : [];
    progress((k + 1) / polygons.length);
    return paths;
  });
}
