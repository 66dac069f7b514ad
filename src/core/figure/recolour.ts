import { allPaints, mappedPaints } from './cellPaints';
import {
  carriedNames,
  type ColourInks,
  coloursOfFill,
  coloursOfPaint,
  contrastOf,
  mapFill,
  mapPaint,
  oklchOf,
  opaque,
  rampColour,
} from '@/core/paint';
import type { Colour, Paint } from '@/core/scene';
import type { Figure, Round, Shape, RoundId, ShapeId } from './model';
import { isBuilt, makerOf, withParams } from '@/core/maker';
import { remembered } from '../remembered';
import { withRound, withRounds } from './update';

/** What colours are changed of: shapes of a round, a round, or all of the figure, its page and palette too. */
export type ColourScope =
  | { readonly of: 'shapes'; readonly roundId: RoundId; readonly shapeIds: ReadonlySet<ShapeId> }
  | { readonly of: 'round'; readonly roundId: RoundId }
  | { readonly of: 'figure' };

type Change = (colour: Colour) => Colour;

function recolouredShape(shape: Shape, change: Change): Shape {
  const paint = mapPaint(shape.paint, change);
  const { form } = shape;
  const recolour = isBuilt(form) ? makerOf(form.kind).recoloured : undefined;
  return isBuilt(form) && recolour
    ? { ...shape, paint, form: withParams(form, recolour(form.params, change)) }
    : { ...shape, paint };
}

function recolouredRound(round: Round, change: Change): Round {
  const { merge, variation, progression } = round;
  const paints = merge?.cells && new Map<Paint, Paint>();
  const once = (paint: Paint): Paint => {
    const known = paints?.get(paint) ?? mapPaint(paint, change);
    paints?.set(paint, known);
    return known;
  };
  return {
    ...round,
    shapes: round.shapes.map((shape) => recolouredShape(shape, change)),
    merge: merge && {
      ...merge,
      paint: mapPaint(merge.paint, change),
      ...(merge.cells && {
        cells: {
          ...merge.cells,
          paints: mappedPaints(merge.cells.paints, once),
        },
      }),
    },
    ...(variation?.tint && { variation: { ...variation, tint: change(variation.tint) } }),
    ...(progression?.tint && { progression: { ...progression, tint: change(progression.tint) } }),
  };
}

/** A figure with each colour in a scope changed. */
export function recoloured(figure: Figure, scope: ColourScope, change: Change): Figure {
  const known = new Map<Colour, Colour>();
  const once: Change = (colour) => {
    const before = known.get(colour) ?? change(colour);
    known.set(colour, before);
    return before;
  };
  if (scope.of !== 'figure')
    return withRound(figure, scope.roundId, (round) =>
      scope.of === 'round'
        ? recolouredRound(round, once)
        : {
            ...round,
            shapes: round.shapes.map((shape) =>
              scope.shapeIds.has(shape.id) ? recolouredShape(shape, once) : shape,
            ),
          },
    );
  const { background } = figure.page;
  return {
    ...withRounds(figure, (round) => recolouredRound(round, once)),
    page: { ...figure.page, background: background && mapFill(background, once) },
    palette: [...new Set(figure.palette.map(once))],
    ...(figure.colourNames && { colourNames: carriedNames(figure.colourNames, once) }),
    ...(figure.inks && { inks: recolouredInks(figure.inks, once) }),
  };
}

/** What colours are printed with goes along with them; of two that become one the first counts. */
function recolouredInks(inks: readonly ColourInks[], change: (colour: Colour) => Colour): ColourInks[] {
  const made = new Map<Colour, ColourInks>();
  for (const each of inks) {
    const colour = opaque(change(each.colour));
    if (!made.has(colour)) made.set(colour, { ...each, colour });
  }
  return [...made.values()];
}

/** Puts one colour in the place of another, wherever in the figure it is. */
export const swapColour = (figure: Figure, from: Colour, to: Colour): Figure =>
  recoloured(figure, { of: 'figure' }, (colour) => (colour === from ? to : colour));

interface ColourUse {
  readonly colour: Colour;
  readonly uses: number;
}

/** What a shape is painted with: what keeps paints of its own by those of its parts. */
const paintsOfShape = ({ paint, form }: Shape): readonly Paint[] =>
  (isBuilt(form) ? makerOf(form.kind).paints?.(form.params) : undefined) ?? [paint];

/** The colours of shapes, each once, in the order in which they come. */
export const coloursOfShapes = (shapes: readonly Shape[]): Colour[] => [
  ...new Set(shapes.flatMap(paintsOfShape).flatMap(coloursOfPaint)),
];

function countedColours({ page, rounds }: Figure): ColourUse[] {
  const uses = new Map<Colour, number>();
  const count = (colours: readonly Colour[]): void =>
    colours.forEach((colour) => uses.set(colour, (uses.get(colour) ?? 0) + 1));
  count(coloursOfFill(page.background));
  for (const { shapes, merge } of rounds) {
    for (const shape of shapes) {
      const paints = paintsOfShape(shape);
      const isOwn = paints[0] === shape.paint;
      if (!isOwn || !merge || merge.cells?.fromShapes)
        paints.forEach((paint) => count(coloursOfPaint(paint)));
    }
    if (merge && !merge.cells?.fromShapes) count(coloursOfPaint(merge.paint));
    for (const paint of allPaints(merge?.cells?.paints ?? {})) count(coloursOfPaint(paint));
  }
  return [...uses].map(([colour, n]) => ({ colour, uses: n })).sort((a, b) => b.uses - a.uses);
}

/** The colours that a figure is painted with, the most used first; those of its palette that paint nothing are not among them. */
export const coloursOfFigure = remembered((figure: Figure): readonly ColourUse[] => countedColours(figure));

/**
 * The colour on which a figure is seen best: white, one of its palette or black, by the contrast (WCAG 2.2) of what stands out least.
 * Colours that the figure is painted with are none.
 */
export function paperOf(figure: Figure): Colour {
  const painted = coloursOfFigure(figure).map(({ colour }) => colour.slice(0, 7));
  const least = (paper: Colour): number => Math.min(21, ...painted.map((each) => contrastOf(each, paper)));
  const papers = [...new Set(['#ffffff', ...figure.palette.map((each) => each.slice(0, 7)), '#000000'])];
  return papers.reduce((best, next) => (least(next) > least(best) ? next : best));
}

const opacityPart = (colour: Colour): string => colour.slice(7);

/**
 * A figure in the colours of a palette: its colours, from dark to light, become those of the palette from dark to light, so that what
 * was lighter stays lighter. Where the palette has fewer, some are mixed between them.
 */
export function inPalette(figure: Figure, palette: readonly Colour[]): Figure {
  if (palette.length === 0) return figure;
  const own = coloursOfFigure(figure).map(({ colour }) => colour);
  const made = recoloured(figure, { of: 'figure' }, intoPalette(own, palette));
  // What was called the client's red is not what stands in its place.
  const { colourNames: _, ...unnamed } = made;
  const { colourNames } = figure;
  return { ...unnamed, palette: [...new Set(palette)], ...(colourNames && { colourNames }) };
}

/** What puts colours, from dark to light, in those of a palette from dark to light; their opacity stays. */
export function intoPalette(colours: readonly Colour[], palette: readonly Colour[]): Change {
  if (palette.length === 0) return (colour) => colour;
  const light = (colour: Colour): number => oklchOf(colour).l;
  const order = (list: readonly Colour[]): Colour[] =>
    [...new Set(list.map((each) => each.slice(0, 7)))].sort((a, b) => light(a) - light(b));
  const own = order(colours);
  const wanted = order(palette);
  const to = new Map(
    own.map((colour, k) => [colour, rampColour(wanted, own.length > 1 ? k / (own.length - 1) : 0.5)]),
  );
  return (colour) => (to.get(colour.slice(0, 7)) ?? colour.slice(0, 7)) + opacityPart(colour);
}
