/**
 * Lengths that tools begin with, which follow the page: round numbers of about a hundredth of it, in its unit. What a person has set stays,
 * and goes along only where the figure is as large as before in another unit.
 *
 * @example
 * const end = followPage(editor);
 */
import { type Figure, handLength } from '@/core/figure';
import { convertLength } from '@/core/number';
import type { ScenePage, Stroke } from '@/core/scene';
import { shownFigure, type Editor, type EditorState } from './editorState';
import { HAND, NUDGE, STAMP } from './startLengths';

/** By how much lengths were multiplied from one figure to the next as its unit changed; null where they were not. */
function unitFactor(before: Figure, after: Figure): number | null {
  if (before.page.unit === after.page.unit) return null;
  const factor = convertLength(1, before.page.unit, after.page.unit);
  const isSame = Math.abs(after.page.width / (before.page.width * factor) - 1) < 1e-6;
  return isSame ? factor : null;
}

const scaledView = <V extends { readonly scale: number }>(view: V | null, factor: number): V | null =>
  view && { ...view, scale: view.scale / factor };

/** The tools' lengths on another page: those that were as at first are so there, others are multiplied. */
function onPage(
  { nudge, stamp, hand }: EditorState,
  before: ScenePage,
  after: ScenePage,
  factor: number,
): Pick<EditorState, 'nudge' | 'stamp' | 'hand'> {
  const [from, to] = [handLength(before), handLength(after)];
  const next = (value: number, times: number): number =>
    Math.abs(value - times * from) <= 1e-9 * from ? times * to : value * factor;
  return {
    nudge: next(nudge, NUDGE),
    stamp: {
      ...stamp,
      size: next(stamp.size, STAMP.size),
      spacing: next(stamp.spacing, STAMP.spacing),
    },
    hand: {
      ...hand,
      width: next(hand.width, HAND.width),
      taper: next(hand.taper, HAND.taper),
      smoothing: hand.smoothing === null ? null : hand.smoothing * factor,
    },
  };
}

/** A move in another unit; a direction is none. */
const movedBy = (
  { by, polar }: EditorState['transform'],
  factor: number,
): EditorState['transform']['by'] => ({
  x: by.x * factor,
  y: polar ? by.y : by.y * factor,
});

/** What else an editor holds in the figure's unit, multiplied; what a pane shows stays where it is. */
function inOtherUnit(
  { paint, line, views, pivot, transform }: EditorState,
  factor: number,
): Partial<EditorState> {
  const scaled = (stroke: Stroke): Stroke => ({ ...stroke, width: stroke.width * factor });
  return {
    line: line && scaled(line),
    transform: { ...transform, by: movedBy(transform, factor) },
    pivot: pivot && { x: pivot.x * factor, y: pivot.y * factor },
    measured: null,
    views: {
      bench: scaledView(views.bench, factor),
      whole: scaledView(views.whole, factor),
      lane: scaledView(views.lane, factor),
    },
    paint: paint && { ...paint, stroke: paint.stroke && scaled(paint.stroke) },
  };
}

/** Has an editor's own lengths follow the figure's page and unit, also when a change of these is undone. Returns how to end it. */
export const followPage = (editor: Editor): (() => void) =>
  editor.subscribe((state, before) => {
    const [now, then] = [shownFigure(state), shownFigure(before)];
    if (now.page === then.page) return;
    const factor = unitFactor(then, now);
    editor.setState({
      ...onPage(state, then.page, now.page, factor ?? 1),
      ...(factor !== null && inOtherUnit(state, factor)),
    });
  });
