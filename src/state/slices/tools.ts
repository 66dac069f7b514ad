import type { PathNode, Point } from '@/core/curve';
import type { CellReach } from '@/core/figure';
import type { Transform } from '@/core/maker';
import { type Turn, turn } from '@/core/number';
import type { Paint, Stroke } from '@/core/scene';
import { SNAP_KINDS, type SnapKind } from '@/core/symmetry';
import type { ToolId } from '../tools';
import type { PaneId } from './view';

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

/** A path that is being drawn click by click, in motif coordinates. */
interface PathDraft {
  readonly nodes: readonly PathNode[];
  /** Where the next node would go. */
  readonly next: Point | null;
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

const START_TRANSFORM: TransformOptions = {
  kind: 'rotate',
  polar: false,
  by: { x: 0, y: 0 },
  angle: turn(1, 12),
  scale: { x: 100, y: 100 },
  line: turn(0),
  pivot: 'centre',
  times: 1,
};

/** The tool at hand, the paint at hand, and what is half drawn with them. */
export interface ToolSlice {
  readonly tool: ToolId;
  /** What was in hand before the eyedropper. */
  readonly toolBefore: ToolId;
  readonly draft: PathDraft | null;
  /** Points that were clicked of an arc or circle through three, in motif coordinates. */
  readonly spots: readonly Point[];
  /** A click that is waited for. */
  readonly picking: Picking | null;
  /** A point that a transform is about, where it was clicked or typed. */
  readonly pivot: Point | null;
  /** How the panel transforms next; it stays from selection to selection. */
  readonly transform: TransformOptions;
  /** The paint at hand: of the next shape, and of the Paint tool. */
  readonly paint: Paint | null;
  /** The stroke at hand: of the next line, where it was given one. */
  readonly line: Stroke | null;
  /** What a colour of the palette is given to beside the tools. */
  readonly paintSide: 'fill' | 'stroke';
  readonly snapOn: ReadonlySet<SnapKind>;
  /** How often Tab was pressed at this place to catch something else. */
  readonly snapTurn: number;
  /** How tools draw that can in more ways than one. */
  readonly ways: {
    readonly line: 'straight' | 'arc';
    /** Three points of an arc: as they lie along it, or its ends first. */
    readonly arc: 'along' | 'ends';
    readonly ellipse: 'centre' | 'diameter' | 'points';
    readonly polygon: 'polygon' | 'star';
    readonly circles: 'ring' | 'lattice';
  };
  /** What a stroke over cells reaches. */
  readonly cellReach: CellReach;
  /** What was measured last, in motif coordinates. */
  readonly measured: { readonly pane: PaneId; readonly from: Point; readonly to: Point } | null;
  /** Where keys alone draw, in motif coordinates; null where no cross-hair is shown. */
  readonly cross: Point | null;
  /** A box that is being drawn to select by, in pixels of its pane. */
  readonly box: { readonly pane: PaneId; readonly from: Point; readonly to: Point } | null;
  /** The space key is down: a drag moves the view. */
  readonly panning: boolean;
}

export const startTools = (): ToolSlice => ({
  tool: 'select',
  toolBefore: 'select',
  draft: null,
  spots: [],
  picking: null,
  pivot: null,
  transform: START_TRANSFORM,
  paint: null,
  line: null,
  paintSide: 'fill',
  snapOn: new Set(SNAP_KINDS),
  snapTurn: 0,
  ways: { line: 'straight', arc: 'along', ellipse: 'centre', polygon: 'polygon', circles: 'ring' },
  cellReach: 'kind',
  measured: null,
  cross: null,
  box: null,
  panning: false,
});
