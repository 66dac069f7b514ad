/**
 * Steps of the work: a command becomes one once all that it takes to show and save it is there.
 *
 * @example
 * const editor = createEditor(saved);
 * actOnRound(editor, 'Set fold', (figure, id) => setFold(figure, id, 12));
 */
import equal from 'fast-deep-equal';
import { createStore } from 'zustand';

import type { Work } from '@/core/derive';
import {
  brokenSentence,
  excessOf,
  type Figure,
  figureSchema,
  newRound,
  type RoundId,
  takenAsSound,
} from '@/core/figure';
import { addRound, removeRound, roundOf } from '@/core/figure/commands';
import { failed, finding, type Finding, ok, type Result } from '@/core/finding';
import { holding, settled } from '@/core/trial';
import type { SavedFigure } from '@/protocol';
import { type Editor, type EditorState, shownFigure, startState } from './editorState';
import { atPosition, figureOf, record } from './history';
import { activeRound, select } from './selecting';
import { asked, perform, prepared, stillThere } from './settle';

/** An editor of a saved figure, which the server has checked. */
export function createEditor(saved: SavedFigure): Editor {
  const start = startState(saved);
  takenAsSound(figureOf(start.history));
  return createStore<EditorState>(() => start);
}

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
  roundId: RoundId,
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

/** Changes the selected round by a command; nothing happens to a locked or missing one. */
export function actOnRound(
  editor: Editor,
  label: string,
  command: (figure: Figure, roundId: RoundId, work: Work) => Figure,
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
export function dropRound(editor: Editor, roundId: RoundId): void {
  const figure = figureOf(editor.getState().history);
  if (figure.rounds.length < 2) return;
  const name = roundOf(figure, roundId).name;
  commit(editor, `Remove ${name}`, removeRound(figure, roundId));
}
