import { boundsOfPaths, isEmptyBounds } from '../curve/bounds';
import { turnMap } from '../curve/affine';
import { mapPath, type Path } from '../curve/path';
import { polarOf, type Point } from '../curve/point';
import {
  addTurns,
  cosSin,
  degreesOf,
  multiplyTurn,
  negateTurn,
  turn,
  wrapTurn,
  type Turn,
} from '../number/turn';
import { stepOf, turnsOf, type TurnRule } from './rule';

/** Half a wedge: the turn from the axis to either ray. */
export const halfWedge = (rule: Pick<TurnRule, 'fold'>): Turn => turn(1, 2 * rule.fold);

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
export function pastRays(
  paths: readonly Path[],
  rule: Pick<TurnRule, 'fold'>,
): { left: number; right: number } {
  if (rule.fold < 3 || paths.length === 0) return { left: 0, right: 0 };
  const half = halfWedge(rule);
  const right = boundsOfPaths(paths.map((path) => mapPath(path, turnMap(negateTurn(half)))));
  const left = boundsOfPaths(paths.map((path) => mapPath(path, turnMap(half))));
  if (isEmptyBounds(right)) return { left: 0, right: 0 };
  return { left: Math.max(0, -left.left), right: Math.max(0, right.right) };
}
