/**
 * The whole figure larger or smaller: every length of it, and nothing else.
 *
 * @example
 * const twice = resized(figure, 2);
 * const inInches = inUnit(figure, 'in');        // 180 mm become 7.087 in: all is as large as before
 */
import { mappedPaints } from '../cellPaints';
import { applyTo, compose, ORIGIN, scaleBy, scaleMap } from '@/core/curve';
import { scaledForm } from '@/core/maker';
import { convertLength, type LengthUnit } from '@/core/number';
import { isGradient, mapFills, movedRun } from '@/core/paint';
import type { Fill, Paint, ScenePage } from '@/core/scene';
import type { Frame, Guide } from '@/core/symmetry';
import { resizedBend } from '../bent';
import type { Figure, Round, RoundMerge, Underlay } from '../model';
import { withRounds } from '../update';

/** A gradient with its ends in lengths; over each cell they are shares of its box. */
const resizedFill = (fill: Fill, factor: number): Fill =>
  isGradient(fill) && fill.spread !== 'cell' ? movedRun(fill, (p) => scaleBy(p, factor)) : fill;

function resizedPaint(paint: Paint, factor: number): Paint {
  const { stroke, ...rest } = mapFills(paint, (fill) => resizedFill(fill, factor));
  return {
    ...rest,
    stroke: stroke && {
      ...stroke,
      width: stroke.width * factor,
      ...(stroke.dashes && { dashes: stroke.dashes.map((length) => length * factor) }),
    },
  };
}

function resizedFrame({ polygon, rings, guides, ...rest }: Frame, factor: number): Frame {
  return {
    ...rest,
    polygon: polygon && { ...polygon, radius: polygon.radius * factor },
    rings: rings.map((radius) => radius * factor),
    guides: guides.map((guide): Guide => ({
      ...guide,
      at: scaleBy(guide.at, factor),
      ...(guide.kind === 'circle' && { radius: guide.radius * factor }),
    })),
  };
}

const resizedMerge = ({ cells, weave, ...merge }: RoundMerge, factor: number): RoundMerge => ({
  ...merge,
  paint: resizedPaint(merge.paint, factor),
  ...(cells && {
    cells: {
      ...cells,
      paints: mappedPaints(cells.paints, (paint) => resizedPaint(paint, factor)),
    },
  }),
  ...(weave && { weave: { ...weave, gap: weave.gap * factor } }),
});

const resizedRound = (round: Round, factor: number): Round => ({
  ...round,
  frame: resizedFrame(round.frame, factor),
  ...(round.groups && {
    groups: round.groups.map(({ bend, source, ...group }) => ({
      ...group,
      ...(bend && { bend: resizedBend(bend, factor) }),
      ...(source && { source: { ...source, place: compose(scaleMap(factor, ORIGIN), source.place) } }),
    })),
  }),
  shapes: round.shapes.map((shape) => ({
    ...shape,
    form: scaledForm(shape.form, factor, ORIGIN),
    paint: resizedPaint(shape.paint, factor),
  })),
  merge: round.merge && resizedMerge(round.merge, factor),
  ...(round.variation && { variation: { ...round.variation, out: round.variation.out * factor } }),
  ...(round.progression && { progression: { ...round.progression, out: round.progression.out * factor } }),
  ...(round.relief && { relief: { ...round.relief, edge: round.relief.edge * factor } }),
});

const resizedPage = ({ unit, background, ...page }: ScenePage, factor: number): ScenePage => ({
  unit,
  width: page.width * factor,
  height: page.height * factor,
  bleed: page.bleed * factor,
  centre: scaleBy(page.centre, factor),
  background: background && resizedFill(background, factor),
});

const resizedUnderlay = (underlay: Underlay, factor: number): Underlay => ({
  ...underlay,
  width: underlay.width * factor,
  height: underlay.height * factor,
  at: applyTo(scaleMap(factor, ORIGIN), underlay.at),
});

/** A figure so many times as large about its centre: page, artwork, strokes, guides and all. @param factor above 0 */
export function resized(figure: Figure, factor: number): Figure {
  if (factor === 1) return figure;
  const rounds = withRounds(figure, (round) => resizedRound(round, factor));
  return {
    ...rounds,
    page: resizedPage(figure.page, factor),
    underlay: figure.underlay && resizedUnderlay(figure.underlay, factor),
  };
}

/** A figure in another unit, as large as before. `setPage` with a unit keeps its numbers instead. */
export function inUnit(figure: Figure, unit: LengthUnit): Figure {
  const larger = resized(figure, convertLength(1, figure.page.unit, unit));
  return { ...larger, page: { ...larger.page, unit } };
}
