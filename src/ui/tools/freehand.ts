import { brushNodes, fittedNodes, type HandPoint } from '@/core/curve/freehand';
import { addShapes } from '@/core/figure/commands';
import { newShape, START_LINE, START_PAINT } from '@/core/figure/start';
import { pathForm, type PathForm } from '@/core/maker/form';
import type { Paint } from '@/core/scene/scene';
import { newId } from '@/state/ids';
import { activeRound, commit, preview, select, shownFigure, type Editor } from '@/state/editor';
import type { Press } from './gesture';
import { enterWedge } from './makers';
import { MotifPointer, placementIn, type PanePoint } from './pointer';

/** The smoothing that is kept, or a pixel and a half at this zoom where none was set. */
const toleranceOf = (editor: Editor, pointer: MotifPointer): number =>
  editor.getState().hand.smoothing ?? pointer.length(1.5);

/** Freehand: drag to draw; becomes a filled shape by the pen's pressure, or a centre line, with few smooth nodes. */
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
  const stroke = state.paint?.stroke ?? START_LINE.stroke;
  const filled: Paint = { fill: (state.paint ?? START_PAINT).fill ?? stroke?.colour ?? null, stroke: null };
  const shapeOf = (form: PathForm) =>
    newShape(id, name, form, hand.as === 'shape' ? filled : { fill: null, stroke });
  return {
    move: (q) => {
      take(q);
      const nodes = points.map(({ x, y }) => ({ x, y, kind: 'corner' as const }));
      // While it is drawn the line alone is shown: it follows the hand without delay.
      const line = newShape(id, name, pathForm(nodes, false), { fill: null, stroke });
      preview(editor, addShapes(figure, round.id, [line]));
    },
    up: () => {
      const tolerance = toleranceOf(editor, pointer);
      const nodes =
        hand.as === 'shape' ? brushNodes(points, hand, tolerance) : fittedNodes(points, tolerance);
      if (nodes.length < 2) {
        preview(editor, null);
        return;
      }
      const closed = hand.as === 'shape';
      commit(editor, `Draw ${name}`, addShapes(figure, round.id, [shapeOf(pathForm(nodes, closed))]));
      select(editor, round.id, [id]);
    },
    cancel: () => preview(editor, null),
  };
};
