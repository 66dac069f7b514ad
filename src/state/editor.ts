import { createStore, type StoreApi } from 'zustand';

import { nodesOfContours } from '../core/curve/contours';
import type { PathNode } from '../core/curve/nodes';
import { LIMITS, type Figure, type Round, type Shape } from '../core/figure/model';
import { addRound, removeRound, roundOf, type StampPart } from '../core/figure/commands';
import { newRound } from '../core/figure/start';
import type { StampNumbers } from '../core/maker/stamp';
import type { StockId } from '../core/maker/stock';
import type { MergeJob } from '../core/figure/jobs';
import type { CellGroup } from '../core/merge/fused';
import type { MergeResult } from '../core/merge/merge';
import type { Paint } from '../core/scene/scene';
import type { Placement } from '../core/symmetry/rule';
import { SNAP_KINDS, type SnapKind, type Snapped } from '../core/symmetry/snap';
import { turn } from '../core/number/turn';
import type { Point } from '../core/curve/point';
import type { SavedFigure } from '../wire';
import { figureOf, historyOf, record, redo, undo, type History } from './history';
import type { View } from './viewport';
import type { Stage } from './stages';
import type { ToolId } from './tools';

/** What the next command will change. */
interface Selection {
  readonly roundId: string;
  readonly shapeIds: ReadonlySet<string>;
  /** Nodes of the one selected path. */
  readonly nodes: ReadonlySet<number>;
}

export type PaneId = 'bench' | 'whole';

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

export interface MergeState {
  readonly job: MergeJob;
  /** Coarse while something is dragged; made again in full when it is let go. */
  readonly quality: 'full' | 'coarse';
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
  | { readonly kind: 'conflict'; readonly message: string };

export interface EditorState {
  readonly id: string;
  readonly revision: number;
  readonly history: History;
  /** The figure as it looks during a drag, before it becomes a step. */
  readonly live: Figure | null;
  readonly selection: Selection;
  readonly stage: Stage;
  readonly tool: ToolId;
  readonly draft: PathDraft | null;
  readonly pointer: PointerAt | null;
  /** The copy that is being edited in Whole. */
  readonly active: Placement;
  readonly snapOn: ReadonlySet<SnapKind>;
  /** How often Tab was pressed at this place to catch something else. */
  readonly snapTurn: number;
  /** A click that is waited for: what its point is for, in words, and who takes it. */
  readonly picking: { readonly what: string; readonly take: (p: Point) => void } | null;
  /** A point that a transform is about, where it was clicked or typed. */
  readonly pivot: Point | null;
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
  readonly save: SaveState;
  /** Sides of the next polygon. */
  readonly lastSides: number;
  /** The paint at hand: of the next shape, and of the Paint tool. */
  readonly paint: Paint | null;
  /** Why the last step was not taken; a new object each time. */
  readonly refusal: { readonly message: string } | null;
  /** The space key is down: a drag moves the view. */
  readonly panning: boolean;
  /** How tools draw that can in more ways than one. */
  readonly ways: {
    readonly line: 'straight' | 'arc';
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
  } & Omit<StampNumbers, 'along' | 'shape'>;
  /** What a stroke over cells reaches: the whole kind, or one alone. */
  readonly cellReach: 'kind' | 'one';
  /** Cells that light up: all that are reached, and those right under the pointer. */
  readonly lit: {
    readonly refs: readonly string[];
    readonly own: readonly string[];
    readonly kind: CellGroup | null;
  } | null;
  /** What was measured last, in motif coordinates. */
  readonly measured: { readonly pane: PaneId; readonly from: Point; readonly to: Point } | null;
  /** A box that is being drawn to select by, in pixels of its pane. */
  readonly box: { readonly pane: PaneId; readonly from: Point; readonly to: Point } | null;
}

export type Editor = StoreApi<EditorState>;

const NOTHING: ReadonlySet<never> = new Set<never>();

export function createEditor(saved: SavedFigure): Editor {
  const history = historyOf(saved.steps, saved.step);
  const front = saved.figure.rounds[saved.figure.rounds.length - 1];
  return createStore<EditorState>(() => ({
    id: saved.id,
    revision: saved.revision,
    history,
    live: null,
    selection: { roundId: front?.id ?? '', shapeIds: NOTHING, nodes: NOTHING },
    stage: 'draw',
    tool: 'select',
    draft: null,
    pointer: null,
    active: { turn: front?.rule.start ?? turn(0), mirrored: false },
    snapOn: new Set(SNAP_KINDS),
    snapTurn: 0,
    picking: null,
    pivot: null,
    nudge: 1,
    ghosts: true,
    outlines: false,
    quiet: false,
    marks: 'wedge',
    reveal: 0,
    wide: null,
    views: { bench: null, whole: null },
    sizes: { bench: { width: 385, height: 748 }, whole: { width: 450, height: 748 } },
    merges: new Map(),
    save: { kind: 'saved', at: saved.updatedAt },
    lastSides: 6,
    paint: null,
    refusal: null,
    panning: false,
    ways: { line: 'straight', ellipse: 'centre', polygon: 'polygon', circles: 'ring' },
    stamp: {
      source: 'circle',
      size: 4,
      spacing: 6,
      spread: 'even',
      facing: 'path',
      sizes: 0,
      colours: 0,
      seed: 1,
    },
    spots: [],
    hand: { as: 'shape', width: 4, thinning: 0.6, taper: 8, smoothing: null },
    cellReach: 'kind',
    lit: null,
    measured: null,
    box: null,
  }));
}

/** The figure on the screen. */
export const shownFigure = (state: EditorState): Figure => state.live ?? figureOf(state.history);

/** The round that is worked on; the front one where the selected one is gone, null where there is none. */
export function activeRound(state: EditorState): Round | null {
  const { rounds } = shownFigure(state);
  return rounds.find(({ id }) => id === state.selection.roundId) ?? rounds[rounds.length - 1] ?? null;
}

export const selectedShapes = (state: EditorState): Shape[] =>
  activeRound(state)?.shapes.filter(({ id }) => state.selection.shapeIds.has(id)) ?? [];

/** What a selection may still name after the figure changed under it. */
function stillThere(figure: Figure, selection: Selection): Selection {
  const round =
    figure.rounds.find(({ id }) => id === selection.roundId) ?? figure.rounds[figure.rounds.length - 1];
  const here = new Set(round?.shapes.map(({ id }) => id));
  const shapeIds = new Set([...selection.shapeIds].filter((id) => here.has(id)));
  const [only] = shapeIds;
  const shape = shapeIds.size === 1 ? round?.shapes.find(({ id }) => id === only) : undefined;
  const count = shape?.form.kind === 'path' ? nodesOfContours(shape.form.contours).length : 0;
  return {
    roundId: round?.id ?? '',
    shapeIds,
    nodes: new Set([...selection.nodes].filter((index) => index < count)),
  };
}

/** Why a figure cannot be a step, as it could not be saved; null where it can. */
function tooMuch({ rounds }: Figure): string | null {
  const full = rounds.find(({ shapes }) => shapes.length > LIMITS.shapes);
  return full
    ? `${full.name} would have ${full.shapes.length} shapes; a motif has ${LIMITS.shapes} at most. Nothing was changed.`
    : null;
}

/**
 * Makes a figure the new state of the work, as one step that can be undone. One that could not be saved is not taken: why
 * is left in `refusal`.
 */
export function commit(editor: Editor, label: string, figure: Figure, mergeKey: string | null = null): void {
  const refusal = tooMuch(figure);
  if (refusal) {
    editor.setState({ live: null, refusal: { message: refusal } });
    return;
  }
  editor.setState((state) => {
    const history = record(state.history, label, figure, mergeKey);
    return { history, live: null, selection: stillThere(figure, state.selection) };
  });
}

/** Applies a command to the figure shown, as one step. */
export const act = (
  editor: Editor,
  label: string,
  command: (figure: Figure) => Figure,
  mergeKey: string | null = null,
): void => commit(editor, label, command(figureOf(editor.getState().history)), mergeKey);

/** Shows a figure without making it a step: the middle of a drag. Null goes back to the last step. */
export const preview = (editor: Editor, figure: Figure | null): void => editor.setState({ live: figure });

export function stepBack(editor: Editor): void {
  editor.setState((state) => {
    const history = undo(state.history);
    return {
      history,
      live: null,
      draft: null,
      spots: [],
      selection: stillThere(figureOf(history), state.selection),
    };
  });
}

export function stepForward(editor: Editor): void {
  editor.setState((state) => {
    const history = redo(state.history);
    return {
      history,
      live: null,
      draft: null,
      spots: [],
      selection: stillThere(figureOf(history), state.selection),
    };
  });
}

/** Selects shapes of a round; the copy that is edited becomes the round's first unless one is named. */
export function select(
  editor: Editor,
  roundId: string,
  shapeIds: Iterable<string> = [],
  active?: Placement,
): void {
  editor.setState((state) => {
    const round = shownFigure(state).rounds.find(({ id }) => id === roundId);
    const stays = state.selection.roundId === roundId ? state.active : undefined;
    return {
      selection: { roundId, shapeIds: new Set(shapeIds), nodes: NOTHING },
      active: active ?? stays ?? { turn: round?.rule.start ?? turn(0), mirrored: false },
    };
  });
}

export const selectNodes = (editor: Editor, nodes: Iterable<number>): void =>
  editor.setState((state) => ({ selection: { ...state.selection, nodes: new Set(nodes) } }));

/** Changes the selected round by a command; nothing happens to a locked or missing one. */
export function actOnRound(
  editor: Editor,
  label: string,
  command: (figure: Figure, roundId: string) => Figure,
  mergeKey: string | null = null,
): void {
  const round = activeRound(editor.getState());
  if (!round || round.locked) return;
  act(editor, label, (figure) => command(figure, round.id), mergeKey && `${mergeKey}:${round.id}`);
}

/** Adds an empty round in front and works on it. */
export function startRound(editor: Editor, id: string): void {
  const figure = figureOf(editor.getState().history);
  const taken = new Set(figure.rounds.map(({ name }) => name));
  let number = figure.rounds.length + 1;
  while (taken.has(`Round ${number}`)) number += 1;
  const fold = activeRound(editor.getState())?.rule.fold ?? 8;
  commit(editor, 'Add round', addRound(figure, newRound(id, `Round ${number}`, fold)));
  select(editor, id);
}

/** Removes a round, if the figure has another. */
export function dropRound(editor: Editor, roundId: string): void {
  const figure = figureOf(editor.getState().history);
  if (figure.rounds.length < 2) return;
  const name = roundOf(figure, roundId).name;
  commit(editor, `Remove ${name}`, removeRound(figure, roundId));
}
