import {
  act,
  activeRound,
  areaAtHand,
  chosenIn,
  type Editor,
  type EditorState,
  sceneOf,
  select,
  selectedShapes,
  shownFigure,
  shownLevel,
} from '@/state';
import { toast } from 'sonner';

import { applyTo, turnMap } from '@/core/curve';
import { roundOf, setPage, setPaint } from '@/core/figure/commands';
import { NO_TURN } from '@/core/number';
import type { Paint } from '@/core/scene';
import { paintOfCellAt, pressPaintCells, worksOnCells } from './cells';
import { pixelOfScene, pixelOfUnderlay } from './pixel';
import type { PanePoint } from './pointer';
import type { Press } from './gesture';
import { hitAt } from './select';

/** Paint: gives what is clicked, in every copy, the paint at hand. */
export const pressPaint: Press = (editor, p, double) => {
  if (worksOnCells(editor.getState())) return pressPaintCells(editor, p, double);
  const hit = hitAt(editor, p);
  if (!hit) return null;
  const state = editor.getState();
  const { merge } = roundOf(shownFigure(state), hit.roundId);
  const paint = areaAtHand(state);
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

/** While the panel is about the page it is its background that a colour is copied for. */
const isForPage = (state: EditorState): boolean => shownLevel(state) === 'page';

/** Takes a paint as the one at hand and gives it to what is selected; the tool that was in hand before is so again. */
function takePaint(editor: Editor, paint: Paint): void {
  const state = editor.getState();
  if (isForPage(state)) {
    editor.setState({ tool: state.toolBefore });
    act(editor, 'Background', (figure) => setPage(figure, { background: paint.fill }));
    return;
  }
  const line = paint.fill === null ? paint.stroke : null;
  editor.setState({ ...(line ? { line } : { paint }), tool: state.toolBefore });
  const own = activeRound(state);
  if (!own || own.locked) return;
  const { target, paints } = chosenIn({ ...state, tool: 'eyedropper' }, own);
  const chosen = selectedShapes(state).length > 0 || target.of === 'cells';
  if (chosen && paints.length > 0) act(editor, 'Take paint', (figure) => setPaint(figure, target, paint));
}

/** The colour of one point as a fill: of the underlay where the Bench shows nothing else there, else of the figure. */
async function takePixel(editor: Editor, p: PanePoint, hit: boolean): Promise<void> {
  const state = editor.getState();
  const { underlay } = shownFigure(state);
  const start = activeRound(state)?.rule.start ?? NO_TURN;
  const at = p.pane === 'bench' ? applyTo(turnMap(start), p.figure) : p.figure;
  try {
    const below =
      p.pane === 'bench' && !hit && underlay?.visible ? await pixelOfUnderlay(underlay, p.figure) : null;
    const colour = below ?? (await pixelOfScene(sceneOf(state), at));
    if (colour) takePaint(editor, { fill: colour, stroke: null });
    else toast('There is no colour at this point.');
  } catch {
    toast.error('The colour of this point could not be read.');
  }
}

/**
 * Eyedropper: takes the paint of what is clicked, a cell or a shape. With Alt, for the page, and where there is neither, it takes the colour
 * of that very point, of the figure or the underlay.
 */
export const pressEyedropper: Press = (editor, p) => {
  const state = editor.getState();
  const cell = paintOfCellAt(state, p);
  const hit = hitAt(editor, p);
  if (p.alt || isForPage(state) || (!cell && !hit)) {
    void takePixel(editor, p, hit !== null || cell !== null);
    return null;
  }
  if (cell) {
    takePaint(editor, cell);
    return null;
  }
  if (!hit) return null;
  const round = roundOf(shownFigure(state), hit.roundId);
  const shape = round.shapes.find(({ id }) => id === hit.shapeId);
  const paint = round.merge?.paint ?? shape?.paint;
  if (paint) takePaint(editor, paint);
  return null;
};
