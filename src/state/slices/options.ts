import type { StampPart } from '@/core/figure/commands';
import type { ScenePage, Paint } from '@/core/scene';
import type { StampParams, StockId } from '@/core/maker';
import { startLengths } from '../startLengths';

/** What tools are set to, of which nothing is drawn before they are used. */
export interface OptionsSlice {
  /** How far an arrow key moves, in the figure's unit. */
  readonly nudge: number;
  /** Sides of the next polygon. */
  readonly lastSides: number;
  /** How strokes by hand become shapes; lengths in the figure's unit, smoothing null for as close as one can see. */
  readonly hand: {
    readonly as: 'shape' | 'line';
    readonly width: number;
    readonly thinning: number;
    readonly taper: number;
    readonly smoothing: number | null;
  };
  /** What the Stamp sets along lines; lengths in the figure's unit. */
  readonly stamp: {
    /** A stock shape, or shapes of a motif as they were when they were taken. */
    readonly source: StockId | readonly StampPart[];
    /** Of a stock shape, across its longer side. */
    readonly size: number;
  } & Omit<StampParams, 'along' | 'shape'>;
  /** What was copied to be given to other things. */
  readonly copiedPaint: Paint | null;
}

/** @param page lengths begin as they suit it */
export function startOptions(page: ScenePage): OptionsSlice {
  const lengths = startLengths(page);
  return {
    nudge: lengths.nudge,
    lastSides: 6,
    hand: { as: 'shape', ...lengths.hand, thinning: 0.6, smoothing: null },
    stamp: {
      source: 'circle',
      ...lengths.stamp,
      spread: 'even',
      facing: 'path',
      sizes: 0,
      colours: 0,
      seed: 1,
    },
    copiedPaint: null,
  };
}
