import type { Round } from '@/core/figure/model';
import type { EditorState } from '@/state/editor';
import { mergesOfRound } from '@/state/merges';

/** A count with its word. */
export const plural = (count: number, one: string, many: string): string =>
  `${count} ${count === 1 ? one : many}`;

/** What stands where the facts of a merge will be, or why they will not. */
export const notYet = (state: EditorState, round: Round): string =>
  mergesOfRound(state, round.id).some(({ problem }) => problem) ? 'not made' : 'being worked out';
