import { degreesOf, turnFromDegrees, type Turn } from '../number/turn';

/** Lines and shapes of a round as raised wire, or sunken as grooves. */
export interface Relief {
  readonly how: 'raised' | 'sunken';
  /** How wide the rounded edge is, in the figure's unit. */
  readonly edge: number;
}

/** Where the light on wire comes from where the round has none of its own: the upper left, as is common practice. */
export const START_LIGHT: Turn = turnFromDegrees(-45);

/** What SVG's lighting needs (Filter Effects Module Level 1, feDiffuseLighting with feDistantLight). */
export interface ReliefFilter {
  /** Of the blur that rounds the edge, in user units. */
  readonly deviation: number;
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

/**
 * The filter for a relief. A blurred edge of deviation σ is 1 / (σ √(2π)) steep, in pixels of the picture: the scale of the surface follows
 * how many there are to a unit, so that the relief looks the same in any size.
 */
export function reliefFilter({ how, edge }: Relief, from: Turn, pixelsPerUnit: number): ReliefFilter {
  const deviation = edge / 2;
  const light = degreesOf(from) - 90 + (how === 'sunken' ? 180 : 0);
  return {
    deviation,
    surfaceScale: SLOPE * deviation * pixelsPerUnit * Math.sqrt(2 * Math.PI),
    azimuth: ((light % 360) + 360) % 360,
    elevation: ELEVATION,
    plain: 1 - Math.sin((ELEVATION * Math.PI) / 180),
  };
}
