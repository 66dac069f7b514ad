import { startStroke } from '../start';
import type { Work } from '@/core/derive';
import {
  type ColourPlan,
  coloursOfPlaces,
  type Inks,
  type Light,
  opaque,
  type PlacedRegion,
  type Relief,
} from '@/core/paint';
import type { Division } from '@/core/merge';
import type { Colour, Fill, Paint, ScenePage, Stroke } from '@/core/scene';
import { middleOf } from '@/core/curve';
import { pathsOfForm } from '@/core/maker';
import { reachOf } from '@/core/symmetry';
import { LIMITS, type Figure, type RoundId, type ShapeId } from '../model';
import type { StartPaints } from '../startPaint';
import { NO_CELL_EDITS } from '../cells';
import { changeCellPaint } from './cells';
import { roundOf, withRound } from './rounds';
import { withShapes } from './shapes';

/** What a paint command reaches: shapes of a round, or the outline of its merge. */
export type PaintTarget =
  | { readonly of: 'shapes'; readonly roundId: RoundId; readonly shapeIds: ReadonlySet<ShapeId> }
  | { readonly of: 'merge'; readonly roundId: RoundId }
  /** Shapes of more than one round. */
  | { readonly of: 'several'; readonly parts: readonly (PaintTarget & { readonly of: 'shapes' })[] }
  | {
      readonly of: 'cells';
      readonly roundId: RoundId;
      readonly division: Division;
      readonly refs: readonly string[];
      /** What cells begin with that were given no paint. */
      readonly start: StartPaints;
    };

function withPaint(figure: Figure, target: PaintTarget, change: (paint: Paint) => Paint): Figure {
  if (target.of === 'several')
    return target.parts.reduce((next, part) => withPaint(next, part, change), figure);
  if (target.of === 'shapes') {
    return withShapes(figure, target.roundId, target.shapeIds, (shape) => ({
      ...shape,
      paint: change(shape.paint),
    }));
  }
  if (target.of === 'cells')
    return changeCellPaint(figure, target.roundId, target.division, target.refs, target.start, change);
  return withRound(figure, target.roundId, (round) => {
    if (!round.merge) return round;
    const { cells, ...merge } = round.merge;
    // Said of a round, it is what all its cells have that were given none.
    const { fromShapes: _, ...edits } = cells ?? NO_CELL_EDITS;
    return { ...round, merge: { ...merge, paint: change(merge.paint), ...(cells && { cells: edits }) } };
  });
}

/** Colours the fills of shapes by a plan: by where they lie in the motif; overlap is their order from back to front. */
export function colourShapes(
  figure: Figure,
  roundId: RoundId,
  shapeIds: ReadonlySet<ShapeId>,
  plan: ColourPlan,
  work: Work,
): Figure {
  const chosen = roundOf(figure, roundId).shapes.filter(({ id }) => shapeIds.has(id));
  const places = chosen.map(({ form }, depth): PlacedRegion => {
    const paths = pathsOfForm(form, work);
    const { inner, outer } = reachOf(paths) ?? { inner: 0, outer: 0 };
    return { at: middleOf(paths), inner, outer, depth };
  });
  const colours = coloursOfPlaces(places, plan);
  const colourOf = new Map(chosen.map(({ id }, k) => [id, colours[k] ?? null]));
  return withShapes(figure, roundId, shapeIds, (shape) => ({
    ...shape,
    paint: { ...shape.paint, fill: colourOf.get(shape.id) ?? null },
  }));
}

/** Sets or takes away a fill. */
export const setFill = (figure: Figure, target: PaintTarget, fill: Fill | null): Figure =>
  withPaint(figure, target, (paint) => ({ ...paint, fill }));

/** Changes parts of a stroke, giving one to what has none; null takes it away. */
export const setStroke = (figure: Figure, target: PaintTarget, part: Partial<Stroke> | null): Figure =>
  withPaint(figure, target, (paint) => ({
    ...paint,
    stroke: part === null ? null : { ...(paint.stroke ?? startStroke(figure.page)), ...part },
  }));

/** Puts the stroke behind the fill, or over it. */
export const setBehind = (figure: Figure, target: PaintTarget, behind: boolean): Figure =>
  withPaint(figure, target, ({ behind: _, ...paint }) => (behind ? { ...paint, behind } : paint));

export const setPaint = (figure: Figure, target: PaintTarget, paint: Paint): Figure =>
  withPaint(figure, target, () => paint);

export const setPage = (figure: Figure, part: Partial<ScenePage>): Figure => ({
  ...figure,
  page: { ...figure.page, ...part },
});

/** Lights the facets of a round, or no longer. */
export const setLight = (figure: Figure, roundId: RoundId, light: Light | null): Figure =>
  withRound(figure, roundId, ({ light: _, ...round }) => (light ? { ...round, light } : round));

/** Makes raised wire or grooves of what a round draws, or no longer. */
export const setRelief = (figure: Figure, roundId: RoundId, relief: Relief | null): Figure =>
  withRound(figure, roundId, ({ relief: _, ...round }) => (relief ? { ...round, relief } : round));

export const renameFigure = (figure: Figure, name: string): Figure =>
  name.trim() === '' ? figure : { ...figure, name: name.trim() };

/** Adds a colour at the end of the figure's palette, once. */
export const addToPalette = (figure: Figure, colour: Colour): Figure =>
  figure.palette.includes(colour) ? figure : { ...figure, palette: [...figure.palette, colour] };

/** Says what a colour is printed with; null leaves that to follow from the colour. */
export function setInks(figure: Figure, colour: Colour, inks: Inks | null): Figure {
  const own = opaque(colour);
  const { inks: before = [], ...rest } = figure;
  const others = before.filter((each) => each.colour !== own);
  const now = inks ? [...others, { ...inks, colour: own }] : others;
  return { ...rest, ...(now.length > 0 && { inks: now.slice(-LIMITS.inks) }) };
}
