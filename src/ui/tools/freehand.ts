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
import {
  closedNodes,
  distance,
  fittedNodes,
  type HandPoint,
  onHalfCircle,
  plainStroke,
  type Point,
  strokeWithEnds,
} from '@/core/curve';
import { freshName, newShape } from '@/core/figure';
import { type Form, handParams, pathForm } from '@/core/maker';
import { NO_TURN } from '@/core/number';
import type { Paint } from '@/core/scene';
import type { Press } from './gesture';
import { enterWedge } from './makers';
import { CATCH, MotifPointer, placementIn, type PanePoint } from './pointer';

/** A stroke between two places that were caught is a line or an arc where it is no farther from one than this share of its length. */
const MEANT = 0.03;

/** The smoothing that is kept, or a pixel and a half at this zoom where none was set. */
const toleranceOf = (editor: Editor, pointer: MotifPointer): number =>
  editor.getState().hand.smoothing ?? pointer.length(1.5);

/** An end of a stroke, and whether something was caught there. */
interface End {
  readonly at: Point;
  readonly isCaught: boolean;
}

/** Where the pointer is; axis, rays, nodes and the stroke's own start are caught there. */
function endAt(editor: Editor, pointer: MotifPointer, p: PanePoint, start?: Point): End {
  const at = pointer.at(p, start && [start]);
  return { at, isCaught: (editor.getState().pointer?.snapped.caught.length ?? 0) > 0 };
}

/** A centre line of few nodes: a line, an arc or half a circle where that is plain. */
function lineForm(points: readonly Point[], isClosed: boolean, tolerance: number, isMeant: boolean): Form {
  if (isClosed) return pathForm(closedNodes(points, tolerance), true);
  const [from, to] = [points[0], points[points.length - 1]];
  const most = isMeant && from && to ? Math.max(tolerance, MEANT * distance(from, to)) : tolerance;
  return pathForm(plainStroke(points, most) ?? fittedNodes(points, tolerance), false);
}

/** A stroke that keeps its points and the brush. */
function brushForm(points: readonly HandPoint[], hand: EditorState['hand'], tolerance: number): Form | null {
  const [at] = points;
  if (!at) return null;
  const { width, thinning, taper } = hand;
  const own = points.map(({ x, y, pressure }) => ({ x: x - at.x, y: y - at.y, pressure }));
  const params = handParams(own, { width, thinning, taper, smoothing: tolerance });
  return { kind: 'hand', at: { x: at.x, y: at.y }, rotation: NO_TURN, params };
}

/**
 * Freehand: drag to draw; becomes a stroke by the pen's pressure, whose brush can be changed afterwards, or a centre line. Its ends are
 * caught as any point is; one that ends where it began is closed.
 */
export const pressFreehand: Press = (editor, p) => {
  enterWedge(editor, p);
  const state = editor.getState();
  const round = activeRound(state);
  if (!round || round.locked) return null;
  const pointer = new MotifPointer(editor, p.pane, placementIn(state, p.pane));
  const figure = shownFigure(state);
  const start = endAt(editor, pointer, p);
  let end = start;
  const points: HandPoint[] = [{ ...pointer.raw(p), pressure: p.pressure }];
  const { hand } = state;
  const id = newId();
  const name = freshName('Stroke', round.shapes);
  const lined = lineAtHand(state);
  const area = areaAtHand(state);
  const inked: Paint = { fill: area.fill ?? lined.stroke?.colour ?? null, stroke: null };

  /** What the hand drew, once it is let go; null where it is too little. */
  const drawn = (): { readonly form: Form; readonly paint: Paint } | null => {
    const tolerance = toleranceOf(editor, pointer);
    const isLong = points.some(
      (point) => distance(point, start.at) > Math.max(tolerance, pointer.length(CATCH)),
    );
    if (!isLong) return null;
    const isClosed = end.isCaught && distance(end.at, start.at) <= pointer.length(0.5);
    const near = pointer.length(CATCH);
    const kept = strokeWithEnds(points, start.at, isClosed ? start.at : end.at, near);
    if (hand.as === 'shape') {
      const isMeant = start.isCaught && end.isCaught;
      const spine = isMeant
        ? onHalfCircle(kept, Math.max(tolerance, MEANT * distance(start.at, end.at)))
        : kept;
      const form = brushForm(spine, hand, tolerance);
      return form && { form, paint: inked };
    }
    const form = lineForm(kept, isClosed, tolerance, start.isCaught && end.isCaught);
    return { form, paint: isClosed ? area : lined };
  };

  return {
    move: (q) => {
      points.push({ ...pointer.raw(q), pressure: q.pressure });
      end = endAt(editor, pointer, q, start.at);
      const nodes = points.map(({ x, y }) => ({ x, y, kind: 'corner' as const }));
      // While it is drawn the line alone is shown: it follows the hand without delay.
      const line = newShape(id, name, pathForm(nodes, false), lined);
      preview(editor, withDrawn(state, figure, round.id, [line]));
    },
    up: () => {
      const made = drawn();
      if (!made) {
        preview(editor, null);
        return;
      }
      commit(
        editor,
        `Draw ${name}`,
        withDrawn(state, figure, round.id, [newShape(id, name, made.form, made.paint)]),
      );
      select(editor, round.id, [id]);
    },
    cancel: () => preview(editor, null),
  };
};
