import type { Colour, Paint, ScenePage, Stroke } from '../../scene/scene';
import type { Figure } from '../model';
import { withRound } from './rounds';
import { withShapes } from './shapes';

/** What a paint command reaches: shapes of a round, or the outline of its merge. */
export type PaintTarget =
  | { readonly of: 'shapes'; readonly roundId: string; readonly shapeIds: ReadonlySet<string> }
  | { readonly of: 'merge'; readonly roundId: string };

function withPaint(figure: Figure, target: PaintTarget, change: (paint: Paint) => Paint): Figure {
  if (target.of === 'shapes') {
    return withShapes(figure, target.roundId, target.shapeIds, (shape) => ({
      ...shape,
      paint: change(shape.paint),
    }));
  }
  return withRound(figure, target.roundId, (round) =>
    round.merge ? { ...round, merge: { ...round.merge, paint: change(round.merge.paint) } } : round,
  );
}

/** Sets or takes away a fill. */
export const setFill = (figure: Figure, target: PaintTarget, fill: Colour | null): Figure =>
  withPaint(figure, target, (paint) => ({ ...paint, fill }));

/** The stroke that a shape gets when only part of one has been said. */
const FIRST_STROKE: Stroke = { colour: '#113d4c', width: 1, cap: 'round', join: 'round' };

/** Changes parts of a stroke, giving one to what has none; null takes it away. */
export const setStroke = (figure: Figure, target: PaintTarget, part: Partial<Stroke> | null): Figure =>
  withPaint(figure, target, (paint) => ({
    ...paint,
    stroke: part === null ? null : { ...(paint.stroke ?? FIRST_STROKE), ...part },
  }));

export const setPaint = (figure: Figure, target: PaintTarget, paint: Paint): Figure =>
  withPaint(figure, target, () => paint);

export const setPage = (figure: Figure, part: Partial<ScenePage>): Figure => ({
  ...figure,
  page: { ...figure.page, ...part },
});

export const renameFigure = (figure: Figure, name: string): Figure =>
  name.trim() === '' ? figure : { ...figure, name: name.trim() };

/** Adds a colour at the end of the figure's palette, once. */
export const addToPalette = (figure: Figure, colour: Colour): Figure =>
  figure.palette.includes(colour) ? figure : { ...figure, palette: [...figure.palette, colour] };
