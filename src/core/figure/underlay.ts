/**
 * How an underlay is moved, turned and scaled, and laid by two of its points.
 *
 * @example
 * const laid = underlayThrough(underlay, [[tip, { x: 0, y: -80 }], [foot, { x: 0, y: 0 }]]);
 */
import {
  add,
  type Affine,
  applyTo,
  compose,
  distance,
  moveMap,
  ORIGIN,
  type Point,
  polarOf,
  scaleMap,
  subtract,
  turnMap,
} from '@/core/curve';
import { addTurns, negateTurn, NO_TURN, type Turn, turnFromDegrees, wrapTurn } from '@/core/number';
import { LIMITS, type Figure, type Underlay } from './model';

interface Similarity {
  readonly factor: number;
  readonly by: Turn;
  /** A point of the picture, and where it goes. */
  readonly from: Point;
  readonly to: Point;
}

/** The underlay scaled and turned about one of its points, which is put at a place. */
export function underlayBy(underlay: Underlay, { factor, by, from, to }: Similarity): Underlay {
  const map = compose(scaleMap(factor, ORIGIN), turnMap(by));
  return {
    ...underlay,
    width: underlay.width * factor,
    height: underlay.height * factor,
    rotation: wrapTurn(addTurns(underlay.rotation, by)),
    at: add(to, applyTo(map, subtract(underlay.at, from))),
  };
}

/** Two points of a picture, and where each is to lie. */
export type TwoPoints = readonly [readonly [from: Point, to: Point], readonly [from: Point, to: Point]];

/**
 * The underlay so that two of its points lie at two places: the first exactly, the second as exactly as an angle can be told.
 * @returns null where two of the points are at one place
 */
export function underlayThrough(underlay: Underlay, [[a, toA], [b, toB]]: TwoPoints): Underlay | null {
  const [before, after] = [distance(a, b), distance(toA, toB)];
  if (!(before > 0 && after > 0)) return null;
  const degrees = polarOf(subtract(toB, toA)).degrees - polarOf(subtract(b, a)).degrees;
  return underlayBy(underlay, { factor: after / before, by: turnFromDegrees(degrees), from: a, to: toA });
}

/** From the pixels of an underlay's picture, so wide and high, to where they lie. */
export function underlayMap(
  underlay: Underlay,
  pixels: { readonly width: number; readonly height: number },
): Affine {
  const fit = {
    a: underlay.width / pixels.width,
    b: 0,
    c: 0,
    d: underlay.height / pixels.height,
    e: -underlay.width / 2,
    f: -underlay.height / 2,
  };
  return compose(compose(moveMap(underlay.at), turnMap(underlay.rotation)), fit);
}

/** A rosette in a picture, in its pixels: where its centre is, how far it reaches, and which way its first copy stands, in degrees. */
export interface SeenRosette {
  readonly width: number;
  readonly height: number;
  readonly centre: Point;
  readonly reach: number;
  readonly axis: number;
}

/** The underlay with the centre of a rosette on the figure's, its axis straight up, and so large that it reaches to a radius. */
export function underlayRound(underlay: Underlay, seen: SeenRosette, radius: number): Underlay {
  const by = addTurns(turnFromDegrees(-seen.axis), negateTurn(underlay.rotation));
  const factor = (radius * seen.width) / (seen.reach * underlay.width);
  const from = applyTo(underlayMap(underlay, seen), seen.centre);
  return underlayBy(underlay, { factor, by: wrapTurn(by), from, to: ORIGIN });
}

/** A rosette that is laid in the wedge reaches so much of half the page. */
const REACH = 0.9;

/** How far from the centre a rosette reaches that is laid in the wedge, in the figure's unit. */
export const rosetteRadius = ({ width, height }: Figure['page']): number =>
  (REACH * Math.min(width, height)) / 2;

/** How the average of what an underlay shows is to lie in its place: about the centre, upright, so wide in the figure's unit. */
export function averageLies({ picture: _, ...look }: Underlay, width: number): Omit<Underlay, 'picture'> {
  const name = `Average of ${look.name}`.slice(0, LIMITS.name);
  return { ...look, name, width, height: width, at: ORIGIN, rotation: NO_TURN };
}
