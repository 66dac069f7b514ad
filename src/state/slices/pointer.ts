import type { CellGroup } from '@/core/merge';
import type { Snapped } from '@/core/symmetry';
import type { PaneId } from './view';

/** What the pointer is at, in motif coordinates, for the readout. */
interface PointerAt {
  readonly pane: PaneId;
  readonly snapped: Snapped;
  /** Which of how many candidates was taken; the Tab key goes on to the next. */
  readonly which: number;
  readonly of: number;
}

/** What follows the pointer while nothing is pressed. */
export interface PointerSlice {
  readonly pointer: PointerAt | null;
  /** Cells that light up: all that are reached, and those right under the pointer. */
  readonly lit: {
    readonly refs: readonly string[];
    readonly own: readonly string[];
    readonly kind: CellGroup | null;
  } | null;
}

export const startPointer = (): PointerSlice => ({ pointer: null, lit: null });
