import { areaAtHand, lineAtHand } from '@/state/atHand';
import { fittedNodes, type HandPoint } from '@/core/curve/freehand';
import { distance } from '@/core/curve/point';
import { addShapes } from '@/core/figure/commands';
import { newShape } from '@/core/figure/start';
import { pathForm, type Form } from '@/core/maker/form';
import { handParams } from '@/core/maker/hand';
import { NO_TURN } from '@/core/number/turn';
import type { Paint } from '@/core/scene/scene';
import { newId } from '@/state/ids';
import {
  activeRound,
  commit,
  preview,
  select,
  shownFigure,
  type Editor,
  type EditorState,
} from '@/state/editor';
import type { Press } from './gesture';
import { enterWedge } from './makers';
import { MotifPointer, placementIn, type PanePoint } from './pointer';

/** The smoothing that is kept, or a pixel and a half at this zoom where none was set. */
const toleranceOf = (editor: Editor, pointer: MotifPointer): number =>
  editor.getState().hand.smoothing ?? pointer.length(1.5);

/** What a hand drew as a form: a stroke that keeps its points, or a centre line of few nodes; null where it is too little. */
function formOf(points: readonly HandPoint[], hand: EditorState['hand'], tolerance: number): Form | null {
  const [at] = points;
  if (!at || !points.some((point) => distance(point, at) > tolerance)) return null;
  if (hand.as === 'line') return pathForm(fittedNodes(points, tolerance), false);
  const { width, thinning, taper } = hand;
  const own = points.map(({ x, y, pressure }) => ({ x: x - at.x, y: y - at.y, pressure }));
  const params = handParams(own, { width, thinning, taper, smoothing: tolerance });
  return { kind: 'hand', at: { x: at.x, y: at.y }, rotation: NO_TURN, params };
}

/** Freehand: drag to draw; becomes a stroke by the pen's pressure, whose brush can be changed afterwards, or a centre line. */
export const pressFreehand: Press = (editor, p) => {
  enterWedge(editor, p);
  const state = editor.getState();
  const round = activeRound(state);
  if (!round || round.locked) return null;
  const pointer = new MotifPointer(editor, p.pane, placementIn(state, p.pane));
  const figure = shownFigure(state);
  const points: HandPoint[] = [];
  const take = (q: PanePoint): void => {
    points.push({ ...pointer.raw(q), pressure: q.pressure });
  };
  take(p);
  const { hand } = state;
  const id = newId();
  const taken = round.shapes.filter(({ name }) => name.startsWith('Stroke')).length;
  const name = taken === 0 ? 'Stroke' : `Stroke ${taken + 1}`;
  const lined = lineAtHand(state);
  const filled: Paint = { fill: areaAtHand(state).fill ?? lined.stroke?.colour ?? null, stroke: null };
  const shapeOf = (form: Form) => newShape(id, name, form, hand.as === 'shape' ? filled : lined);
  return {
    move: (q) => {
      take(q);
      const nodes = points.map(({ x, y }) => ({ x, y, kind: 'corner' as const }));
      // While it is drawn the line alone is shown: it follows the hand without delay.
      const line = newShape(id, name, pathForm(nodes, false), lined);
      preview(editor, addShapes(figure, round.id, [line]));
    },
    up: () => {
      const form = formOf(points, hand, toleranceOf(editor, pointer));
      if (!form) {
        preview(editor, null);
        return;
      }
      commit(editor, `Draw ${name}`, addShapes(figure, round.id, [shapeOf(form)]));
      select(editor, round.id, [id]);
    },
    cancel: () => preview(editor, null),
  };
};
