import { startLengths } from './toolLengths';
import equal from 'fast-deep-equal';
import { createStore } from 'zustand';

import { NO_RESULTS, type Work } from '@/core/derive';
import type { HandleSide } from '@/core/curve';
import { holding, settled } from '@/core/trial';
import { failed, finding, type Finding, ok, type Result } from '@/core/finding';

import {
  brokenSentence,
  excessOf,
  type Figure,
  figureSchema,
  newRound,
  type Round,
  type Shape,
  wholeSteps,
} from '@/core/figure';
import { addRound, removeRound, roundOf } from '@/core/figure/commands';
import { type Placement, SNAP_KINDS } from '@/core/symmetry';
import { turn } from '@/core/number';
import type { SavedFigure } from '../wire';
import {
  shownFigure,
  WHOLE,
  type Editor,
  type EditorState,
  type Level,
  type Other,
  type TransformOptions,
} from './editorState';
import { atPosition, figureOf, historyOf, record } from './history';
import { asked, perform, prepared, stillThere } from './settle';

/** Nothing of other rounds. */
const ALONE: ReadonlyMap<string, Other> = new Map();
const NOTHING: ReadonlySet<never> = new Set<never>();

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

export function createEditor(saved: SavedFigure): Editor {
  const history = historyOf(wholeSteps(saved.steps), saved.step);
  const front = saved.figure.rounds[saved.figure.rounds.length - 1];
  const lengths = startLengths(saved.figure.page);
  return createStore<EditorState>(() => ({
    id: saved.id,
    revision: saved.revision,
    history,
    live: null,
    wanted: null,
    working: null,
    selection: {
      roundId: front?.id ?? '',
      shapeIds: NOTHING,
      nodes: NOTHING,
      handle: null,
      kinds: NOTHING,
      others: ALONE,
    },
    stage: 'draw',
    level: 'round',
    closed: NOTHING,
    tool: 'select',
    toolBefore: 'select',
    draft: null,
    pointer: null,
    active: { turn: front?.rule.start ?? turn(0), mirrored: false },
    snapOn: new Set(SNAP_KINDS),
    snapTurn: 0,
    picking: null,
    importing: null,
    rereading: null,
    seen: new Map(),
    refusedOffer: null,
    guide: null,
    handedOut: 0,
    pivot: null,
    nudge: lengths.nudge,
    ghosts: true,
    outlines: false,
    quiet: false,
    marks: 'wedge',
    reveal: 0,
    wide: null,
    views: { bench: null, whole: null, lane: null },
    sizes: {
      bench: { width: 385, height: 748 },
      whole: { width: 450, height: 748 },
      lane: { width: 385, height: 120 },
    },
    laid: false,
    merges: new Map(),
    results: NO_RESULTS,
    save: { kind: 'saved', at: saved.updatedAt },
    lastSides: 6,
    paint: null,
    line: null,
    transform: START_TRANSFORM,
    paintSide: 'fill',
    copiedPaint: null,
    refusal: null,
    panning: false,
    ways: { line: 'straight', arc: 'along', ellipse: 'centre', polygon: 'polygon', circles: 'ring' },
    stamp: {
      source: 'circle',
      ...lengths.stamp,
      spread: 'even',
      facing: 'path',
      sizes: 0,
      colours: 0,
      seed: 1,
    },
    spots: [],
    hand: { as: 'shape', ...lengths.hand, thinning: 0.6, smoothing: null },
    cellReach: 'kind',
    lit: null,
    measured: null,
    cross: null,
    drawer: false,
    past: false,
    others: 0,
    box: null,
  }));
}

/** The round that is worked on; the front one where the selected one is gone, null where there is none. */
export function activeRound(state: EditorState): Round | null {
  const { rounds } = shownFigure(state);
  return rounds.find(({ id }) => id === state.selection.roundId) ?? rounds[rounds.length - 1] ?? null;
}

export const selectedShapes = (state: EditorState): Shape[] =>
  activeRound(state)?.shapes.filter(({ id }) => state.selection.shapeIds.has(id)) ?? [];

/** Why a figure cannot be a step, as it could not be saved; null where it can. Looks at what changed alone. */
function unsaveable(figure: Figure): Finding | null {
  const { error } = figureSchema.validate(figure);
  return error ? finding('figure.refused', brokenSentence(figure, error)) : null;
}

/**
 * A figure as the next step, its numbers as its formulas have them, with all that it takes to show it; why not, where it cannot be one.
 */
function nextStep(editor: Editor, figure: Figure, work: Work): Result<Figure> {
  const kept = settled(figure, work);
  if (!kept.ok) return kept;
  // A number that goes by others was changed by hand, and nothing else: why that comes to nothing is said.
  const isHeld = kept.value !== figure && equal(kept.value, figureOf(editor.getState().history));
  const held = isHeld ? holding(figure, kept.value, work) : null;
  if (held) return failed(held);
  const problem = unsaveable(kept.value) ?? excessOf(kept.value, work);
  return problem ? failed(problem) : prepared(editor.getState(), kept.value, work);
}

const take = (editor: Editor, label: string, figure: Figure, mergeKey: string | null): void =>
  editor.setState((now) => {
    const history = record(now.history, label, figure, mergeKey);
    return { history, live: null, wanted: null, selection: stillThere(figure, now.selection) };
  });

/**
 * Makes a figure the new state of the work, as one step that can be undone, once its outlines are worked out. One that could not
 * be saved is not taken: why is left in `refusal`. The figure of a drag that is ahead of the screen is the one meant.
 */
export function commit(editor: Editor, label: string, figure: Figure, mergeKey: string | null = null): void {
  const state = editor.getState();
  const meant = state.wanted && figure === shownFigure(state) ? state.wanted : figure;
  perform(
    editor,
    label,
    (work) => nextStep(editor, meant, work),
    (next) => take(editor, label, next, mergeKey),
  );
}

/** Applies a command to the figure shown, as one step. */
export const act = (
  editor: Editor,
  label: string,
  command: (figure: Figure, work: Work) => Figure,
  mergeKey: string | null = null,
): void =>
  perform(
    editor,
    label,
    (work) => nextStep(editor, command(figureOf(editor.getState().history), work), work),
    (figure) => take(editor, label, figure, mergeKey),
  );

/** A figure that a command made, and the shapes in it that are new or changed. */
export interface Made {
  readonly figure: Figure;
  readonly ids: readonly string[];
}

/** Applies a command that makes shapes, as one step, and selects what it made; where it made none nothing is done. */
export const actAndSelect = (
  editor: Editor,
  label: string,
  roundId: string,
  command: (figure: Figure, work: Work) => Made | Result<Made>,
  then?: (made: Made) => void,
): void =>
  perform(
    editor,
    label,
    (work): Result<Made> => {
      const answer = command(figureOf(editor.getState().history), work);
      const made = 'ok' in answer ? answer : ok(answer);
      if (!made.ok) return made;
      const next = nextStep(editor, made.value.figure, work);
      return next.ok ? ok({ ...made.value, figure: next.value }) : next;
    },
    (made) => {
      take(editor, label, made.figure, null);
      if (made.ids.length > 0) select(editor, roundId, made.ids);
      then?.(made);
    },
  );

/** Goes to another step by its position, once its outlines are worked out; nowhere where that step is not here. */
export function stepTo(editor: Editor, position: number): void {
  const { history } = editor.getState();
  const figure = figureOf(atPosition(history, position));
  perform(
    editor,
    position < history.at ? 'Undo' : 'Redo',
    (work) => asked(editor.getState(), figure, work),
    () => {
      editor.setState((state) => {
        const moved = atPosition(state.history, position);
        return {
          history: moved,
          live: null,
          wanted: null,
          draft: null,
          spots: [],
          selection: stillThere(figureOf(moved), state.selection),
        };
      });
    },
  );
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
    const ids = new Set(shapeIds);
    return {
      selection: { roundId, shapeIds: ids, nodes: NOTHING, handle: null, kinds: NOTHING, others: ALONE },
      level: ids.size > 0 ? 'shapes' : state.level === 'shapes' ? 'round' : state.level,
      active: active ?? stays ?? { turn: round?.rule.start ?? turn(0), mirrored: false },
    };
  });
}

/** What the panel shows: shapes only where some are selected. */
export function shownLevel(state: EditorState): Level {
  return state.level === 'shapes' && selectedShapes(state).length === 0 ? 'round' : state.level;
}

/** Goes to a round; of one that is merged to one thing, that is what is painted next. */
export function selectRound(editor: Editor, roundId: string): void {
  select(editor, roundId);
  const { merge } = activeRound(editor.getState()) ?? {};
  if (merge && merge.op !== 'divide') chooseKinds(editor, [WHOLE]);
}

/** Selects nodes of the selected path; or a handle of one of them, which arrow keys then move. */
export const selectNodes = (
  editor: Editor,
  nodes: Iterable<number>,
  handle: HandleSide | null = null,
): void => editor.setState((state) => ({ selection: { ...state.selection, nodes: new Set(nodes), handle } }));

/** Chooses kinds of cells to give paint to; the Paint tool, which gives its own, is put away. */
export const chooseKinds = (editor: Editor, kinds: Iterable<string>): void =>
  editor.setState(({ selection, tool }) => ({
    selection: { ...selection, kinds: new Set(kinds) },
    tool: tool === 'paint' ? 'select' : tool,
  }));

/** Changes the selected round by a command; nothing happens to a locked or missing one. */
export function actOnRound(
  editor: Editor,
  label: string,
  command: (figure: Figure, roundId: string, work: Work) => Figure,
  mergeKey: string | null = null,
): void {
  const round = activeRound(editor.getState());
  if (!round || round.locked) return;
  act(
    editor,
    label,
    (figure, work) => command(figure, round.id, work),
    mergeKey && `${mergeKey}:${round.id}`,
  );
}

/** Adds an empty round in front and works on it: of the fold that the one before has, or of another. */
export function startRound(editor: Editor, id: string, ownFold?: number): void {
  const figure = figureOf(editor.getState().history);
  const taken = new Set(figure.rounds.map(({ name }) => name));
  let number = figure.rounds.length + 1;
  while (taken.has(`Round ${number}`)) number += 1;
  const fold = ownFold ?? activeRound(editor.getState())?.rule.fold ?? 8;
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
