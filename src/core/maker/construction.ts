import {
  type Affine,
  type ArcSegment,
  type Contour,
  cross,
  dot,
  line,
  mappedContours,
  ORIGIN,
  type Path,
  type Point,
  scaleMap,
  subtract,
} from '@/core/curve';
import type { BandJoin } from '@/core/merge';
import type { Task } from '@/core/derive';
import type { Finding } from '@/core/finding';
import type { Colour, FillRule, Laid, Paint } from '@/core/scene';
import type { Turn } from '@/core/number';
import type { Words } from '@/core/words';
import type { DrawnPart, Place } from './drawn';

/**
 * What a construction keeps: lengths in the figure's unit, counts, shares, exact angles, choices, lists, and curves
 * that were drawn, in its own coordinates. */
export type Value =
  | number
  | string
  | Turn
  | readonly number[]
  | readonly Contour[]
  | readonly DrawnPart[]
  | readonly Place[]
  | Words;
export type Params = Readonly<Record<string, Value>>;

interface Asked<N> {
  readonly key: keyof N & string;
  readonly label: string;
  /** False where the number does not count for what else is chosen. */
  readonly when?: (params: N) => boolean;
  /** What stands where none is kept, as in files from before the field was; without it one has to be there. */
  readonly absent?: Value;
}

/** A number that a construction asks for, as a field of the inspector and a rule of the file format. */
export type Field<N> = Asked<N> &
  (
    | { readonly type: 'length'; readonly mayBeZero?: boolean }
    | { readonly type: 'count'; readonly least: number; readonly most: number }
    | { readonly type: 'share'; readonly least: number; readonly most: number }
    | { readonly type: 'turn' }
    | { readonly type: 'choice'; readonly choices: readonly (readonly [value: string, label: string])[] }
    | { readonly type: 'list'; readonly most: number; readonly lengths?: true }
    /**
     * Drawn by hand and not asked for in words. `of` where they may be another shape's: as that lies in the motif, or about the middle of its
     * box or its centroid.
     */
    | { readonly type: 'drawn'; readonly of?: 'place' | 'box' | 'centroid' }
    /** Shapes with their paint, and where they are shown. */
    | { readonly type: 'parts'; readonly mayBeNone?: boolean }
    | { readonly type: 'places' }
    /** Text with its face and outlines. */
    | { readonly type: 'words' }
  );

/** A point that a person drags, in the construction's own coordinates, and what it does to the numbers. */
interface Grip<N> {
  readonly id: string;
  readonly at: Point;
  readonly drag: (to: Point) => Partial<N>;
  /** The field whose curves it is a node of. */
  readonly field?: string;
  /** Where the drag puts the construction's origin, in its coordinates of before; it stays where none is given. */
  readonly origin?: (to: Point) => Point;
}

/** How a shape or a part of it is painted and filled. */
export interface ShapePaint {
  readonly paint: Paint;
  readonly rule: FillRule;
  /** The same object for parts that are laid as one. */
  readonly laid?: Laid;
}

/** A figure that follows from the numbers. */
export interface MakerFact {
  readonly caption: string;
  readonly value: number;
  readonly as: 'length' | 'degrees' | 'plain';
}

/**
 * A construction from numbers that stays numbers. Its own coordinates have the origin where it is placed and are
 * upright: its far end lies straight up.
 */
export interface Maker<N extends Params, S = undefined> {
  readonly name: string;
  /** What its origin is called; “Origin” without it. */
  readonly originName?: string;
  readonly fields: readonly Field<N>[];
  /** Params to begin with, of a page some 180 across. */
  readonly start: N;
  /** Why the numbers make nothing, with what would; null where they may. Looks at the numbers alone and takes no time. */
  readonly problem: (params: N) => Finding | null;
  /** The params with those that follow from others; all are kept, so that each can be asked for. */
  readonly completed?: (params: N) => N;
  /** What has to be worked out before it can be drawn: a task whose answer the other functions get. Most have none. */
  readonly solve?: (params: N) => Task<S>;
  /** The paths in own coordinates. */
  readonly paths: (params: N, ...solved: S extends undefined ? [] : [solved: S]) => readonly Path[];
  /** How many of the paths, one after the other, make each part with its holes, again and again to the end; one each without it. */
  readonly partSizes?: (params: N) => readonly number[];
  /** True where all paths together are one part with its holes. */
  readonly isOnePart?: boolean;
  /** How far the far end is from the origin; without it, there is no such end to drag. */
  readonly extent?: (params: N) => number;
  /** The numbers with the far end elsewhere; without it all lengths are scaled. */
  readonly reached?: (params: N, extent: number) => N;
  /** The params with a symmetry about the origin that a round of a fold has too, so that its turns lie on one another. */
  readonly inFold?: (params: N, fold: number) => N;
  /** True where the far end stays when the origin is dragged. */
  readonly holdsFarEnd?: boolean;
  /** The params with its width alone multiplied; null where it has none of its own now, and without it never. */
  readonly widened?: (params: N, factor: number) => N | null;
  /** The params of what is so many times as wide and as high, upright; without it that is no construction of its kind. */
  readonly stretched?: (params: N, across: number, up: number) => N;
  /** True where the nodes of its paths are no corners to be caught. */
  readonly isWithoutCorners?: boolean;
  /** The paints that it keeps itself, of what is painted by its own parts; with other colours. */
  readonly paints?: (params: N) => readonly Paint[];
  readonly recoloured?: (params: N, change: (colour: Colour) => Colour) => N;
  /**
   * What each of so many parts is painted with; null, as without it, where all are in the shape's own paint.
   * @param map from the construction's coordinates to the motif's, in which paints stand
   */
  readonly painted?: (
    params: N,
    shape: ShapePaint,
    parts: number,
    map: Affine,
  ) => readonly ShapePaint[] | null;
  /** The fill rule that shows it best; nonzero without one. */
  readonly rule?: 'evenodd';
  readonly grips?: (params: N, solved: S | undefined) => readonly Grip<N>[];
  readonly facts?: (params: N, paths: readonly Path[], solved: S | undefined) => readonly MakerFact[];
}

/** How the corners of an outline are joined. */
export const JOIN_FIELDS: readonly Field<{ readonly join: BandJoin; readonly limit: number }>[] = [
  {
    key: 'join',
    label: 'Join',
    type: 'choice',
    choices: [
      ['miter', 'Miter'],
      ['round', 'Round'],
      ['bevel', 'Bevel'],
    ],
  },
  {
    key: 'limit',
    label: 'Miter limit',
    type: 'share',
    least: 1,
    most: 100,
    when: ({ join }) => join === 'miter',
  },
];

/** The numbers with every length multiplied by a factor. */
export function scaledParams<N extends Params, S>(maker: Maker<N, S>, params: N, factor: number): N {
  const scaled: Record<string, Value> = { ...params };
  for (const field of maker.fields) {
    const { key, type } = field;
    const value = params[key];
    if (type === 'length' && value !== undefined) scaled[key] = (value as number) * factor;
    if (type === 'list' && field.lengths)
      scaled[key] = (params[key] as readonly number[]).map((length) => length * factor);
    if (type === 'drawn')
      scaled[key] = mappedContours(params[key] as readonly Contour[], scaleMap(factor, ORIGIN));
    if (type === 'places')
      scaled[key] = (params[key] as readonly Place[]).map((place) => ({
        ...place,
        x: place.x * factor,
        y: place.y * factor,
        size: place.size * factor,
      }));
  }
  return scaled as N;
}

/** A closed path of straight sides. */
export const polygonOf = (corners: readonly Point[]): Path => ({
  closed: true,
  segments: corners.map((corner, k) => line(corner, corners[(k + 1) % corners.length] ?? corner)),
});

/** An open straight line. */
export const lineOf = (from: Point, to: Point): Path => ({ closed: false, segments: [line(from, to)] });

/** The arc from one point to another about a centre, clockwise on the screen or the other way. */
export function arcAbout(
  from: Point,
  to: Point,
  centre: Point,
  radius: number,
  clockwise = true,
): ArcSegment {
  const [a, b] = [subtract(from, centre), subtract(to, centre)];
  const angle = Math.atan2(cross(a, b), dot(a, b));
  const full = 2 * Math.PI;
  const sweep = clockwise ? (angle <= 0 ? angle + full : angle) : angle >= 0 ? angle - full : angle;
  return { kind: 'arc', from, to, centre, radius, sweep };
}

/** The reflection of a point about the axis. */
export const reflected = ({ x, y }: Point): Point => ({ x: -x || 0, y });
