import type { Colour, Fill, Gradient, Paint } from '@/core/scene';
import { remembered } from '../remembered';

export const isGradient = (fill: Fill | null | undefined): fill is Gradient =>
  typeof fill === 'object' && fill !== null;

/** A fill with each of its colours changed. */
export const mapFill = (fill: Fill, change: (colour: Colour) => Colour): Fill =>
  isGradient(fill)
    ? { ...fill, stops: fill.stops.map((stop) => ({ ...stop, colour: change(stop.colour) })) }
    : change(fill);

/** A paint with its fill and the fill of its stroke changed; the same object where neither is. */
export function mapFills(paint: Paint, change: (fill: Fill) => Fill): Paint {
  const { fill, stroke } = paint;
  const area = fill && change(fill);
  const line = stroke && change(stroke.colour);
  if (area === fill && line === (stroke && stroke.colour)) return paint;
  return { ...paint, fill: area, stroke: stroke && line !== null ? { ...stroke, colour: line } : null };
}

/** A paint with each of its colours changed. */
export const mapPaint = (paint: Paint, change: (colour: Colour) => Colour): Paint =>
  mapFills(paint, (fill) => mapFill(fill, change));

/** The colours of a fill, in order. */
export const coloursOfFill = (fill: Fill | null): readonly Colour[] =>
  fill === null ? [] : isGradient(fill) ? fill.stops.map(({ colour }) => colour) : [fill];

export const coloursOfPaint = ({ fill, stroke }: Paint): readonly Colour[] => [
  ...coloursOfFill(fill),
  ...coloursOfFill(stroke?.colour ?? null),
];

/** The colour that stands for a fill where there is room for one alone: of a gradient its first. */
export const firstColour = (fill: Fill | null): Colour | null => coloursOfFill(fill)[0] ?? null;

export const sameFill = (a: Fill | null, b: Fill | null): boolean =>
  a === b || (isGradient(a) && isGradient(b) && JSON.stringify(a) === JSON.stringify(b));

/** What two paints share only where they look the same; made once for each. */
export const nameOfPaint = remembered((paint: Paint): string => JSON.stringify(paint));
