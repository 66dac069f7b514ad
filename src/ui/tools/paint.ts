import { setPaint, roundOf } from '@/core/figure/commands';
import { START_PAINT } from '@/core/figure/start';
import { act, activeRound, select, selectedShapes, shownFigure } from '@/state/editor';
import { pressPaintCells, worksOnCells } from './cells';
import type { Press } from './gesture';
import { hitAt } from './select';

/** Paint: gives what is clicked, in every copy, the paint at hand. */
export const pressPaint: Press = (editor, p, double) => {
  if (worksOnCells(editor.getState())) return pressPaintCells(editor, p, double);
  const hit = hitAt(editor, p);
  if (!hit) return null;
  const state = editor.getState();
  const { merge } = roundOf(shownFigure(state), hit.roundId);
  const paint = state.paint ?? START_PAINT;
  act(editor, 'Paint', (figure) =>
    setPaint(
      figure,
      merge
        ? { of: 'merge', roundId: hit.roundId }
        : { of: 'shapes', roundId: hit.roundId, shapeIds: new Set([hit.shapeId]) },
      paint,
    ),
  );
  select(editor, hit.roundId, [hit.shapeId]);
  return null;
};

/**
 * Eyedropper: takes the paint of what is clicked as the paint at hand, and gives it to the shapes that are selected. In Colour the
 * Paint tool follows, to go on with it.
 */
export const pressEyedropper: Press = (editor, p) => {
  const hit = hitAt(editor, p);
  if (!hit) return null;
  const state = editor.getState();
  const round = roundOf(shownFigure(state), hit.roundId);
  const shape = round.shapes.find(({ id }) => id === hit.shapeId);
  const paint = round.merge?.paint ?? shape?.paint;
  if (!paint) return null;
  editor.setState({ paint, tool: state.stage === 'colour' ? 'paint' : 'select' });
  const chosen = selectedShapes(state);
  const own = activeRound(state);
  if (chosen.length === 0 || !own || own.locked) return null;
  const shapeIds = new Set(chosen.map(({ id }) => id));
  act(editor, 'Take paint', (figure) => setPaint(figure, { of: 'shapes', roundId: own.id, shapeIds }, paint));
  return null;
};
