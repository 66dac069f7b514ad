import type { SavedFigure, SaveId } from '@/protocol';

export type SaveState =
  | { readonly kind: 'saved'; readonly at: string }
  | { readonly kind: 'waiting' }
  | { readonly kind: 'failing'; readonly message: string }
  | { readonly kind: 'conflict'; readonly message: string }
  /** The figure is no longer on the Shelf. */
  | { readonly kind: 'gone'; readonly message: string };

/** What becomes of the figure: whether it is saved, what is being worked out, and what was not taken. No pane shows it. */
export interface SavingSlice {
  readonly revision: number;
  /** The save that made the revision which was opened; null where it came from no window. */
  readonly openedAfter: SaveId | null;
  readonly save: SaveState;
  /** A step whose outlines are being worked out; null where none is. Nothing else is done meanwhile. */
  readonly working: {
    readonly label: string;
    /** From 0 to 1, once it takes long enough to be worth telling. */
    readonly progress: number | null;
  } | null;
  /** Why the last step was not taken; a new object each time. */
  readonly refusal: { readonly message: string } | null;
  /** In how many other windows the figure is open. */
  readonly others: number;
}

export const startSaving = (saved: SavedFigure): SavingSlice => ({
  revision: saved.revision,
  openedAfter: saved.savedBy,
  save: { kind: 'saved', at: saved.updatedAt },
  working: null,
  refusal: null,
  others: 0,
});
