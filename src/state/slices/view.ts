import type { View } from '../viewport';

/** The lane is a part of the Bench in which a strip lies straight. */
export type PaneId = 'bench' | 'whole' | 'lane';

/** Which part of the figure the panes show, and how. */
export interface ViewSlice {
  /** Null shows all of it. */
  readonly views: Readonly<Record<PaneId, View | null>>;
  readonly sizes: Readonly<Record<PaneId, { width: number; height: number }>>;
  readonly wide: PaneId | null;
  readonly ghosts: boolean;
  readonly outlines: boolean;
  /** The artwork alone, without what is drawn over it. */
  readonly quiet: boolean;
  /** What Whole shows of the round's turning: its wedge, all rays, or nothing. */
  readonly marks: 'wedge' | 'rays' | 'nothing';
  /** Counts up each time the figure is shown copy by copy; 0 while it is not. */
  readonly reveal: number;
  /** What is selected of a strip, or drawn next, was taken in the lane: it is worked on as it lies straight. */
  readonly laid: boolean;
}

export const startView = (): ViewSlice => ({
  views: { bench: null, whole: null, lane: null },
  // Until they are measured, as on a screen of 1280 by 800.
  sizes: {
    bench: { width: 385, height: 748 },
    whole: { width: 450, height: 748 },
    lane: { width: 385, height: 120 },
  },
  wide: null,
  ghosts: true,
  outlines: false,
  quiet: false,
  marks: 'wedge',
  reveal: 0,
  laid: false,
});
