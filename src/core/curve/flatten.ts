import type { Path } from './path';
import { lengthOf, subtract, type Point } from './point';
import { pointAt, type Segment } from './segment';

const MOST_CHORDS = 512;

/**
 * How many equal parameter steps keep the chords of a segment within `tolerance` of it. Arcs: the sagitta
 * r (1 − cos(φ/2)); cubics: the bound h²/8 · max|B''| with |B''| ≤ 6 · the largest second difference
 * (linear interpolation error, any numerical analysis text).
 */
function chordCount(segment: Segment, tolerance: number): number {
  if (segment.kind === 'line') return 1;
  if (segment.kind === 'arc') {
    const step = 2 * Math.acos(Math.max(0, 1 - tolerance / segment.radius));
    return Math.min(MOST_CHORDS, Math.max(2, Math.ceil(Math.abs(segment.sweep) / step)));
  }
  const first = subtract(subtract(segment.from, segment.out), subtract(segment.out, segment.in));
  const second = subtract(subtract(segment.out, segment.in), subtract(segment.in, segment.to));
  const bend = 6 * Math.max(lengthOf(first), lengthOf(second));
  return Math.min(MOST_CHORDS, Math.max(1, Math.ceil(Math.sqrt(bend / (8 * tolerance)))));
}

/** Points along a path, from its start, no chord farther from it than `tolerance`. */
export function flatten(path: Path, tolerance: number): Point[] {
  const first = path.segments[0];
  if (!first) return [];
  const points: Point[] = [first.from];
  for (const segment of path.segments) {
    const count = chordCount(segment, tolerance);
    for (let k = 1; k <= count; k += 1) points.push(pointAt(segment, k / count));
  }
  return points;
}
