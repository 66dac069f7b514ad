import { remembered } from '../remembered';
import { extremaOf } from './bounds';
import { partOf } from './part';
import type { Path } from './path';
import { distance } from './point';
import type { CubicSegment, Segment } from './segment';

/**
 * Nodes and weights of the Gauss–Legendre rule of order 8 on [-1, 1], one side of the symmetric pairs.
 * Source: Abramowitz and Stegun, "Handbook of Mathematical Functions", table 25.4.
 */
const RULE: readonly (readonly [number, number])[] = [
  [0.18343464249564980494, 0.36268378337836198297],
  [0.52553240991632898582, 0.31370664587788728734],
  [0.79666647741362673959, 0.22238103445337447054],
  [0.96028985649753623168, 0.10122853629037625915],
];

/** The speed of a cubic at a parameter. Asked very often: without objects on the way. */
type SpeedAt = (t: number) => number;

function speedOf({ from, out, in: into, to }: CubicSegment): SpeedAt {
  const [ax, ay] = [out.x - from.x, out.y - from.y];
  const [bx, by] = [into.x - out.x, into.y - out.y];
  const [cx, cy] = [to.x - into.x, to.y - into.y];
  return (t) => {
    const u = 1 - t;
    const [wa, wb, wc] = [3 * u * u, 6 * u * t, 3 * t * t];
    const x = wa * ax + wb * bx + wc * cx;
    const y = wa * ay + wb * by + wc * cy;
    return Math.sqrt(x * x + y * y);
  };
}

function speedIntegral(speedAt: SpeedAt, from: number, to: number): number {
  const half = (to - from) / 2;
  const middle = (from + to) / 2;
  let sum = 0;
  for (const [node, weight] of RULE)
    sum += weight * (speedAt(middle - half * node) + speedAt(middle + half * node));
  return half * sum;
}

function adaptive(speedAt: SpeedAt, from: number, to: number, whole: number, depth: number): number {
  const middle = (from + to) / 2;
  const left = speedIntegral(speedAt, from, middle);
  const right = speedIntegral(speedAt, middle, to);
  if (depth === 0 || Math.abs(left + right - whole) <= 1e-12 * (left + right)) return left + right;
  return adaptive(speedAt, from, middle, left, depth - 1) + adaptive(speedAt, middle, to, right, depth - 1);
}

const lengthOfCubic = remembered((segment: CubicSegment): number => {
  // Where the curve turns back it may have a cusp, at which the speed is not smooth: cut it there.
  const cuts = [0, ...extremaOf(segment), 1].sort((a, b) => a - b);
  const speedAt = speedOf(segment);
  return cuts.slice(1).reduce((sum, to, k) => {
    const from = cuts[k] ?? 0;
    return sum + adaptive(speedAt, from, to, speedIntegral(speedAt, from, to), 18);
  }, 0);
});

/** The length along a segment: exact for lines and arcs, within 1e-10 of its size for cubics. */
export function arcLength(segment: Segment): number {
  switch (segment.kind) {
    case 'line':
      return distance(segment.from, segment.to);
    case 'arc':
      return segment.radius * Math.abs(segment.sweep);
    case 'cubic':
      return lengthOfCubic(segment);
  }
}

export const pathLength = (path: Path): number =>
  path.segments.reduce((sum, segment) => sum + arcLength(segment), 0);

/** The length of a path from its start to a parameter of one of its segments. */
export const lengthUntil = ({ segments }: Path, index: number, t: number): number =>
  segments.slice(0, index).reduce((sum, each) => sum + arcLength(each), 0) +
  (segments[index] && t > 0 ? arcLength(partOf(segments[index], 0, t)) : 0);
