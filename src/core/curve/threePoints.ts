import { cross, distance, dot, subtract, type Point } from './point';

export interface Circle {
  readonly centre: Point;
  readonly radius: number;
}

/**
 * The circle through three points: its centre is equally far from all of them (Euclid IV.5); null where they lie on one
 * line.
 */
export function circleThrough(a: Point, b: Point, c: Point): Circle | null {
  const [u, v] = [subtract(b, a), subtract(c, a)];
  const area = 2 * cross(u, v);
  if (Math.abs(area) <= 1e-12 * dot(u, u) ** 0.5 * dot(v, v) ** 0.5) return null;
  const [uu, vv] = [dot(u, u), dot(v, v)];
  const centre = { x: a.x + (v.y * uu - u.y * vv) / area, y: a.y + (u.x * vv - v.x * uu) / area };
  return { centre, radius: distance(a, centre) };
}

/**
 * The bulge (see `arcFromBulge`) of the arc from one point to another through a third: half the angle that the third sees
 * them under is what is left of a half circle (Euclid III.20). 0 where the three lie on one line.
 */
export function bulgeThrough(from: Point, through: Point, to: Point): number {
  const [u, v] = [subtract(from, through), subtract(to, through)];
  const seen = Math.atan2(cross(v, u), dot(u, v));
  if (seen === 0 || Math.abs(seen) >= Math.PI * (1 - 1e-12)) return 0;
  return Math.sign(seen) * Math.tan((Math.PI - Math.abs(seen)) / 2);
}
