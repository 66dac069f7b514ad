import { BringToFront, Copy, SendToBack, Trash2, Waypoints } from 'lucide-react';

import { duplicateShapes, makePlain, moveShapeOrder, removeShapes } from '@/core/figure/commands';
import { act, activeRound, commit, select, shownFigure, type Editor } from '@/state/editor';
import { newId } from '@/state/ids';
import type { MenuEntry } from '../common/Menu';

/** By how much a duplicate is set off from its original, as a share of the page's width. */
const OFFSET = 1 / 40;

/** Copies of the selected shapes a little to the side; the copies are selected. */
export function duplicateSelection(editor: Editor): void {
  const state = editor.getState();
  const round = activeRound(state);
  if (!round || round.locked || state.selection.shapeIds.size === 0) return;
  const figure = shownFigure(state);
  const by = figure.page.width * OFFSET;
  const copied = duplicateShapes(figure, round.id, state.selection.shapeIds, newId, { x: by, y: 0 });
  commit(editor, 'Duplicate', copied.figure);
  select(editor, round.id, copied.ids);
}

/** Removes the selected shapes. */
export function deleteSelection(editor: Editor): void {
  const state = editor.getState();
  const round = activeRound(state);
  if (!round || round.locked || state.selection.shapeIds.size === 0) return;
  act(editor, 'Delete', (figure) => removeShapes(figure, round.id, state.selection.shapeIds));
}

/** What can be done with the selected shapes, for their menu. */
export function selectionActions(editor: Editor): MenuEntry[] {
  const state = editor.getState();
  const round = activeRound(state);
  const ids = state.selection.shapeIds;
  const disabled = !round || round.locked || ids.size === 0;
  const order = (to: number): void => {
    const [shapeId] = ids;
    if (round && shapeId)
      act(editor, 'Reorder shapes', (figure) => moveShapeOrder(figure, { roundId: round.id, shapeId }, to));
  };
  return [
    { label: 'Duplicate', icon: Copy, disabled, onClick: () => duplicateSelection(editor) },
    {
      label: 'Make plain',
      icon: Waypoints,
      disabled,
      onClick: () => round && act(editor, 'Make plain', (f) => makePlain(f, round.id, ids, newId)),
    },
    {
      label: 'To the front',
      icon: BringToFront,
      disabled: disabled || ids.size > 1,
      apart: true,
      onClick: () => order(Infinity),
    },
    { label: 'To the back', icon: SendToBack, disabled: disabled || ids.size > 1, onClick: () => order(0) },
    {
      label: 'Delete',
      icon: Trash2,
      danger: true,
      apart: true,
      disabled,
      onClick: () => deleteSelection(editor),
    },
  ];
}
