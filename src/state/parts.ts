/**
 * What is selected over all rounds: shapes of the round that is worked on, and of others beside it.
 *
 * @example
 * act(editor, 'Delete', (figure) => overParts(state, figure, (f, { roundId, ids }) => removeShapes(f, roundId, ids)));
 */
import {
  type Affine,
  applyTo,
  compose,
  determinant,
  IDENTITY,
  inverse,
  ORIGIN,
  type Point,
  subtract,
  turnMap,
} from '@/core/curve';
import { duplicateShapes, moveShapes, transformShapes } from '@/core/figure/commands';
import type { Figure, Round, Shape, RoundId } from '@/core/figure';
import type { Transform } from '@/core/maker';
import { negateTurn, NO_TURN } from '@/core/number';
import { type Placement, placementMap } from '@/core/symmetry';
import { activeRound, select, selectedShapes } from './selecting';
import { shownFigure, type Editor } from './editorState';
import type { EditorState } from './editorState';
import type { Other } from './slices/session';
import type { PaneId } from './slices/view';
import { newId } from './ids';
import { isLaid } from './lane';
import { workOf } from './work';

/** Selected shapes of one round, and the copy of it in which they were taken. */
export interface SelectedPart {
  readonly roundId: RoundId;
  readonly ids: ReadonlySet<string>;
  readonly placement: Placement;
}

/** True where shapes of more than one round are selected. */
export const isOverRounds = (state: EditorState): boolean => state.selection.others.size > 0;

const roundIn = (state: EditorState, id: string): Round | undefined =>
  shownFigure(state).rounds.find((round) => round.id === id);

/** What is selected, round by round, that of the round worked on first; locked rounds are left out. */
export function selectedParts(state: EditorState): readonly SelectedPart[] {
  const { roundId, shapeIds, others } = state.selection;
  const own: SelectedPart[] = shapeIds.size > 0 ? [{ roundId, ids: shapeIds, placement: state.active }] : [];
  const beside = [...others].map(([id, other]) => ({ roundId: id, ...other }));
  return [...own, ...beside].filter((part) => roundIn(state, part.roundId)?.locked === false);
}

/** The selected shapes of all rounds. */
export const shapesOfParts = (state: EditorState): readonly Shape[] => [
  ...selectedShapes(state),
  ...[...state.selection.others].flatMap(
    ([id, { ids }]) => roundIn(state, id)?.shapes.filter((shape) => ids.has(shape.id)) ?? [],
  ),
];

/** A figure with a command done to each part. */
export const overParts = (
  state: EditorState,
  figure: Figure,
  change: (figure: Figure, part: SelectedPart) => Figure,
): Figure => selectedParts(state).reduce(change, figure);

/** From the motif that is edited, where a pane shows a copy of it, to the figure: the Bench shows it upright. */
export function frameOf(state: EditorState, pane: PaneId, placement: Placement): Affine {
  const start = activeRound(state)?.rule.start ?? NO_TURN;
  const own = placementMap(placement);
  return pane === 'whole' ? own : compose(turnMap(start), own);
}

const alongMap = (map: Affine, v: Point): Point => subtract(applyTo(map, v), applyTo(map, ORIGIN));

/** From the motif of a part to the coordinates of a pane: the figure's in Whole, those of the upright round in Bench. */
export function partMap(state: EditorState, pane: PaneId, placement: Placement): Affine {
  const start = activeRound(state)?.rule.start ?? NO_TURN;
  const map = placementMap(placement);
  return pane === 'whole' ? map : compose(turnMap(negateTurn(start)), map);
}

/**
 * What is selected moved together, as it is seen.
 * @param by in coordinates of the motif that is edited
 * @param frame from these to the figure
 */
export function movedParts(state: EditorState, figure: Figure, by: Point, frame: Affine): Figure {
  const seen = alongMap(frame, by);
  return overParts(state, figure, (f, { roundId, ids, placement }) => {
    const own = roundId === state.selection.roundId ? by : alongMap(inverse(placementMap(placement)), seen);
    return moveShapes(f, roundId, ids, own, { straight: isLaid(state) });
  });
}

/** From the motif of a part to that of the copy that is edited. @param frame from that one to the figure */
export const mapOfPart = (state: EditorState, { roundId, placement }: SelectedPart, frame: Affine): Affine =>
  roundId === state.selection.roundId ? IDENTITY : compose(inverse(frame), placementMap(placement));

/** A transform as another motif has it, so that both look the same in the figure. @param map from that motif */
function carriedTransform(t: Transform, map: Affine): Transform {
  if (t.kind !== 'rotate' && t.kind !== 'scale') return t;
  const about = applyTo(inverse(map), t.about);
  return t.kind === 'rotate' && determinant(map) < 0
    ? { ...t, by: negateTurn(t.by), about }
    : { ...t, about };
}

/**
 * What is selected turned or scaled evenly together, as it is seen.
 * @param t in coordinates of the copy that is edited
 * @param frame from these to the figure
 */
export function transformedParts(
  state: EditorState,
  figure: Figure,
  t: Transform,
  frame: Affine,
): { readonly figure: Figure; readonly parts: readonly SelectedPart[] } {
  const work = workOf(state);
  const parts: SelectedPart[] = [];
  const next = overParts(state, figure, (f, part) => {
    const own = carriedTransform(t, mapOfPart(state, part, frame));
    const how = { copy: false, times: 1, newId, straight: isLaid(state) };
    const made = transformShapes(f, part.roundId, part.ids, own, how, work);
    parts.push({ ...part, ids: new Set(made.ids) });
    return made.figure;
  });
  return { figure: next, parts };
}

/** Selects shapes of a round and of others beside it; a round without any is left out. */
export function selectOver(
  editor: Editor,
  own: { readonly roundId: RoundId; readonly ids: Iterable<string>; readonly placement?: Placement },
  others: Iterable<readonly [string, Other]>,
): void {
  const some = [...others].filter(([id, { ids }]) => id !== own.roundId && ids.size > 0);
  const ids = new Set(own.ids);
  const [first] = some;
  // The round that is worked on has something of what is selected, where anything is.
  if (ids.size === 0 && first) {
    selectOver(editor, { roundId: first[0], ...first[1] }, some);
    return;
  }
  select(editor, own.roundId, ids, own.placement);
  const beside = new Map(some);
  editor.setState(({ selection }) => ({ selection: { ...selection, others: beside } }));
}

/** A selection of parts, the first of them that of the round worked on where it has one. */
export function selectionOf(state: EditorState, parts: readonly SelectedPart[]): EditorState['selection'] {
  const { selection } = state;
  const own = parts.find(({ roundId }) => roundId === selection.roundId);
  const others = parts.filter((part) => part !== own).map((part) => [part.roundId, part] as const);
  return { ...selection, shapeIds: own?.ids ?? new Set(), others: new Map(others) };
}

/** Copies of all that is selected, each moved by a vector of its motif. */
export function copiedParts(
  state: EditorState,
  figure: Figure,
  by: Point,
): { readonly figure: Figure; readonly parts: readonly SelectedPart[] } {
  const parts: SelectedPart[] = [];
  const next = overParts(state, figure, (f, part) => {
    const made = duplicateShapes(f, part.roundId, part.ids, newId, by, { straight: isLaid(state) });
    parts.push({ ...part, ids: new Set(made.ids) });
    return made.figure;
  });
  return { figure: next, parts };
}

/** Selects parts; of one round that is worked on from now. */
export function selectParts(editor: Editor, roundId: RoundId, parts: readonly SelectedPart[]): void {
  const own = parts.find((part) => part.roundId === roundId) ?? { roundId, ids: [] };
  selectOver(
    editor,
    own,
    parts.map((part) => [part.roundId, part]),
  );
}

/** Adds shapes of another round to what is selected, or takes them out of it where all are in it. */
export function toggleOther(editor: Editor, { roundId, ids, placement }: SelectedPart): void {
  const state = editor.getState();
  const { selection, active } = state;
  const before = selection.others.get(roundId)?.ids ?? new Set<string>();
  const isIn = [...ids].every((id) => before.has(id));
  const now = new Set(isIn ? [...before].filter((id) => !ids.has(id)) : [...before, ...ids]);
  const others = new Map(selection.others);
  if (now.size > 0) others.set(roundId, { ids: now, placement });
  else others.delete(roundId);
  selectOver(editor, { roundId: selection.roundId, ids: selection.shapeIds, placement: active }, others);
}

/** Makes another round the one that is worked on; all that is selected stays so. */
export function promote(editor: Editor, roundId: RoundId, placement: Placement): void {
  const { selection, active } = editor.getState();
  const own = selection.others.get(roundId);
  if (!own) return;
  const others = new Map(selection.others);
  others.set(selection.roundId, { ids: selection.shapeIds, placement: active });
  selectOver(editor, { roundId, ids: own.ids, placement }, others);
}
