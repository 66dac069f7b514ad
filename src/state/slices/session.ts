import type { Figure, Round, RoundId, ShapeId } from '@/core/figure';
import type { HandleSide } from '@/core/curve';
import { turn } from '@/core/number';
import type { ChosenFold, ReadPicture } from '@/core/picture';
import type { Placement } from '@/core/symmetry';
import type { Stage } from '../stages';

/** Instead of kinds of cells: all that is drawn of a merged round, or the lines of its motif that lie over it. */
export const WHOLE = 'whole';
export const LINES = 'lines';

/** Shapes of a round beside the one that is worked on, and the copy of it in which they were taken. */
export interface Other {
  readonly ids: ReadonlySet<string>;
  readonly placement: Placement;
}

/** What the next command will change. */
export interface Selection {
  readonly roundId: RoundId;
  readonly shapeIds: ReadonlySet<ShapeId>;
  /** Nodes of the one selected path. */
  readonly nodes: ReadonlySet<number>;
  /** The handle of the one selected node that arrow keys move; null where they move the nodes. */
  readonly handle: HandleSide | null;
  /** What is selected of other rounds, by their ids; none where it is empty. */
  readonly others: ReadonlyMap<string, Other>;
  /** Names of kinds of cells of the round (see core/figure/kinds), or `WHOLE` or `LINES`. */
  readonly kinds: ReadonlySet<string>;
}

/** What the panel is about. */
export type Level = 'page' | 'round' | 'shapes';

/** What a step of the way to a first figure compares with. */
export interface GuideStart {
  readonly figure: Figure;
  readonly shapes: number;
  readonly fold: number;
  readonly isMerged: boolean;
  readonly stage: Stage;
  readonly handedOut: number;
}

/** Artwork from elsewhere on its way into the figure. */
export interface Importing {
  /** What it is called. */
  readonly name: string;
  /** The file's text. */
  readonly text: string;
  /** The file that it came in, which may become an underlay as well. */
  readonly file: File | null;
  readonly from: 'paste' | 'drop' | 'choose';
}

/** What the symmetry of a picture was read as, and what of it is taken. */
export interface SeenPicture {
  /** What it was read in. */
  readonly pixels: { readonly width: number; readonly height: number };
  /** Null where nothing in it repeats round a point. */
  readonly read: ReadPicture | null;
  readonly chosen: ChosenFold;
}

/** Shapes of a round whose symmetry is looked at. */
export interface RereadShapes {
  readonly roundId: RoundId;
  readonly ids: ReadonlySet<string>;
}

/** What a person is at: what is selected, the stage, and what is open beside the panes. */
export interface SessionSlice {
  readonly selection: Selection;
  readonly stage: Stage;
  /** Which of the three levels the panel shows; that of shapes only while some are selected. */
  readonly level: Level;
  /** Groups whose shapes the list of the motif does not show. */
  readonly closed: ReadonlySet<string>;
  /** The copy that is being edited in Whole. */
  readonly active: Placement;
  readonly importing: Importing | null;
  readonly rereading: RereadShapes | null;
  /** What was read of pictures that are or were laid under the Bench. */
  readonly seen: ReadonlyMap<string, SeenPicture>;
  /** A symmetry that was offered for what is drawn, and not taken. */
  readonly refusedOffer: string | null;
  /** The step of the way to a first figure, and what was there when it began; null where nobody is led. */
  readonly guide: { readonly step: number; readonly begun: GuideStart } | null;
  /** How many files were handed out since the editor was opened. */
  readonly handedOut: number;
  /** The drawer of motifs is open in place of the panel. */
  readonly drawer: boolean;
  /** The history is looked at in place of the panes: nothing is drawn meanwhile. */
  readonly past: boolean;
}

const NOTHING: ReadonlySet<never> = new Set<never>();

/** Nothing selected of a round. */
export const nothingOf = (roundId: RoundId): Selection => ({
  roundId,
  shapeIds: NOTHING,
  nodes: NOTHING,
  handle: null,
  others: new Map(),
  kinds: NOTHING,
});

/** @param front the round to begin with */
export const startSession = (front: Round | undefined): SessionSlice => ({
  selection: nothingOf(front?.id ?? ''),
  stage: 'draw',
  level: 'round',
  closed: NOTHING,
  active: { turn: front?.rule.start ?? turn(0), mirrored: false },
  importing: null,
  rereading: null,
  seen: new Map(),
  refusedOffer: null,
  guide: null,
  handedOut: 0,
  drawer: false,
  past: false,
});
