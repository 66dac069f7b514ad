/**
 * What an editor holds in the figure's unit goes along when the figure is as large as before in another one: the tools' sizes and the views.
 * Where the numbers were kept instead, so are these.
 */
import type { Figure } from '../core/figure/model';
import { convertLength } from '../core/number/units';
import { shownFigure, type Editor, type EditorState } from './editorState';

/** By how much lengths were multiplied from one figure to the next as its unit changed; null where they were not. */
function unitFactor(before: Figure, after: Figure): number | null {
  if (before.page.unit === after.page.unit) return null;
  const factor = convertLength(1, before.page.unit, after.page.unit);
  const isSame = Math.abs(after.page.width / (before.page.width * factor) - 1) < 1e-6;
  return isSame ? factor : null;
}

const scaledView = <V extends { readonly scale: number }>(view: V | null, factor: number): V | null =>
  view && { ...view, scale: view.scale / factor };

/** An editor's lengths multiplied; what a pane shows stays where it is. */
function inOtherUnit(state: EditorState, factor: number): Partial<EditorState> {
  const { hand, stamp, paint, views, pivot } = state;
  const stroke = paint?.stroke;
  return {
    nudge: state.nudge * factor,
    pivot: pivot && { x: pivot.x * factor, y: pivot.y * factor },
    measured: null,
    views: { bench: scaledView(views.bench, factor), whole: scaledView(views.whole, factor) },
    hand: {
      ...hand,
      width: hand.width * factor,
      taper: hand.taper * factor,
      smoothing: hand.smoothing === null ? null : hand.smoothing * factor,
    },
    stamp: { ...stamp, size: stamp.size * factor, spacing: stamp.spacing * factor },
    ...(paint && {
      paint: { ...paint, stroke: stroke ? { ...stroke, width: stroke.width * factor } : null },
    }),
  };
}

/** Has an editor's own lengths follow the figure's unit, also when a change of it is undone. Returns how to end it. */
export const followUnit = (editor: Editor): (() => void) =>
  editor.subscribe((state, before) => {
    const [now, then] = [shownFigure(state), shownFigure(before)];
    if (now === then) return;
    const factor = unitFactor(then, now);
    if (factor !== null) editor.setState(inOtherUnit(state, factor));
  });
