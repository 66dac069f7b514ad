import { arcLength } from './length';
import { partOf } from './part';
import { add, cross, dot, lengthOf, scaleBy, subtract, type Point } from './point';
import { cubic, derivativeAt, line, pointAt, type CubicSegment, type Segment } from './segment';

/** To the left of a direction, as one looks along it on the screen: outward of an outline that runs clockwise. */
export const leftOf = ({ x, y }: Point): Point => ({ x: y, y: -x });

function secondAt(segment: Segment, t: number): Point {
  if (segment.kind === 'line') return { x: 0, y: 0 };
  if (segment.kind === 'arc')
    return scaleBy(subtract(pointAt(segment, t), segment.centre), -segment.sweep * segment.sweep);
  const { from, out, in: into, to } = segment;
  const at = (a: number, b: number, c: number, d: number): number =>
    6 * ((1 - t) * (c - 2 * b + a) + t * (d - 2 * c + b));
  return { x: at(from.x, out.x, into.x, to.x), y: at(from.y, out.y, into.y, to.y) };
}

/** A share of a segment's size below which its speed is none. */
const STILL = 1e-7;

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
  const second = scaleBy(secondAt(segment, t), t < 1 ? 1 : -1);
  if (lengthOf(second) > STILL * size) return scaleBy(second, 1 / lengthOf(second));
  const chord = subtract(segment.to, segment.from);
  return lengthOf(chord) > 0 ? scaleBy(chord, 1 / lengthOf(chord)) : { x: 1, y: 0 };
}

/** Curvature, positive where the segment turns clockwise on the screen; 0 where it has no speed. */
export function curvatureAt(segment: Segment, t: number): number {
  const speed = derivativeAt(segment, t);
  const v = lengthOf(speed);
  return v > STILL * sizeOf(segment) ? cross(speed, secondAt(segment, t)) / v ** 3 : 0;
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

/** Distances to the left at both ends of a segment; between them they change evenly along its length. */
export interface Apart {
  readonly from: number;
  readonly to: number;
}

const MOST_HALVINGS = 12;

/**
 * The curve that runs beside a segment at a distance to its left (negative: to its right). A line's is a line and an arc's at an
 * even distance an arc, exactly, or at its centre a line without length; any other is cubics within `tolerance` of the true curve: Hermite's, with the true ends and
 * speeds, halved until they are that near.
 * Speed beside a curve: c′ (1 + κd) + d′n, the derivative of c + dn (do Carmo, "Differential Geometry of Curves and Surfaces", §1-5).
 */
export function parallelOf(segment: Segment, { from, to }: Apart, tolerance: number): Segment[] {
  const beside = (t: number, d: number): Point =>
    add(pointAt(segment, t), scaleBy(leftOf(directionAt(segment, t)), d));
  if (segment.kind === 'line') return [line(beside(0, from), beside(1, to))];
  if (segment.kind === 'arc' && from === to) {
    // A clockwise arc has its centre to the right: what is beside it to the left is farther out.
    const radius = segment.radius + (segment.sweep > 0 ? from : -from);
    if (Math.abs(radius) < 1e-12 * segment.radius) return [line(segment.centre, segment.centre)];
    return [{ ...segment, from: beside(0, from), to: beside(1, to), radius: Math.abs(radius) }];
  }
  const length = arcLength(segment);
  const slope = length > 0 ? (to - from) / length : 0;
  const apartAt = (t: number): number =>
    from === to || t === 0 ? from : t === 1 ? to : from + slope * arcLength(partOf(segment, 0, t));
  const speedBeside = (t: number): Point => {
    const direction = directionAt(segment, t);
    const v = lengthOf(derivativeAt(segment, t));
    return add(
      scaleBy(direction, v * (1 + curvatureAt(segment, t) * apartAt(t))),
      scaleBy(leftOf(direction), v * slope),
    );
  };
  const fitted = (t0: number, t1: number, halvings: number): Segment[] => {
    const third = (t1 - t0) / 3;
    const [a, b] = [beside(t0, apartAt(t0)), beside(t1, apartAt(t1))];
    const curve = cubic(
      a,
      add(a, scaleBy(speedBeside(t0), third)),
      subtract(b, scaleBy(speedBeside(t1), third)),
      b,
    );
    const isNear = [0.2, 0.4, 0.5, 0.6, 0.8].every((share) => {
      const t = t0 + share * (t1 - t0);
      const off = subtract(beside(t, apartAt(t)), pointAt(curve, share));
      const way = derivativeAt(curve, share);
      const v = lengthOf(way);
      // How far to the side; ahead or behind is as good while it is no more than some tolerances.
      const side = v > 0 ? Math.abs(cross(off, way)) / v : lengthOf(off);
      const ahead = v > 0 ? Math.abs(dot(off, way)) / v : 0;
      return side <= tolerance / 2 && ahead <= 100 * tolerance;
    });
    if (isNear || halvings === 0) return [curve];
    const middle = (t0 + t1) / 2;
    return [...fitted(t0, middle, halvings - 1), ...fitted(middle, t1, halvings - 1)];
  };
  return fitted(0, 1, MOST_HALVINGS);
}
