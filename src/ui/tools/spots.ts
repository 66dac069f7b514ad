import {
  activeRound,
  areaAtHand,
  commit,
  type Editor,
  type EditorState,
  lineAtHand,
  newId,
  preview,
  select,
  shownFigure,
  withDrawn,
} from '@/state';
import { bulgeThrough, circleThrough, distance, type Point } from '@/core/curve';
import { freshName, newShape } from '@/core/figure';
import { type Form, pathForm } from '@/core/maker';
import { NO_TURN } from '@/core/number';
import type { Press } from './gesture';
import { enterWedge } from './makers';
import { CATCH, MotifPointer, placementIn, type PanePoint } from './pointer';

type Through = 'arc' | 'circle';

/**
 * What points lead to: a straight line at first, then the arc or circle through all three; null while there is none.
 * @param order in which the points of an arc come
 */
function formThrough(points: readonly Point[], as: Through, order: EditorState['ways']['arc']): Form | null {
  const [a, b, c] = points;
  if (!a || !b || distance(a, b) === 0) return null;
  const line = (nodes: readonly Point[], bulge?: number): Form =>
    pathForm(
      nodes.map(({ x, y }, k) => ({
        x,
        y,
        kind: 'corner',
        ...(k === 0 && bulge !== undefined && bulge !== 0 && { bulge }),
      })),
      false,
    );
  if (!c) return line([a, b]);
  if (as === 'arc')
    return order === 'along' ? line([a, c], bulgeThrough(a, b, c)) : line([a, b], bulgeThrough(a, c, b));
  const circle = circleThrough(a, b, c);
  return (
    circle && {
      kind: 'ellipse',
      at: circle.centre,
      rotation: NO_TURN,
      params: { width: 2 * circle.radius, height: 2 * circle.radius },
    }
  );
}

function shapeThrough(editor: Editor, points: readonly Point[], as: Through, id: string) {
  const state = editor.getState();
  const form = formThrough(points, as, state.ways.arc);
  if (!form) return null;
  const name = as === 'arc' ? 'Arc' : 'Circle';
  const beside = activeRound({ ...state, live: null })?.shapes ?? [];
  const paint = form.kind === 'path' ? lineAtHand(state) : areaAtHand(state);
  return newShape(id, freshName(name, beside), form, paint);
}

/** The other order in which an arc's three points are clicked; what is drawn so far follows. */
export function turnArcOrder(editor: Editor): void {
  editor.setState(({ ways }) => ({ ways: { ...ways, arc: ways.arc === 'along' ? 'ends' : 'along' } }));
}

/** Lets go of points that have been set but led to nothing. */
export function dropSpots(editor: Editor): void {
  if (editor.getState().spots.length === 0) return;
  editor.setState({ spots: [], live: null, wanted: null });
}

/** Shows what the points so far and the pointer lead to. */
export function hoverSpots(editor: Editor, p: PanePoint, as: Through): void {
  const state = editor.getState();
  const pointer = new MotifPointer(editor, p.pane, placementIn(state, p.pane));
  const at = pointer.at(p, state.spots, state.spots[state.spots.length - 1]);
  const round = activeRound(state);
  if (state.spots.length === 0 || !round) return;
  const shape = shapeThrough(editor, [...state.spots, at], as, 'through-points');
  preview(editor, null);
  if (shape) preview(editor, withDrawn(editor.getState(), shownFigure(editor.getState()), round.id, [shape]));
}

/** Three clicks: an arc from its start through a point to its end, or with its ends first; or three points of a circle. Esc lets go of them. */
export const pressSpots =
  (as: Through): Press =>
  (editor, p) => {
    if (editor.getState().spots.length === 0) enterWedge(editor, p);
    const state = editor.getState();
    const round = activeRound(state);
    if (!round || round.locked) return null;
    const pointer = new MotifPointer(editor, p.pane, placementIn(state, p.pane));
    const at = pointer.at(p, state.spots, state.spots[state.spots.length - 1]);
    if (state.spots.some((spot) => distance(spot, at) < pointer.length(CATCH) / 4)) return null;
    const points = [...state.spots, at];
    if (points.length < 3) {
      editor.setState({ spots: points });
      return null;
    }
    const id = newId();
    const shape = shapeThrough(editor, points, as, id);
    dropSpots(editor);
    if (!shape) return null;
    commit(
      editor,
      `Draw ${shape.name}`,
      withDrawn(editor.getState(), shownFigure(editor.getState()), round.id, [shape]),
    );
    select(editor, round.id, [id]);
    return null;
  };
