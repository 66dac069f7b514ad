/**
 * How an underlay is moved, turned and scaled, and laid by two of its points.
 *
 * @example
 * const laid = underlayThrough(underlay, [[tip, { x: 0, y: -80 }], [foot, { x: 0, y: 0 }]]);
 */
import { add, distance, polarOf, subtract, type Point } from '../curve/point';
import { applyTo, compose, scaleMap, turnMap } from '../curve/affine';
import { ORIGIN } from '../curve/point';
import { addTurns, turnFromDegrees, wrapTurn, type Turn } from '../number/turn';
import type { Underlay } from './model';

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
