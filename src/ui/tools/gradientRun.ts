import { applyTo, boundsOfPaths, distance, inverse, type Point, turnMap } from '@/core/curve';
import { setFill, setStroke } from '@/core/figure/commands';
import type { Figure } from '@/core/figure';
import { acrossOf, isGradient, movedRun } from '@/core/paint';
import { negateTurn } from '@/core/number';
import type { Gradient } from '@/core/scene';
import { placementMap } from '@/core/symmetry';
import {
  activeRound,
  chosenIn,
  commit,
  type Editor,
  type EditorState,
  type PaneId,
  preview,
  shownFigure,
} from '@/state';
import type { Gesture } from './gesture';
import { CATCH, MotifPointer, placementIn, type PanePoint } from './pointer';

export type End = 'from' | 'to' | 'across';

/** The run of the gradient that Fill or Stroke has, where it lies on the artwork. */
export interface GradientRun {
  readonly gradient: Gradient;
  /** Start, end, and of rings a point across, in motif coordinates of the pane. */
  readonly ends: ReadonlyMap<End, Point>;
  /** The figure with an end put at a point of the motif. */
  readonly put: (figure: Figure, end: End, at: Point) => Figure;
}

/** In Colour, the gradient that can be taken hold of in a pane; null where there is none. */
export function gradientRun(state: EditorState, pane: PaneId): GradientRun | null {
  const round = activeRound(state);
  if (state.stage !== 'colour' || !round || round.locked) return null;
  const { paints, target, outline } = chosenIn(state, round);
  const [paint] = paints;
  const part = isGradient(paint?.fill) ? 'fill' : 'stroke';
  const gradient = part === 'fill' ? paint?.fill : paint?.stroke?.colour;
  if (!isGradient(gradient)) return null;
  let toMotif = (p: Point): Point => p;
  let back = toMotif;
  if (gradient.spread === 'cell') {
    if (outline.length === 0) return null;
    const { left, right, top, bottom } = boundsOfPaths(outline);
    const [width, height] = [Math.max(right - left, 1e-9), Math.max(bottom - top, 1e-9)];
    toMotif = ({ x, y }) => ({ x: left + x * width, y: top + y * height });
    back = ({ x, y }) => ({ x: (x - left) / width, y: (y - top) / height });
  } else if (gradient.spread === 'round' || gradient.spread === 'page') {
    const map =
      pane === 'whole'
        ? inverse(placementMap(placementIn(state, pane)))
        : turnMap(negateTurn(round.rule.start));
    toMotif = (p) => applyTo(map, p);
    back = (p) => applyTo(inverse(map), p);
  }
  const ends = movedRun(gradient, toMotif);
  return {
    gradient,
    ends: new Map([
      ['from', ends.from],
      ['to', ends.to],
      ...(gradient.kind === 'radial' ? [['across', acrossOf(ends)] as const] : []),
    ]),
    put: (figure, end, at) => {
      const next = { ...gradient, [end]: back(at) };
      return part === 'fill' ? setFill(figure, target, next) : setStroke(figure, target, { colour: next });
    },
  };
}

/** Takes hold of an end of a gradient, if the pointer is on one. */
export function pressGradient(editor: Editor, p: PanePoint): Gesture | null {
  const state = editor.getState();
  const run = gradientRun(state, p.pane);
  if (!run) return null;
  const pointer = new MotifPointer(editor, p.pane, placementIn(state, p.pane));
  const at = pointer.raw(p);
  const near = [...run.ends]
    .map(([end, place]) => ({ end, away: distance(place, at) }))
    .filter(({ away }) => away <= pointer.length(CATCH))
    .sort((a, b) => a.away - b.away)[0];
  if (!near) return null;
  const figure = shownFigure(state);
  let moved = false;
  return {
    move: (q) => {
      moved = true;
      preview(editor, run.put(figure, near.end, pointer.at(q)));
    },
    up: () => {
      if (moved) commit(editor, 'Move gradient', shownFigure(editor.getState()));
    },
    cancel: () => preview(editor, null),
  };
}
