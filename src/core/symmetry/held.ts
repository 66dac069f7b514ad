/**
 * Directions that a line or a move is held to while Shift is down.
 *
 * @example
 * heldDirection(47, 15, { fold: 7 }); // 45°, a turn clockwise from straight up
 * heldDirection(26, 15, { fold: 7 }); // the ray itself, 180°/7: nearer than 30°
 */
import { addTurns, degreesOf, negateTurn, turn, type Turn, turnFromDegrees } from '@/core/number';
import { halfWedge, isWide, type Wedge } from './wedge';

/** The angle between two directions, in degrees from 0 to 180. */
const apart = (a: number, b: number): number => Math.abs(((((a - b) % 360) + 540) % 360) - 180);

/** Both rays of a wedge, what is square to them, and the ways back. */
function raysOf(wedge: Wedge): Turn[] {
  if (wedge.fold < 2 || isWide(wedge)) return [];
  const half = halfWedge(wedge);
  return [half, negateTurn(half)].flatMap((ray) => [0, 1, 2, 3].map((k) => addTurns(ray, turn(k, 4))));
}

/**
 * The direction nearest to one that is wanted, of multiples of a step from the axis and of those of the wedge's rays, along them and
 * square to them.
 * @param degrees clockwise from straight up
 * @param step in degrees
 */
export function heldDirection(degrees: number, step: number, wedge: Wedge): Turn {
  const stepped = turnFromDegrees(Math.round(degrees / step) * step);
  return raysOf(wedge).reduce(
    (best, ray) => (apart(degreesOf(ray), degrees) < apart(degreesOf(best), degrees) ? ray : best),
    stepped,
  );
}
