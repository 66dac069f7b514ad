import type { Sources } from './sources';

const FULL = 2 * Math.PI;

/** Where a point of a segment is seen from the centre. */
export interface Polar {
  /** Clockwise on the screen from straight up, in radians, from 0 to 2π. */
  readonly angle: number;
  readonly radius: number;
}

/**
 * The angle and distance at a parameter, from the centre; within `apex` of it the angle is that of the tangent
 * towards `ahead` (1 or −1) of the parameter. The same point gives the same bits, whichever segment it ends.
 */
export function polarAt(sources: Sources, source: number, t: number, ahead: number, apex: number): Polar {
  sources.evaluateTangent(source, 0, t, ahead);
  const radius = Math.sqrt(sources.x * sources.x + sources.y * sources.y);
  const out = radius > 1e-4 * apex;
  const angle = Math.atan2(out ? sources.x : sources.dx * ahead, out ? -sources.y : -sources.dy * ahead);
  // Adding 0 turns −0 into 0.
  return { angle: (angle < 0 ? angle + FULL : angle) + 0, radius };
}

/** The way from one angle to another by less than half a turn, positive clockwise. */
export function angleBetween(from: number, to: number): number {
  const way = to - from;
  if (way > Math.PI) return way - FULL;
  return way <= -Math.PI ? way + FULL : way;
}

/** Least and greatest distance from the centre that a part of a segment may have. */
export interface Range {
  readonly low: number;
  readonly high: number;
}

/**
 * Bounds of the distance from the centre over a piece (see `cutsOf`): a cubic lies in the hull of its control
 * points, an arc within its sagitta of its chord.
 */
export function rangeOfPart(sources: Sources, source: number, t0: number, t1: number): Range {
  sources.evaluate(source, 0, t1);
  const { x: x3, y: y3, dx: bx, dy: by } = sources;
  sources.evaluate(source, 0, t0);
  const { x: x0, y: y0, dx: ax, dy: ay } = sources;
  const third = (t1 - t0) / 3;
  const cx = x3 - x0;
  const cy = y3 - y0;
  const square = cx * cx + cy * cy;
  const share = square === 0 ? 0 : Math.min(1, Math.max(0, -(x0 * cx + y0 * cy) / square));
  const away = length(x0 + cx * share, y0 + cy * share);
  // How far the control points of the part stand from its chord; more than a sagitta, for arcs of 30 degrees too.
  const bow = Math.max(
    fromChord(ax * third, ay * third, cx, cy),
    fromChord(cx - bx * third, cy - by * third, cx, cy),
  );
  return { low: away - bow, high: Math.max(length(x0, y0), length(x3, y3)) + bow };
}

const length = (x: number, y: number): number => Math.sqrt(x * x + y * y);

/** The distance of a point from the stretch between the origin and another point. */
function fromChord(px: number, py: number, cx: number, cy: number): number {
  const square = cx * cx + cy * cy;
  const share = square === 0 ? 0 : Math.min(1, Math.max(0, (px * cx + py * cy) / square));
  return length(px - cx * share, py - cy * share);
}
