import {
  add,
  boundsOfPaths,
  crossingsOf,
  distance,
  line,
  partOf,
  type Path,
  type Point,
  polygonPath,
  scaleBy,
  type Segment,
  subtract,
} from '@/core/curve';
import { taskOf, type Work } from '@/core/derive';
import { valueOr } from '@/core/finding';
import { NO_TURN } from '@/core/number';
import type { MergeOperand, MergeRequest } from './merge';
import { MERGED } from './tasks';

/** A path as an operand of its own, without copies. */
export const alone = (path: Path): MergeOperand => ({
  fold: 1,
  mirror: false,
  start: NO_TURN,
  shapes: [{ paths: [path], rule: 'nonzero' }],
});

/** An open path cut wherever the line crosses it. */
function slitOpen({ segments }: Path, knife: Segment): Path[] {
  const pieces: Segment[][] = [[]];
  for (const segment of segments) {
    const cuts = [0, ...crossingsOf(segment, knife).map(({ s }) => s), 1];
    cuts.slice(1).forEach((to, k) => {
      const from = cuts[k] ?? 0;
      if (to - from > 1e-12) pieces[pieces.length - 1]?.push(partOf(segment, from, to));
      if (k < cuts.length - 2) pieces.push([]);
    });
  }
  return pieces.filter((list) => list.length > 0).map((list) => ({ closed: false, segments: list }));
}

/**
 * A path cut along the straight line through two points, which has no ends: a closed path into closed pieces on
 * either side, their curves kept, an open one at its crossings. One that the line does not cut comes back as it is, and so does
 * one whose pieces are still worked out.
 */
export function slitPath(path: Path, from: Point, to: Point, work: Work): Path[] {
  const box = boundsOfPaths([path]);
  const size = Math.max(box.right - box.left, box.bottom - box.top, 1e-9);
  const middle = { x: (box.left + box.right) / 2, y: (box.top + box.bottom) / 2 };
  const way = scaleBy(subtract(to, from), 1 / distance(from, to));
  const across = { x: -way.y, y: way.x };
  const off = subtract(middle, from);
  const foot = add(from, scaleBy(way, off.x * way.x + off.y * way.y));
  const [a, b] = [add(foot, scaleBy(way, -3 * size)), add(foot, scaleBy(way, 3 * size))];
  const knife = line(a, b);
  if (!path.segments.some((segment) => crossingsOf(segment, knife).length > 0)) return [path];
  if (!path.closed) return slitOpen(path, knife);
  const side = (sign: number): Path[] => {
    const far = scaleBy(across, 6 * sign * size);
    const half = polygonPath([a, b, add(b, far), add(a, far)]);
    const request: MergeRequest = {
      op: 'intersection',
      among: 'operands',
      operands: [alone(path), alone(half)],
    };
    return valueOr(work.ask(taskOf(MERGED, request)), []).flat();
  };
  const pieces = [...side(1), ...side(-1)];
  return pieces.length > 1 ? pieces : [path];
}
