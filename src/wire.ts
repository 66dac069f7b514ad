import type { Run } from './core/words/run';
import type { Figure } from './core/figure/model';
import type { StoredStep } from './core/figure/patches';

/** A header that no form and no foreign page can send without being asked about it first; the server changes nothing without it. */
export const OWN_HEADER = 'x-cyclogon';

/** What the browser and the server tell each other. */
export interface FigureSummary {
  readonly id: string;
  readonly name: string;
  /** Goes up by one with every save. */
  readonly revision: number;
  /** ISO 8601, UTC. */
  readonly updatedAt: string;
}

/** How many figures the Shelf asks for at once. */
export const PAGE_SIZE = 60;

/** Some of the figures that are looked for, in their order. */
export interface FigurePage {
  /** How many there are in all. */
  readonly total: number;
  readonly figures: readonly FigureSummary[];
}

export interface HistoryStep {
  readonly position: number;
  readonly label: string;
  readonly figure: Figure;
}

export interface SavedFigure extends FigureSummary {
  readonly figure: Figure;
  /** The position in history that is shown; later ones are what redo goes to. */
  readonly step: number;
  /** The last part of the history, the first of it whole; earlier steps are fetched when needed. */
  readonly steps: readonly StoredStep[];
}

export interface SaveRequest {
  /** The revision that the changes were made to. */
  readonly base: number;
  readonly step: number;
  /**
   * New steps, in order; those that stood at their positions and after are replaced. The first is whole or what changed from the step
   * before it that the server has.
   */
  readonly steps: readonly StoredStep[];
}

/** A face that words can be set in. */
export interface FaceName {
  readonly id: string;
  readonly name: string;
}

/** A line of text as outlines, and the characters that its face does not have. */
export interface ShapedWords {
  readonly run: Run;
  readonly missing: readonly string[];
}

/** A picture that the server keeps, by its id; its size in pixels. */
export interface StoredPicture {
  readonly id: string;
  readonly width: number;
  readonly height: number;
}
