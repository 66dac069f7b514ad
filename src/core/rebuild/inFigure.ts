/**
 * Shapes of a figure as finished artwork, and the rounds that were read of them in their place.
 *
 * @example
 * const drawing = drawingOfShapes(figure, 'r', ids, work);
 * const after = withRoundsOf(figure, 'r', ids, rebuilt.figure.rounds);
 */
import { type Affine, compose, mapPath, moveMap, ORIGIN, scaleMap, turnMap } from '@/core/curve';
import type { Work } from '@/core/derive';
import { addRound, removeRound, removeShapes } from '@/core/figure/commands';
import { type Figure, groupsAround, type Round, roundOf, type RoundId } from '@/core/figure';
import { type Drawing, type DrawnShape, mappedPaint } from '@/core/format/drawing';
import { pathsOfForm } from '@/core/maker';
import { convertLength } from '@/core/number';

/** From a round's motif, as its first copy stands, to pixels from the upper left corner of the page. */
function toPixels({ page }: Figure, { rule }: Round): Affine {
  const { width, height, unit, centre } = page;
  const pixel = convertLength(1, unit, 'px');
  const middle = moveMap({ x: (width / 2 + centre.x) * pixel, y: (height / 2 + centre.y) * pixel });
  return compose(middle, compose(scaleMap(pixel, ORIGIN), turnMap(rule.start)));
}

/** True where shapes can be read: they are as they are drawn, and nothing is made of them. */
export function canBeRead(round: Round, ids: ReadonlySet<string>): boolean {
  const own = round.shapes.filter(({ id }) => ids.has(id));
  return (
    own.length > 0 &&
    own.every(
      (shape) =>
        !shape.axis && groupsAround(round, shape).every(({ op, bend, axis }) => !op && !bend && !axis),
    )
  );
}

/** Shapes of a round as a drawing of the figure's page: those of its first copy. */
export function drawingOfShapes(
  figure: Figure,
  roundId: RoundId,
  ids: ReadonlySet<string>,
  work: Work,
): Drawing {
  const round = roundOf(figure, roundId);
  const map = toPixels(figure, round);
  const { width, height, unit } = figure.page;
  const shapes = round.shapes.filter(({ id, visible }) => visible && ids.has(id));
  return {
    title: round.name,
    width: convertLength(width, unit, 'px'),
    height: convertLength(height, unit, 'px'),
    unit,
    origin: ORIGIN,
    nodes: shapes.map(({ name, form, rule, paint }): DrawnShape => ({
      kind: 'shape',
      name,
      paths: pathsOfForm(form, work).map((path) => mapPath(path, map)),
      rule,
      paint: mappedPaint(paint, map),
    })),
    left: [],
  };
}

/** The figure with rounds in place of shapes; a round that loses all of its shapes goes. Their centre is the figure's. */
export function withRoundsOf(
  figure: Figure,
  roundId: RoundId,
  ids: ReadonlySet<string>,
  rounds: readonly Round[],
): Figure {
  const added = rounds.reduceRight((all, round) => addRound(all, round, roundId), figure);
  const without = removeShapes(added, roundId, ids);
  return roundOf(without, roundId).shapes.length > 0 ? without : removeRound(without, roundId);
}
