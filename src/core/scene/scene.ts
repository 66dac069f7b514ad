import type { Affine, Path, Point } from '@/core/curve';
import type { LengthUnit, Turn } from '@/core/number';

/** A colour as `#rrggbb` or `#rrggbbaa`. */
export type Colour = string;

export const STROKE_CAPS = ['butt', 'round', 'square'] as const;
export const STROKE_JOINS = ['miter', 'round', 'bevel'] as const;

/** A colour at a place of a gradient. */
export interface GradientStop {
  /** From 0 at the start to 1 at the end; never less than that of the stop before. */
  readonly at: number;
  /** With its opacity. */
  readonly colour: Colour;
  /** Where the colour is half that of the next stop, as a share of the way there; 0.5 without one. */
  readonly middle?: number;
}

/**
 * What one run of a gradient covers. cell: each shape, cell or outline for itself · copy: the motif, and turned with it · selection: the
 * same over shapes that were selected · round and page: all copies together, and not turned with them.
 */
export const SPREADS = ['cell', 'copy', 'selection', 'round', 'page'] as const;
export type Spread = (typeof SPREADS)[number];

export interface Gradient {
  readonly kind: 'linear' | 'radial';
  readonly spread: Spread;
  /**
   * Start and end; of a radial one its centre and a point of its rim. For `cell` in shares of the box, 0, 0 its upper left corner; for
   * `copy` and `selection` in motif coordinates, for `round` and `page` in those of the figure.
   */
  readonly from: Point;
  readonly to: Point;
  /** Of a radial one whose rings are ellipses: the point of the rim that a circle's quarter turn from `to` became. */
  readonly across?: Point;
  /** Two at least. */
  readonly stops: readonly GradientStop[];
  /** Runs the same way on reflected copies, instead of reflected with them. */
  readonly straight?: boolean;
}

export type Fill = Colour | Gradient;

export interface Stroke {
  readonly colour: Fill;
  /** In the figure's unit. */
  readonly width: number;
  readonly cap: (typeof STROKE_CAPS)[number];
  readonly join: (typeof STROKE_JOINS)[number];
  /** Miters longer than this many widths become bevels; 4 without one, as in SVG. */
  readonly limit?: number;
  /** Lengths drawn and left out in turn, in the figure's unit. */
  readonly dashes?: readonly number[];
}

export interface Paint {
  readonly fill: Fill | null;
  readonly stroke: Stroke | null;
  /** The stroke lies behind the fill instead of over it. */
  readonly behind?: boolean;
}

export type FillRule = 'nonzero' | 'evenodd';

/** What an item was made from: a shape, several merged to one outline, or the cells of kinds. */
export type Origin =
  | { readonly of: 'shape'; readonly shapeId: string }
  | { readonly of: 'outline'; readonly shapeIds: readonly string[] }
  | { readonly of: 'cells'; readonly keys: readonly string[] };

/** How items that lie together are laid on what is below them, as one. */
export interface Laid {
  readonly blend?: BlendMode;
  /** Less than 1 where they are seen through, together. */
  readonly opacity?: number;
}

/** A picture that is shown at a place, as it is by itself: all items of the place have the same one. */
export interface Shown {
  /** The same list for all places. */
  readonly of: readonly SceneItem[];
  readonly map: Affine;
}

/** One drawn thing in the wedge that stands upright. */
export interface SceneItem {
  /** Of the layer's round. */
  readonly origin: Origin;
  readonly paths: readonly Path[];
  readonly paint: Paint;
  readonly rule: FillRule;
  /** Drawn reflected about the axis. */
  readonly mirrored: boolean;
  /** Laid with the items beside it that have the same object here. */
  readonly laid?: Laid;
  /** Of a picture that is shown more than once: which, and where. */
  readonly shown?: Shown;
}

/** As in Compositing and Blending Level 1. */
export const BLEND_MODES = [
  'normal',
  'multiply',
  'screen',
  'overlay',
  'darken',
  'lighten',
  'color-dodge',
  'color-burn',
  'hard-light',
  'soft-light',
  'difference',
  'exclusion',
  'hue',
  'saturation',
  'color',
  'luminosity',
] as const;
export type BlendMode = (typeof BLEND_MODES)[number];

/** A place at which items are shown. */
export interface SceneCopy {
  readonly turn: Turn;
  /** Before the turn: what moves the upright motif to the upright copy. */
  readonly transform?: Affine | null;
  /** Less than 1 where the copy is seen through. */
  readonly opacity?: number;
  /** Instead of the layer's items, as where the copy has other colours. */
  readonly items?: readonly SceneItem[];
}

/** Items drawn once, and the copies in which the figure shows them: symmetry stays symmetry. */
export interface SceneLayer {
  readonly roundId: string;
  readonly copies: readonly SceneCopy[];
  readonly items: readonly SceneItem[];
  /** How each copy is laid on what is below it. */
  readonly blend?: BlendMode | undefined;
  /** All of it together as raised wire or grooves; see core/paint/relief. */
  readonly relief?: LayerRelief | undefined;
}

export interface LayerRelief {
  readonly how: 'raised' | 'sunken';
  /** In the figure's unit. */
  readonly edge: number;
  /** Where the light comes from, clockwise from straight up. */
  readonly from: Turn;
}

export interface ScenePage {
  readonly width: number;
  readonly height: number;
  readonly unit: LengthUnit;
  /** A gradient of it is spread over the page. */
  readonly background: Fill | null;
  /** How far the background goes on beyond the page for trimming, in the figure's unit. */
  readonly bleed: number;
  /** Where the figure's centre is, from the page's middle. */
  readonly centre: Point;
}

/** What every output draws, back to front; the figure's centre is 0, 0. */
export interface Scene {
  readonly page: ScenePage;
  readonly layers: readonly SceneLayer[];
  /** Instead of `layers`, where neighbours are to meet and not to overlap, as for a cutter; none where they do already. */
  readonly abutting?: readonly SceneLayer[];
}

/**
 * How areas that lie side by side are drawn. overlap: what is painted first reaches under what comes after it, so that nothing shows
 * between them · abut: each ends where the next begins
 */
export type Neighbours = 'overlap' | 'abut';

/** What is drawn of a scene. */
export const layersOf = ({ layers, abutting }: Scene, neighbours: Neighbours): readonly SceneLayer[] =>
  neighbours === 'abut' ? (abutting ?? layers) : layers;
