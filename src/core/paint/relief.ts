import { degreesOf, type Turn, turnFromDegrees } from '@/core/number';

/** Lines and shapes of a round as raised wire, or sunken as grooves. */
export interface Relief {
  readonly how: 'raised' | 'sunken';
  /** How wide the rounded edge is, in the figure's unit. */
  readonly edge: number;
}

/** Where the light on wire comes from where the round has none of its own: the upper left, as is common practice. */
export const START_LIGHT: Turn = turnFromDegrees(-45);

/**
 * What SVG's lighting needs (Filter Effects Module Level 1, feDiffuseLighting with feDistantLight), in pixels. Renderers do not agree
 * whether a scaled surface is as much higher, so what is lit is drawn in pixels, in a group that takes the scale back.
 */
export interface ReliefFilter {
  /** Of the blur that rounds the edge. */
  readonly deviation: number;
  /** Of the blur that takes from the light the steps of a height of 8 bits. */
  readonly smoothing: number;
  readonly surfaceScale: number;
  /** Degrees from the x axis, clockwise as y goes down. */
  readonly azimuth: number;
  readonly elevation: number;
  /** How much of the plain colour is added to the lit one, so that what lies flat keeps its colour. */
  readonly plain: number;
}

const ELEVATION = 45;

/** Slope of the steepest part of the rounded edge. */
const SLOPE = 1.1;

/** Of the rounded edge's blur. */
const SMOOTHING = 0.3;

/** The filter for a relief. A blurred edge of deviation σ is 1 / (σ √(2π)) steep; its slope is the same in any size. */
export function reliefFilter({ how, edge }: Relief, from: Turn, pixelsPerUnit: number): ReliefFilter {
  const deviation = (edge / 2) * pixelsPerUnit;
  const light = degreesOf(from) - 90 + (how === 'sunken' ? 180 : 0);
  return {
    deviation,
    smoothing: SMOOTHING * deviation,
    surfaceScale: SLOPE * deviation * Math.sqrt(2 * Math.PI),
    azimuth: ((light % 360) + 360) % 360,
    elevation: ELEVATION,
    plain: 1 - Math.sin((ELEVATION * Math.PI) / 180),
  };
}
