import { createStore } from 'zustand';

import { LIMITS, type Figure, type Round, type Shape } from '../core/figure/model';
import { addRound, removeRound, roundOf } from '../core/figure/commands';
import { newRound } from '../core/figure/start';
import type { Placement } from '../core/symmetry/rule';
import { SNAP_KINDS } from '../core/symmetry/snap';
import { turn } from '../core/number/turn';
import type { SavedFigure } from '../wire';
import { shownFigure, type Editor, type EditorState } from './editorState';
import { figureOf, historyOf, record, redo, undo, type History } from './history';
import { perform, prepare, stillThere } from './settle';

export { shownFigure, type Editor, type EditorState, type PaneId, type SaveState } from './editorState';
export { followOutlines, perform, preview, stopWork } from './settle';

const NOTHING: ReadonlySet<never> = new Set<never>();

export function createEditor(saved: SavedFigure): Editor {
  const history = historyOf(saved.steps, saved.step);
  const front = saved.figure.rounds[saved.figure.rounds.length - 1];
  return createStore<EditorState>(() => ({
    id: saved.id,
    revision: saved.revision,
    history,
    live: null,
    wanted: null,
    working: null,
    selection: { roundId: front?.id ?? '', shapeIds: NOTHING, nodes: NOTHING, kinds: NOTHING },
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
    copiedPaint: null,
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

/** The round that is worked on; the front one where the selected one is gone, null where there is none. */
export function activeRound(state: EditorState): Round | null {
  const { rounds } = shownFigure(state);
  return rounds.find(({ id }) => id === state.selection.roundId) ?? rounds[rounds.length - 1] ?? null;
}

export const selectedShapes = (state: EditorState): Shape[] =>
  activeRound(state)?.shapes.filter(({ id }) => state.selection.shapeIds.has(id)) ?? [];

/** Why a figure cannot be a step, as it could not be saved; null where it can. */
function tooMuch({ rounds }: Figure): string | null {
  const full = rounds.find(({ shapes }) => shapes.length > LIMITS.shapes);
  return full
    ? `${full.name} would have ${full.shapes.length} shapes; a motif has ${LIMITS.shapes} at most. Nothing was changed.`
    : null;
}

/**
 * Makes a figure the new state of the work, as one step that can be undone, once its outlines are worked out. One that could not
 * be saved is not taken: why is left in `refusal`. The figure of a drag that is ahead of the screen is the one meant.
 */
export function commit(editor: Editor, label: string, figure: Figure, mergeKey: string | null = null): void {
  const state = editor.getState();
  const meant = state.wanted && figure === shownFigure(state) ? state.wanted : figure;
  const refusal = tooMuch(meant);
  if (refusal) {
    editor.setState({ live: null, wanted: null, refusal: { message: refusal } });
    return;
  }
  perform(
    editor,
    label,
    () => prepare(editor, meant),
    () => {
      editor.setState((now) => {
        const history = record(now.history, label, meant, mergeKey);
        return { history, live: null, wanted: null, selection: stillThere(meant, now.selection) };
      });
    },
  );
}

/** Applies a command to the figure shown, as one step. */
export const act = (
  editor: Editor,
  label: string,
  command: (figure: Figure) => Figure,
  mergeKey: string | null = null,
): void =>
  perform(
    editor,
    label,
    () => command(figureOf(editor.getState().history)),
    (figure) => commit(editor, label, figure, mergeKey),
  );

/** Goes to another step, once its outlines are worked out. */
function goTo(editor: Editor, label: string, step: (history: History) => History): void {
  const figure = figureOf(step(editor.getState().history));
  perform(
    editor,
    label,
    () => prepare(editor, figure),
    () => {
      editor.setState((state) => {
        const history = step(state.history);
        return {
          history,
          live: null,
          wanted: null,
          draft: null,
          spots: [],
          selection: stillThere(figureOf(history), state.selection),
        };
      });
    },
  );
}

export const stepBack = (editor: Editor): void => goTo(editor, 'Undo', undo);
export const stepForward = (editor: Editor): void => goTo(editor, 'Redo', redo);

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
      selection: { roundId, shapeIds: new Set(shapeIds), nodes: NOTHING, kinds: NOTHING },
      active: active ?? stays ?? { turn: round?.rule.start ?? turn(0), mirrored: false },
    };
  });
}

export const selectNodes = (editor: Editor, nodes: Iterable<number>): void =>
  editor.setState((state) => ({ selection: { ...state.selection, nodes: new Set(nodes) } }));

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
