import {
  activeRound,
  commit,
  type Editor,
  lineAtHand,
  newId,
  preview,
  select,
  shownFigure,
  withDrawn,
} from '@/state';
import type { Work } from '@/core/derive';
import { type Contour, fittedNodes, type Point } from '@/core/curve';
import { stampAlong, type StampPart } from '@/core/figure/commands';
import { newShape, type Shape, START_PAINT } from '@/core/figure';
import { contoursAbout, formProblem, pathForm, stockContours, stockName } from '@/core/maker';
import { toast } from 'sonner';
import type { Press } from './gesture';
import { enterWedge } from './makers';
import { MotifPointer, placementIn, type PanePoint } from './pointer';

/** Shapes of a motif as what is stamped, about their common middle. */
export function partsOfShapes(shapes: readonly Shape[], work: Work): StampPart[] {
  const contours = contoursAbout(
    shapes.map(({ form }) => form),
    null,
    work,
  );
  return shapes.map(({ name, paint, rule }, k) => ({ name, paint, rule, contours: contours[k] ?? [] }));
}

function partsNow(editor: Editor): readonly StampPart[] {
  const { stamp, paint } = editor.getState();
  if (typeof stamp.source !== 'string') return stamp.source;
  return [
    {
      name: stockName(stamp.source),
      contours: stockContours(stamp.source, stamp.size),
      paint: paint ?? START_PAINT,
      rule: 'nonzero',
    },
  ];
}

/** Sets the stamp at hand along a line, which it follows where it is a shape's, and selects it; says why where it cannot. */
export function setStamps(editor: Editor, along: Contour, lineId?: string): void {
  const state = editor.getState();
  const round = activeRound(state);
  if (!round || round.locked) return;
  const { source: _, size: __, ...options } = state.stamp;
  const figure = shownFigure({ ...state, live: null });
  const made = stampAlong(figure, round.id, along, partsNow(editor), options, newId, lineId);
  const first = made.figure.rounds
    .find(({ id }) => id === round.id)
    ?.shapes.find(({ id }) => id === made.ids[0]);
  const problem = first ? formProblem(first.form) : null;
  if (problem !== null) {
    preview(editor, null);
    toast.error(problem.sentence);
    return;
  }
  commit(editor, 'Stamp', made.figure);
  select(editor, round.id, made.ids);
}

/** Stamp: drag a line by hand; the stamp at hand is set along it. */
export const pressStamp: Press = (editor, p) => {
  enterWedge(editor, p);
  const state = editor.getState();
  const round = activeRound(state);
  if (!round || round.locked) return null;
  const pointer = new MotifPointer(editor, p.pane, placementIn(state, p.pane));
  const figure = shownFigure(state);
  const points: Point[] = [pointer.at(p)];
  const id = newId();
  const take = (q: PanePoint): void => {
    points.push(pointer.raw(q));
  };
  return {
    move: (q) => {
      take(q);
      const nodes = points.map(({ x, y }) => ({ x, y, kind: 'corner' as const }));
      const line = newShape(id, 'Line', pathForm(nodes, false), lineAtHand(state));
      preview(editor, withDrawn(state, figure, round.id, [line]));
    },
    up: () => {
      const nodes = fittedNodes(points, pointer.length(1.5));
      preview(editor, null);
      if (nodes.length > 1) setStamps(editor, { closed: false, nodes });
    },
    cancel: () => preview(editor, null),
  };
};
