import type { ArrangedPath, Symmetry } from '@/core/arrangement';
import {
  type Affine,
  boundsOfPaths,
  compose,
  distance,
  isIdentity,
  lengthOf,
  mapPath,
  MIRROR,
  type Path,
  samePath,
  turnMap,
} from '@/core/curve';
import { addTurns, gcd, multiplyTurn, negateTurn, turn, type Turn } from '@/core/number';
import type { MergeOperand, MergeShape } from './merge';

/** An operand's part in an arrangement. */
interface Member {
  readonly operand: number;
}

export interface Arranged extends Symmetry {
  readonly paths: readonly ArrangedPath[];
  /** Copy sets of operands that the shared symmetry does not make of one another. */
  readonly members: readonly Member[];
  /** For each operand, how many elements of its own symmetry make the same copy. */
  readonly coinciding: readonly number[];
  /** For each operand, how many different copies it has. */
  readonly copies: readonly number[];
}

const isWhole = (t: Turn, parts: number): boolean => (t.num * parts) % t.den === 0;

/** The radius of a closed path that is one circle about the centre; null for any other. */
function circleRadius(path: Path, tolerance: number): number | null {
  const [first] = path.segments;
  if (first?.kind !== 'arc' || !path.closed) return null;
  const sweep = path.segments.reduce((sum, s) => sum + (s.kind === 'arc' ? s.sweep : NaN), 0);
  const about = path.segments.every((s) => s.kind === 'arc' && lengthOf(s.centre) <= tolerance);
  return about && Math.abs(Math.abs(sweep) - 2 * Math.PI) < 1e-9 ? first.radius : null;
}

const sameCurve = (a: Path, b: Path, tolerance: number): boolean => {
  const radius = circleRadius(a, tolerance);
  if (radius === null) return samePath(a, b, tolerance);
  const other = circleRadius(b, tolerance);
  return other !== null && Math.abs(other - radius) <= tolerance;
};

/** True where a map takes a motif to itself, path by path in any order. */
function isMapped(paths: readonly Path[], map: Affine, tolerance: number): boolean {
  const left = [...paths];
  return paths.every((path) => {
    const image = mapPath(path, map);
    const found = left.findIndex((other) => sameCurve(image, other, tolerance));
    if (found >= 0) left.splice(found, 1);
    return found >= 0;
  });
}

/** The sum of all nodes: a turn or reflection that keeps the motif keeps it. */
function nodeSum(paths: readonly Path[], tolerance: number): { x: number; y: number; count: number } {
  const sum = { x: 0, y: 0, count: 0 };
  for (const path of paths) {
    if (circleRadius(path, tolerance) !== null) continue;
    for (const { from } of path.segments) {
      sum.x += from.x;
      sum.y += from.y;
      sum.count += 1;
    }
  }
  return sum;
}

/** How many elements of C_n or D_n (its axis straight up) take a motif to itself: the order of its stabilizer. */
export function stabilizerOrder(paths: readonly Path[], { fold, mirror }: Symmetry): number {
  if (fold === 1 && !mirror) return 1;
  const box = boundsOfPaths(paths);
  const size = Math.max(Math.abs(box.left), Math.abs(box.right), Math.abs(box.top), Math.abs(box.bottom));
  const tolerance = 1e-8 * size;
  const sum = nodeSum(paths, tolerance);
  const slack = tolerance * (sum.count + 1);
  let order = 1;
  if (Math.hypot(sum.x, sum.y) <= slack) {
    for (let parts = fold; parts > 1; parts -= 1) {
      if (fold % parts !== 0 || !isMapped(paths, turnMap(turn(1, parts)), tolerance)) continue;
      order = parts;
      break;
    }
  }
  if (!mirror) return order;
  // Reflections that keep the motif differ by its turns, so one in n / order of them tells.
  for (let k = 0; k < fold / order; k += 1) {
    const map = compose(turnMap(turn(k, fold)), MIRROR);
    const image = { x: map.a * sum.x + map.c * sum.y, y: map.b * sum.x + map.d * sum.y };
    if (distance(image, sum) <= 2 * slack && isMapped(paths, map, tolerance)) return 2 * order;
  }
  return order;
}

/**
 * Puts operands of any folds into one arrangement: under the symmetry they share, which is that of the greatest
 * common divisor of their folds, an operand of q times that fold takes part with q copies of its own.
 * @param within at most this symmetry is shared
 */
export function arrangeOperands(
  operands: readonly MergeOperand[],
  lines: boolean,
  within?: Symmetry,
): Arranged {
  const fold = operands.reduce((common, operand) => gcd(common, operand.fold), within?.fold ?? 0) || 1;
  const start = operands[0]?.start ?? turn(0);
  const against = operands.map((operand) => addTurns(operand.start, negateTurn(start)));
  const mirror =
    (within?.mirror ?? true) &&
    operands.every((operand, k) => operand.mirror && isWhole(against[k] as Turn, 2 * operand.fold));
  const paths: ArrangedPath[] = [];
  const members: Member[] = [];
  const coinciding: number[] = [];
  const copies: number[] = [];
  operands.forEach((operand, index) => {
    const own = operand.shapes.flatMap((shape) => arrangedOf(shape, lines));
    const put = (map: Affine): void => {
      const member = members.push({ operand: index }) - 1;
      for (const { contours, rule } of own)
        paths.push({
          contours: isIdentity(map) ? contours : contours.map((path) => mapPath(path, map)),
          rule,
          member,
        });
    };
    for (let k = 0; k < operand.fold / fold; k += 1) {
      const map = turnMap(addTurns(against[index] as Turn, multiplyTurn(turn(1, operand.fold), k)));
      put(map);
      if (operand.mirror && !mirror) put(compose(map, MIRROR));
    }
    const all = own.flatMap(({ contours }) => contours);
    const same = all.length === 0 ? 1 : stabilizerOrder(all, operand);
    coinciding.push(same);
    copies.push(((operand.mirror ? 2 : 1) * operand.fold) / same);
  });
  return { fold, mirror, paths, members, coinciding, copies };
}

/** A shape as what covers and, where lines count, as lines. */
function arrangedOf({ paths, rule }: MergeShape, lines: boolean): Omit<ArrangedPath, 'member'>[] {
  const drawn = paths.filter(({ segments }) => segments.length > 0);
  const closed = drawn.filter((path) => path.closed);
  const open = drawn.filter((path) => !path.closed);
  return [
    ...(closed.length > 0 ? [{ contours: closed, rule }] : []),
    ...(lines && open.length > 0 ? [{ contours: open, rule: 'line' as const }] : []),
  ];
}
