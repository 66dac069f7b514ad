/**
 * Directions, bends and cusps of segments.
 *
 * @example
 * directionAt(segment, 0.5); // { x: 0.6, y: 0.8 }
 */
import { cross, lengthOf, scaleBy, subtract, type Point } from './point';
import { derivativeAt, secondDerivativeAt, type CubicSegment, type Segment } from './segment';

/** To the left of a direction, as one looks along it on the screen: outward of an outline that runs clockwise. */
export const leftOf = ({ x, y }: Point): Point => ({ x: y, y: -x });

/** A share of a segment's size below which its speed is none. */
export const STILL = 1e-7;

const sizeOf = (segment: Segment): number =>
  segment.kind === 'cubic'
    ? Math.max(
        lengthOf(subtract(segment.out, segment.from)),
        lengthOf(subtract(segment.in, segment.from)),
        lengthOf(subtract(segment.to, segment.from)),
      )
    : lengthOf(derivativeAt(segment, 0));

/**
 * The unit direction of a segment. Where it has no speed, as where a handle lies on its node, the direction in which it leaves
 * (or, at its end, comes).
 */
export function directionAt(segment: Segment, t: number): Point {
  const speed = derivativeAt(segment, t);
  const size = sizeOf(segment);
  if (lengthOf(speed) > STILL * size) return scaleBy(speed, 1 / lengthOf(speed));
  const second = scaleBy(secondDerivativeAt(segment, t), t < 1 ? 1 : -1);
  if (lengthOf(second) > STILL * size) return scaleBy(second, 1 / lengthOf(second));
  const chord = subtract(segment.to, segment.from);
  return lengthOf(chord) > 0 ? scaleBy(chord, 1 / lengthOf(chord)) : { x: 1, y: 0 };
}

/** Curvature, positive where the segment turns clockwise on the screen; 0 where it has no speed. */
export function curvatureAt(segment: Segment, t: number): number {
  const speed = derivativeAt(segment, t);
  const v = lengthOf(speed);
  return v > STILL * sizeOf(segment) ? cross(speed, secondDerivativeAt(segment, t)) / v ** 3 : 0;
}

/** Where a cubic comes to a stop inside, which is where it has a cusp; null where it does not. */
export function cuspOf(segment: CubicSegment): number | null {
  const speed = (t: number): number => lengthOf(derivativeAt(segment, t));
  const STEPS = 16;
  let best = 0.5;
  let [slowest, fastest] = [Infinity, 0];
  for (let k = 1; k < STEPS; k += 1) {
    const v = speed(k / STEPS);
    fastest = Math.max(fastest, v);
    if (v >= slowest) continue;
    slowest = v;
    best = k / STEPS;
  }
  // A cubic's speed grows from its stop like a line at least: so near to one it is slow.
  if (slowest > 0.35 * fastest) return null;
  // Golden section about the slowest place (Kiefer, "Sequential minimax search for a maximum", 1953).
  const golden = (Math.sqrt(5) - 1) / 2;
  let [low, high] = [best - 1 / STEPS, best + 1 / STEPS];
  for (let k = 0; k < 60; k += 1) {
    const [a, b] = [high - golden * (high - low), low + golden * (high - low)];
    if (speed(a) < speed(b)) high = b;
    else low = a;
  }
  const t = (low + high) / 2;
  return t > 1e-6 && t < 1 - 1e-6 && speed(t) < 1e-6 * sizeOf(segment) ? t : null;
}
