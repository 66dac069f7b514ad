import { parameterAt } from './along';
import { arcLength, pathLength } from './length';
import { partOf } from './part';
import type { Path } from './path';
import type { Segment } from './segment';

/** The piece of a path between two lengths from its start, as an open path; what is past its ends is left out. */
export function pieceAlong({ segments }: Path, from: number, to: number): Path {
  const pieces: Segment[] = [];
  let before = 0;
  for (const segment of segments) {
    const whole = arcLength(segment);
    const [a, b] = [Math.max(0, from - before), Math.min(whole, to - before)];
    if (b - a > 1e-12 * Math.max(1, whole))
      pieces.push(partOf(segment, parameterAt(segment, a, whole), parameterAt(segment, b, whole)));
    before += whole;
  }
  return { closed: false, segments: pieces };
}

/**
 * The dashes of a path: lengths drawn and left out in turn, again and again, as SVG 2's `stroke-dasharray` has them (an odd list
 * is taken twice).
 */
export function dashesOf(path: Path, pattern: readonly number[]): Path[] {
  const list = pattern.length % 2 === 1 ? [...pattern, ...pattern] : pattern;
  const period = list.reduce((sum, each) => sum + each, 0);
  if (list.length === 0 || !(period > 0)) return [path];
  const length = pathLength(path);
  const dashes: Path[] = [];
  for (let at = 0, k = 0; at < length; k += 1) {
    const next = at + (list[k % list.length] ?? 0);
    if (k % 2 === 0 && next > at) dashes.push(pieceAlong(path, at, Math.min(next, length)));
    at = next;
  }
  return dashes.filter(({ segments }) => segments.length > 0);
}
