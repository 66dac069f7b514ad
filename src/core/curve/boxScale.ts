/**
 * How a corner or a side of a box that is dragged scales what is in it.
 *
 * @example
 * boxScale({ x: 1, y: 0 }, { x: 10, y: 5 }, { x: 15, y: 5 }, { x: 0, y: 5 }, false); // { x: 1.5, y: 1 }
 */
import { dot, subtract, type Point } from './point';

/** Nothing becomes smaller than this part of what it was in one drag. */
const SMALLEST = 0.01;

const atLeast = (factor: number): number => (Number.isFinite(factor) ? Math.max(SMALLEST, factor) : 1);

/**
 * The factors across and up.
 * @param side of the box that is held: −1, 0 or 1 across and down from its middle
 * @param held where it was
 * @param at where it is now
 * @param about what stays where it is
 * @param even true keeps proportions: a corner goes by how far it is along its diagonal
 */
export function boxScale(side: Point, held: Point, at: Point, about: Point, even: boolean): Point {
  const [before, now] = [subtract(held, about), subtract(at, about)];
  if (even && side.x !== 0 && side.y !== 0) {
    const factor = atLeast(dot(now, before) / dot(before, before));
    return { x: factor, y: factor };
  }
  const x = side.x === 0 ? 1 : atLeast(now.x / before.x);
  const y = side.y === 0 ? 1 : atLeast(now.y / before.y);
  return even ? { x: x * y, y: x * y } : { x, y };
}
