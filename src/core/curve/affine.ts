import { cosSin, type Turn } from '@/core/number';
import type { Point } from './point';

/** The map (x, y) → (a x + c y + e, b x + d y + f), in the order of SVG's `matrix()`. */
export interface Affine {
  readonly a: number;
  readonly b: number;
  readonly c: number;
  readonly d: number;
  readonly e: number;
  readonly f: number;
}

/** A map as SVG has it in `matrix()`. @param print how a number is written */
export const matrixOf = ({ a, b, c, d, e, f }: Affine, print: (value: number) => string = String): string =>
  `matrix(${[a, b, c, d, e, f].map(print).join(' ')})`;

export const IDENTITY: Affine = { a: 1, b: 0, c: 0, d: 1, e: 0, f: 0 };

/** Reflection about the axis, the line straight up through the centre. */
export const MIRROR: Affine = { a: -1, b: 0, c: 0, d: 1, e: 0, f: 0 };

/** True for the map that leaves everything where it is. */
export const isIdentity = ({ a, b, c, d, e, f }: Affine): boolean =>
  a === 1 && b === 0 && c === 0 && d === 1 && e === 0 && f === 0;

/** Rotation about the centre, clockwise for a positive turn. */
export function turnMap(t: Turn): Affine {
  const { cos, sin } = cosSin(t);
  return { a: cos, b: sin, c: sin === 0 ? 0 : -sin, d: cos, e: 0, f: 0 };
}

export const moveMap = (by: Point): Affine => ({ ...IDENTITY, e: by.x, f: by.y });

/** Scaling by one factor about a point that stays where it is. */
export const scaleMap = (factor: number, about: Point): Affine => ({
  a: factor,
  b: 0,
  c: 0,
  d: factor,
  e: about.x * (1 - factor),
  f: about.y * (1 - factor),
});

/** First `inner`, then `outer`. */
export const compose = (outer: Affine, inner: Affine): Affine => ({
  a: outer.a * inner.a + outer.c * inner.b,
  b: outer.b * inner.a + outer.d * inner.b,
  c: outer.a * inner.c + outer.c * inner.d,
  d: outer.b * inner.c + outer.d * inner.d,
  e: outer.a * inner.e + outer.c * inner.f + outer.e,
  f: outer.b * inner.e + outer.d * inner.f + outer.f,
});

export const determinant = (m: Affine): number => m.a * m.d - m.b * m.c;

/** The map back. @throws RangeError where the map flattens the plane. */
export function inverse(m: Affine): Affine {
  const det = determinant(m);
  if (det === 0) throw new RangeError('A map that flattens the plane has no inverse.');
  return {
    a: m.d / det,
    b: -m.b / det,
    c: -m.c / det,
    d: m.a / det,
    e: (m.c * m.f - m.d * m.e) / det,
    f: (m.b * m.e - m.a * m.f) / det,
  };
}

// Adding 0 turns −0 into 0, so that equal results have equal bits.
export const applyTo = (m: Affine, p: Point): Point => ({
  x: m.a * p.x + m.c * p.y + m.e + 0,
  y: m.b * p.x + m.d * p.y + m.f + 0,
});

/** How a map scales lengths where it keeps the form of circles; null where it does not. */
export function similarityScale(m: Affine): number | null {
  const first = Math.hypot(m.a, m.b);
  const second = Math.hypot(m.c, m.d);
  const tolerance = 1e-12 * (first + second);
  const keeps = Math.abs(first - second) <= tolerance && Math.abs(m.a * m.c + m.b * m.d) <= tolerance * first;
  return keeps ? first : null;
}
