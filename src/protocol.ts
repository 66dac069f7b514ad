/** What the browser and the server tell each other: the forms of requests and answers. */
import type { Run } from '@/core/words';
import type { Figure, StoredStep } from '@/core/figure';

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
  /** Words that a person gave it, in order. */
  readonly labels?: readonly string[];
  /** The id of the collection that it lies in. */
  readonly collection?: string;
  /** When it was put in the Bin. */
  readonly binnedAt?: string;
}

/** What figures are put in order by on the Shelf. */
export const SORTS = ['changed', 'made', 'name', 'fold'] as const;
export type Sort = (typeof SORTS)[number];

/** Which figures are looked for. */
export interface ShelfQuery {
  /** Each word has to begin one of a figure's: of its name, labels, collection, folds, colours, or of what is in it. */
  readonly search: string;
  readonly collection?: string;
  readonly label?: string;
  readonly sort: Sort;
  /** Those in the Bin, in place of those on the Shelf. */
  readonly binned: boolean;
}

export const ALL_FIGURES: ShelfQuery = { search: '', sort: 'changed', binned: false };

/** Days that a figure lies in the Bin before it is gone for good. */
export const BIN_DAYS = 30;

export interface Collection {
  readonly id: string;
  readonly name: string;
  readonly count: number;
}

/** What the Shelf has besides figures. */
export interface ShelfFacts {
  readonly total: number;
  readonly binned: number;
  readonly collections: readonly Collection[];
  readonly labels: readonly { readonly label: string; readonly count: number }[];
  /** In how many windows figures are open, by their ids. */
  readonly open: Readonly<Record<string, number>>;
  /** Another one as soon as anything is. */
  readonly stamp: string;
}

/** A change to several figures at once. */
export type ShelfChange =
  | { readonly do: 'bin' | 'putBack' | 'duplicate' | 'destroy'; readonly ids: readonly string[] }
  | { readonly do: 'label' | 'unlabel'; readonly ids: readonly string[]; readonly label: string }
  | { readonly do: 'collect'; readonly ids: readonly string[]; readonly collection: string | null };

/** One step in the list of a figure's history. */
export interface HistoryEntry {
  readonly position: number;
  readonly label: string;
  /** When it was saved: ISO 8601, UTC. */
  readonly at: string;
}

/** A state of a figure that stays, whatever happens to its steps: named by a person, or left behind when work went on from an earlier step. */
export interface VersionEntry {
  readonly id: string;
  readonly name: string;
  readonly at: string;
  readonly kind: 'named' | 'left';
}

export interface FigureHistory {
  readonly step: number;
  readonly revision: number;
  /** The first first. */
  readonly steps: readonly HistoryEntry[];
  /** The newest first. */
  readonly versions: readonly VersionEntry[];
}

/** What came of a backup that was taken in: figures that were put on the Shelf, and those that were there already. */
export interface TakenBackup {
  readonly added: number;
  readonly same: number;
}

/** How long steps of histories stay as they are, in days. */
export interface ThinningRules {
  /** All steps stay this long; for ever without a number. */
  readonly all: number | null;
  /** After that the last of each hour stays this long; after that the last of each day. */
  readonly hourly: number;
}

/** A motif of the drawer, without what is in it. */
export interface MotifEntry {
  readonly id: string;
  readonly name: string;
  readonly labels: readonly string[];
  /** Goes up by one each time it is changed. */
  readonly revision: number;
  /** True for those that come with the application, which stay as they are. */
  readonly stock: boolean;
}

/** A motif with what is in it: a figure of one round. */
export interface KeptMotif extends MotifEntry {
  readonly figure: Figure;
}

/** Motifs as a file. */
export const MOTIF_SET = 'cyclogon-motifs';
export interface MotifSet {
  readonly format: typeof MOTIF_SET;
  readonly version: 1;
  readonly motifs: readonly {
    readonly name: string;
    readonly labels: readonly string[];
    readonly figure: Figure;
  }[];
}

/** A state of a figure: one of its steps, or a version; as it is without either. */
export interface StateRef {
  readonly step?: number;
  readonly version?: string;
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
  /** The save that made this revision; null where it came from no window. */
  readonly savedBy: SaveId | null;
}

/** A save: of a window, counted from 1. */
export interface SaveId {
  readonly window: string;
  readonly number: number;
}

/** Saves of a window, both ends among them. */
export interface SaveRange {
  readonly window: string;
  readonly from: number;
  readonly to: number;
}

/** True where a save is one of some. */
export const isAmong = (save: SaveId | null, ranges: readonly SaveRange[]): boolean =>
  save !== null &&
  ranges.some(({ window, from, to }) => window === save.window && from <= save.number && save.number <= to);

export interface SaveRequest {
  /** By which it is known again where its answer is lost. */
  readonly by?: SaveId;
  /** Saves before it that were not answered: where one of them made the present revision, that is no change from elsewhere. */
  readonly unanswered?: readonly SaveRange[];
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
