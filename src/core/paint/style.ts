/**
 * A paint as every output draws it: nothing left to choose, nothing left out. SVG text, the page's SVG, the canvas and what is to
 * come read this and nothing else, so that they cannot differ in a default.
 *
 * @example
 * const { fill, stroke, isStrokeFirst } = styleOf(item.paint, item.rule);
 */
import { type Affine, distance, type Point } from '@/core/curve';
import { remembered } from '../remembered';
import type { Colour, Fill, FillRule, Gradient, Paint, Stroke } from '@/core/scene';
import { opacityOf } from './colour';
import { isGradient } from './fills';
import { plainStops } from './gradient';
import { hasCircles, rimMap } from './run';

/** A colour with its opacity apart, as readers want it that know no eight digits. */
export interface FlatInk {
  readonly kind: 'flat';
  /** `#rrggbb`. */
  readonly colour: Colour;
  /** From 0 to 1. */
  readonly opacity: number;
}

interface Stop extends Omit<FlatInk, 'kind'> {
  /** From 0 to 1, never less than that of the stop before. */
  readonly at: number;
}

/** A gradient in the coordinates of what it paints, halfway between its stops everywhere in the middle. */
export type GradientInk =
  | { readonly kind: 'linear'; readonly from: Point; readonly to: Point; readonly stops: readonly Stop[] }
  | {
      readonly kind: 'radial';
      readonly centre: Point;
      readonly radius: number;
      /** What turns its circles into the ellipses that are drawn; none for circles. */
      readonly map?: Affine;
      readonly stops: readonly Stop[];
    };

export type Ink = FlatInk | GradientInk;

interface Style {
  readonly fill: { readonly ink: Ink; readonly rule: FillRule } | null;
  readonly stroke:
    | (Required<Omit<Stroke, 'colour'>> & {
        readonly ink: Ink;
      })
    | null;
  /** The fill lies over the stroke. */
  readonly isStrokeFirst: boolean;
}

/** SVG's own miter limit, which strokes have that say no other (SVG 2, section 13.5.4). */
export const MITER_LIMIT = 4;

const flatInk = (colour: Colour): FlatInk => ({
  kind: 'flat',
  colour: colour.slice(0, 7),
  opacity: opacityOf(colour),
});

const gradientInk = remembered((gradient: Gradient): GradientInk => {
  const { kind, from, to, stops: all } = gradient;
  const stops = plainStops(all).map(({ at, colour }): Stop => {
    const { kind: _, ...ink } = flatInk(colour);
    return { at, ...ink };
  });
  if (kind === 'linear') return { kind, from, to, stops };
  return hasCircles(gradient)
    ? { kind, centre: from, radius: distance(from, to), stops }
    : { kind, centre: { x: 0, y: 0 }, radius: 1, map: rimMap(gradient), stops };
});

const inkOf = (fill: Fill): Ink => (isGradient(fill) ? gradientInk(fill) : flatInk(fill));

const strokeOf = ({ colour, width, cap, join, limit = MITER_LIMIT, dashes = [] }: Stroke) => ({
  ink: inkOf(colour),
  width,
  cap,
  join,
  limit,
  dashes,
});

/** How a settled paint is drawn (see `withSettledGradients`). @param rule how closed paths fill together */
export const styleOf = ({ fill, stroke, behind }: Paint, rule: FillRule): Style => ({
  fill: fill === null ? null : { ink: inkOf(fill), rule },
  stroke: stroke && strokeOf(stroke),
  isStrokeFirst: behind === true && fill !== null && stroke !== null,
});

/** The inks of a paint, that of the fill first. */
export const inksOfPaint = ({ fill, stroke }: Paint): Ink[] =>
  [fill, stroke?.colour ?? null].flatMap((each) => (each === null ? [] : [inkOf(each)]));

/** A flat ink as CSS has it. */
export const cssColour = ({ colour, opacity }: Omit<FlatInk, 'kind'>): Colour =>
  opacity < 1
    ? `${colour}${Math.round(opacity * 255)
        .toString(16)
        .padStart(2, '0')}`
    : colour;
