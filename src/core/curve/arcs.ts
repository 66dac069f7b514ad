/**
 * Curves followed by circular arcs, for machines that know lines and arcs alone.
 *
 * @example
 * const arcs = arcsAlong(cubic, 0.01); // arcs and lines end to end, nowhere farther from the curve than a hundredth
 */
import { distance } from './point';
import { nearestOnPath } from './nearest';
import {
  arcFromBulge,
  pointAt,
  splitAt,
  type ArcSegment,
  type CubicSegment,
  type LineSegment,
} from './segment';
import { bulgeThrough } from './threePoints';

/** A curve is not cut finer than this many times in halves. */
const DEEPEST = 12;

/** Where it is looked at how far an arc is from its curve. */
const SPOTS = [0.15, 0.3, 0.4, 0.6, 0.7, 0.85];

/**
 * Arcs and lines from one end of a cubic to the other: each through the ends and the middle of a part of it, halved until it is near enough.
 * @param tolerance in the figure's unit
 */
export function arcsAlong(curve: CubicSegment, tolerance: number, deep = 0): (ArcSegment | LineSegment)[] {
  const bulge = bulgeThrough(curve.from, pointAt(curve, 0.5), curve.to);
  const arc = arcFromBulge(curve.from, curve.to, bulge);
  const off = SPOTS.map((t) => pointAt(curve, t)).reduce(
    (most, p) => Math.max(most, nearestOnPath({ closed: false, segments: [arc] }, p)?.distance ?? 0),
    0,
  );
  // More than a quarter of a circle in one arc is no following.
  const isLong = arc.kind === 'arc' && Math.abs(arc.sweep) > Math.PI / 2;
  if (deep >= DEEPEST || (off <= tolerance && !isLong) || distance(curve.from, curve.to) === 0) return [arc];
  return splitAt(curve, 0.5).flatMap((half) =>
    half.kind === 'cubic' ? arcsAlong(half, tolerance, deep + 1) : [half],
  );
}
