import type { StoreApi } from 'zustand';

import type { Results } from '@/core/derive';
import type { HandleSide, PathNode, Point } from '@/core/curve';
import type { CellReach, Figure, MergeJob } from '@/core/figure';
import type { StampPart } from '@/core/figure/commands';
import type { StampParams, StockId, Transform } from '@/core/maker';
import type { CellGroup, MergeResult } from '@/core/merge';
import type { Turn } from '@/core/number';
import type { Paint, Stroke } from '@/core/scene';
import type { Placement, SnapKind, Snapped } from '@/core/symmetry';
import type { ChosenFold, ReadPicture } from '@/core/picture';
import { figureOf, type History } from './history';
import type { View } from './viewport';
import type { Stage } from './stages';
import type { ToolId } from './tools';

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
  readonly roundId: string;
  readonly shapeIds: ReadonlySet<string>;
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

/** What shapes are turned, scaled and so on about. */
type Pivot = 'centre' | 'middle' | 'node' | 'point';

export interface TransformOptions {
  readonly kind: Transform['kind'];
  /** Moves are given by length and direction. */
  readonly polar: boolean;
  /** In the figure's unit; by length and degrees where it is given so. */
  readonly by: Point;
  readonly angle: Turn;
  /** In percent. */
  readonly scale: Point;
  /** The direction of what is reflected in. */
  readonly line: Turn;
  readonly pivot: Pivot;
  readonly times: number;
}

/** The lane is a part of the Bench in which a strip lies straight. */
export type PaneId = 'bench' | 'whole' | 'lane';

/** A path that is being drawn click by click, in motif coordinates. */
interface PathDraft {
  readonly nodes: readonly PathNode[];
  /** Where the next node would go. */
  readonly next: Point | null;
}

/** What the pointer is at, in motif coordinates, for the readout. */
interface PointerAt {
  readonly pane: PaneId;
  readonly snapped: Snapped;
  /** Which of how many candidates was taken; the Tab key goes on to the next. */
  readonly which: number;
  readonly of: number;
}

/** What a step of the way to a first figure compares with. */
export interface GuideStart {
  readonly figure: Figure;
  readonly shapes: number;
  readonly fold: number;
  readonly isMerged: boolean;
  readonly stage: Stage;
  readonly handedOut: number;
}

interface Picking {
  /** What the point is for, in words. */
  readonly what: string;
  readonly take: (p: Point) => void;
  /** True where nothing is caught. */
  readonly free?: boolean;
  /** Points that were clicked before for the same, in motif coordinates: from, to, from, to. */
  readonly marks?: readonly Point[];
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
  readonly roundId: string;
  readonly ids: ReadonlySet<string>;
}

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

export type SaveState =
  | { readonly kind: 'saved'; readonly at: string }
  | { readonly kind: 'waiting' }
  | { readonly kind: 'failing'; readonly message: string }
  | { readonly kind: 'conflict'; readonly message: string }
  /** The figure is no longer on the Shelf. */
  | { readonly kind: 'gone'; readonly message: string };

export interface EditorState {
  readonly id: string;
  readonly revision: number;
  readonly history: History;
  /** The figure as it looks during a drag, before it becomes a step. */
  readonly live: Figure | null;
  /** What a drag is about to show, once its outlines are worked out. */
  readonly wanted: Figure | null;
  /** A step whose outlines are being worked out; null where none is. Nothing else is done meanwhile. */
  readonly working: {
    readonly label: string;
    /** From 0 to 1, once it takes long enough to be worth telling. */
    readonly progress: number | null;
  } | null;
  readonly selection: Selection;
  readonly stage: Stage;
  /** Which of the three levels the panel shows; that of shapes only while some are selected. */
  readonly level: Level;
  /** Groups whose shapes the list of the motif does not show. */
  readonly closed: ReadonlySet<string>;
  readonly tool: ToolId;
  /** What was in hand before the eyedropper. */
  readonly toolBefore: ToolId;
  readonly draft: PathDraft | null;
  readonly pointer: PointerAt | null;
  /** The copy that is being edited in Whole. */
  readonly active: Placement;
  readonly snapOn: ReadonlySet<SnapKind>;
  /** How often Tab was pressed at this place to catch something else. */
  readonly snapTurn: number;
  /** A click that is waited for. */
  readonly picking: Picking | null;
  readonly importing: Importing | null;
  readonly rereading: RereadShapes | null;
  /** What was read of pictures that are or were laid under the Bench. */
  readonly seen: ReadonlyMap<string, SeenPicture>;
  /** A symmetry that was offered for what is drawn, and not taken. */
  readonly refusedOffer: string | null;
  /** A point that a transform is about, where it was clicked or typed. */
  readonly pivot: Point | null;
  /** How the panel transforms next; it stays from selection to selection. */
  readonly transform: TransformOptions;
  /** How far an arrow key moves, in the figure's unit. */
  readonly nudge: number;
  readonly ghosts: boolean;
  readonly outlines: boolean;
  /** The artwork alone, without what is drawn over it. */
  readonly quiet: boolean;
  /** What Whole shows of the round's turning: its wedge, all rays, or nothing. */
  readonly marks: 'wedge' | 'rays' | 'nothing';
  /** Counts up each time the figure is shown copy by copy; 0 while it is not. */
  readonly reveal: number;
  readonly wide: PaneId | null;
  /** Null shows all of it. */
  readonly views: Readonly<Record<PaneId, View | null>>;
  readonly sizes: Readonly<Record<PaneId, { width: number; height: number }>>;
  readonly merges: ReadonlyMap<string, MergeState>;
  /** What is known of outlines that take work. */
  readonly results: Results;
  readonly save: SaveState;
  /** Sides of the next polygon. */
  readonly lastSides: number;
  /** The paint at hand: of the next shape, and of the Paint tool. */
  readonly paint: Paint | null;
  /** The stroke at hand: of the next line, where it was given one. */
  readonly line: Stroke | null;
  /** What a colour of the palette is given to beside the tools. */
  readonly paintSide: 'fill' | 'stroke';
  /** What was copied to be given to other things. */
  readonly copiedPaint: Paint | null;
  /** Why the last step was not taken; a new object each time. */
  readonly refusal: { readonly message: string } | null;
  /** The space key is down: a drag moves the view. */
  readonly panning: boolean;
  /** How tools draw that can in more ways than one. */
  readonly ways: {
    readonly line: 'straight' | 'arc';
    /** Three points of an arc: as they lie along it, or its ends first. */
    readonly arc: 'along' | 'ends';
    readonly ellipse: 'centre' | 'diameter' | 'points';
    readonly polygon: 'polygon' | 'star';
    readonly circles: 'ring' | 'lattice';
  };
  /** Points that were clicked of an arc or circle through three, in motif coordinates. */
  readonly spots: readonly Point[];
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
  /** What a stroke over cells reaches. */
  readonly cellReach: CellReach;
  /** Cells that light up: all that are reached, and those right under the pointer. */
  readonly lit: {
    readonly refs: readonly string[];
    readonly own: readonly string[];
    readonly kind: CellGroup | null;
  } | null;
  /** What was measured last, in motif coordinates. */
  readonly measured: { readonly pane: PaneId; readonly from: Point; readonly to: Point } | null;
  /** Where keys alone draw, in motif coordinates; null where no cross-hair is shown. */
  readonly cross: Point | null;
  /** The step of the way to a first figure, and what was there when it began; null where nobody is led. */
  readonly guide: { readonly step: number; readonly begun: GuideStart } | null;
  /** How many files were handed out since the editor was opened. */
  readonly handedOut: number;
  /** What is selected of a strip, or drawn next, was taken in the lane: it is worked on as it lies straight. */
  readonly laid: boolean;
  /** The drawer of motifs is open in place of the panel. */
  readonly drawer: boolean;
  /** The history is looked at in place of the panes: nothing is drawn meanwhile. */
  readonly past: boolean;
  /** In how many other windows the figure is open. */
  readonly others: number;
  /** A box that is being drawn to select by, in pixels of its pane. */
  readonly box: { readonly pane: PaneId; readonly from: Point; readonly to: Point } | null;
}

export type Editor = StoreApi<EditorState>;

/** The figure on the screen. */
export const shownFigure = (state: EditorState): Figure => state.live ?? figureOf(state.history);
