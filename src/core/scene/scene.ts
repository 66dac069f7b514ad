import type { Path } from '../curve/path';
import type { Point } from '../curve/point';
import type { LengthUnit } from '../number/units';
import type { Turn } from '../number/turn';

/** A colour as `#rrggbb` or `#rrggbbaa`. */
export type Colour = string;

export const STROKE_CAPS = ['butt', 'round', 'square'] as const;
export const STROKE_JOINS = ['miter', 'round', 'bevel'] as const;

export interface Stroke {
  readonly colour: Colour;
  /** In the figure's unit. */
  readonly width: number;
  readonly cap: (typeof STROKE_CAPS)[number];
  readonly join: (typeof STROKE_JOINS)[number];
}

export interface Paint {
  readonly fill: Colour | null;
  readonly stroke: Stroke | null;
}

export type FillRule = 'nonzero' | 'evenodd';

/** One drawn thing in the wedge that stands upright. */
export interface SceneItem {
  /** The shape it comes from; null for the outline of a merge. */
  readonly shapeId: string | null;
  readonly paths: readonly Path[];
  readonly paint: Paint;
  readonly rule: FillRule;
  /** Drawn reflected about the axis. */
  readonly mirrored: boolean;
}

/** Items drawn once, and the turns at which the figure shows them: symmetry stays symmetry. */
export interface SceneLayer {
  readonly roundId: string;
  readonly turns: readonly Turn[];
  readonly items: readonly SceneItem[];
}

export interface ScenePage {
  readonly width: number;
  readonly height: number;
  readonly unit: LengthUnit;
  readonly background: Colour | null;
  /** How far the background goes on beyond the page for trimming, in the figure's unit. */
  readonly bleed: number;
  /** Where the figure's centre is, from the page's middle. */
  readonly centre: Point;
}

/** What every output draws, back to front; the figure's centre is 0, 0. */
export interface Scene {
  readonly page: ScenePage;
  readonly layers: readonly SceneLayer[];
}
