import { boundsOfPaths, isEmptyBounds, mapPath, type Path, type Point, polarOf, turnMap } from '@/core/curve';
import {
  addTurns,
  cosSin,
  degreesOf,
  divideTurn,
  multiplyTurn,
  negateTurn,
  turn,
  type Turn,
  wrapTurn,
} from '@/core/number';
import { stepOf, turnsOf, type TurnRule } from './rule';

/** What says how wide a wedge is. */
export type Wedge = Pick<TurnRule, 'fold' | 'sweep'>;

/** Half a wedge: the turn from the axis to either ray. Where copies fill a part of a turn it is half of their step. */
export function halfWedge(wedge: Wedge): Turn {
  const half = divideTurn(stepOf(wedge), 2);
  const size = half.num < 0 ? negateTurn(half) : half;
  // Copies that are half a turn apart and more leave no wedge but all.
  return 2 * size.num > size.den ? turn(1, 2) : size;
}

/** True for a wedge of half a turn and more: no ray of it bounds what is drawn. */
export function isWide(wedge: Wedge): boolean {
  const { num, den } = halfWedge(wedge);
  return 4 * num >= den;
}

/** The point at a distance from the centre along a direction, a turn clockwise from straight up. */
export function alongTurn(direction: Turn, r: number): Point {
  const { cos, sin } = cosSin(direction);
  return { x: r * sin || 0, y: -r * cos || 0 };
}

/** The turn of the copy whose wedge holds the point; on a ray, the copy clockwise of it. */
export function copyAt(rule: TurnRule, p: Point): Turn {
  const step = stepOf(rule);
  const fromStart = polarOf(p).degrees - degreesOf(rule.start);
  if (!rule.sweep) {
    const index = Math.floor(fromStart / degreesOf(step) + 0.5);
    return wrapTurn(addTurns(rule.start, multiplyTurn(step, index)));
  }
  const away = (t: Turn): number =>
    Math.abs(((((polarOf(p).degrees - degreesOf(t)) % 360) + 540) % 360) - 180);
  return wrapTurn(turnsOf(rule).reduce((best, t) => (away(t) < away(best) - 1e-9 ? t : best)));
}

/**
 * How far paths reach past the wedge's rays, in the figure's unit, measured square to the ray; 0 inside the
 * wedge. Exact for a wedge under half a turn: the paths are turned until the ray stands upright and their
 * exact bounds are read. Beyond that (folds 1 and 2) nothing is counted as overlap.
 */
export function pastRays(paths: readonly Path[], rule: Wedge): { left: number; right: number } {
  if (isWide(rule) || paths.length === 0) return { left: 0, right: 0 };
  const half = halfWedge(rule);
  const right = boundsOfPaths(paths.map((path) => mapPath(path, turnMap(negateTurn(half)))));
  const left = boundsOfPaths(paths.map((path) => mapPath(path, turnMap(half))));
  if (isEmptyBounds(right)) return { left: 0, right: 0 };
  return { left: Math.max(0, -left.left), right: Math.max(0, right.right) };
}
