import { NO_RESULTS, type Results } from '@/core/derive';
import { type Figure, type MergeJob, wholeSteps } from '@/core/figure';
import type { MergeResult } from '@/core/merge';
import type { SavedFigure } from '@/protocol';
import { type History, historyOf } from '../history';

export interface MergeState {
  readonly job: MergeJob;
  /** With the cells behind its outline counted; while something is dragged they are not. */
  readonly counted: boolean;
  readonly running: boolean;
  /** From 0 to 1, once it takes long enough to be worth telling. */
  readonly progress: number | null;
  readonly result: MergeResult | null;
  /** Why there is no result: a sentence. */
  readonly problem: string | null;
}

/** The figure, its history, and what was worked out of it. */
export interface DocumentSlice {
  readonly id: string;
  readonly history: History;
  /** The figure as it looks during a drag, before it becomes a step. */
  readonly live: Figure | null;
  /** What a drag is about to show, once its outlines are worked out. */
  readonly wanted: Figure | null;
  readonly merges: ReadonlyMap<string, MergeState>;
  /** What is known of outlines that take work. */
  readonly results: Results;
}

export const startDocument = (saved: SavedFigure): DocumentSlice => ({
  id: saved.id,
  history: historyOf(wholeSteps(saved.steps), saved.step),
  live: null,
  wanted: null,
  merges: new Map(),
  results: NO_RESULTS,
});
