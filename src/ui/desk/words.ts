import type { Round } from '@/core/figure';
import { type EditorState, hasNothingToMerge, mergesOfRound } from '@/state';

/** A count with its word. */
export const plural = (count: number, one: string, many: string): string =>
  `${count} ${count === 1 ? one : many}`;

/** What stands where the facts of a merge will be, or why they will not. */
export function notYet(state: EditorState, round: Round): string {
  if (!round.visible) return 'hidden';
  if (hasNothingToMerge(state, round)) return 'none';
  return mergesOfRound(state, round.id).some(({ problem }) => problem) ? 'not made' : 'being worked out';
}

/** Numbers that differ by less than a field shows are the same. */
const SAME = 5e-5;

/** The number that all things have; null where they differ. */
export function common<T>(things: readonly T[], numberOf: (thing: T) => number): number | null {
  const [first = 0, ...others] = things.map(numberOf);
  return others.every((other) => Math.abs(other - first) < SAME) ? first : null;
}
