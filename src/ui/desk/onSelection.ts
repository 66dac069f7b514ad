/**
 * What is done with what is selected, from keys and menus alike.
 *
 * @example
 * reorderSelection(editor, 'front');
 */
import {
  groupShapes,
  type LayerStep,
  moveRound,
  removeShapes,
  reorderShapes,
  ungroupShapes,
} from '@/core/figure/commands';
import {
  act,
  activeRound,
  commit,
  copiedParts,
  type Editor,
  newId,
  overParts,
  selectedParts,
  selectParts,
  shownFigure,
} from '@/state';

/** By how much a duplicate is set off from its original, as a share of the page's width. */
const OFFSET = 1 / 40;

/** Copies of the selected shapes a little to the side; the copies are selected. */
export function duplicateSelection(editor: Editor): void {
  const state = editor.getState();
  const by = { x: shownFigure(state).page.width * OFFSET, y: 0 };
  const copies = copiedParts(state, shownFigure(state), by);
  const [own] = copies.parts;
  if (!own) return;
  commit(editor, 'Duplicate', copies.figure);
  selectParts(editor, own.roundId, copies.parts);
}

/** Removes the selected shapes. */
export function deleteSelection(editor: Editor): void {
  const state = editor.getState();
  if (selectedParts(state).length === 0) return;
  act(editor, 'Delete', (figure) =>
    overParts(state, figure, (next, { roundId, ids }) => removeShapes(next, roundId, ids)),
  );
}

/** Makes the selected shapes one group, or lets them stand alone. */
export function makeGroup(editor: Editor, together: boolean): void {
  const state = editor.getState();
  const round = activeRound(state);
  const ids = state.selection.shapeIds;
  if (!round || round.locked || ids.size < (together ? 2 : 1)) return;
  act(editor, together ? 'Group' : 'Ungroup', (figure) =>
    together ? groupShapes(figure, round.id, ids, newId) : ungroupShapes(figure, round.id, ids),
  );
}

/** Moves the selected shapes in the layer order; the round, where none are selected. */
export function reorderSelection(editor: Editor, step: LayerStep): void {
  const state = editor.getState();
  const round = activeRound(state);
  if (!round) return;
  const { shapeIds } = state.selection;
  if (shapeIds.size > 0) {
    if (selectedParts(state).length > 0)
      act(editor, 'Reorder shapes', (figure) =>
        overParts(state, figure, (next, { roundId, ids }) => reorderShapes(next, roundId, ids, step)),
      );
    return;
  }
  const { rounds } = shownFigure(state);
  const at = rounds.indexOf(round);
  const to = { front: rounds.length - 1, forward: at + 1, backward: at - 1, back: 0 }[step];
  if (to !== at && rounds[to]) act(editor, 'Reorder rounds', (f) => moveRound(f, round.id, to));
}
