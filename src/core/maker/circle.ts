import { ORIGIN, type Path, point, type Point } from '@/core/curve';
import { arcAbout } from './construction';

/** A circle as four exact arcs from quadrant to quadrant, clockwise from the top. */
export function circlePath({ x, y }: Point, radius: number): Path {
  const quadrants = [point(x, y - radius), point(x + radius, y), point(x, y + radius), point(x - radius, y)];
  return {
    closed: true,
    segments: quadrants.map((from, k) => ({
      kind: 'arc',
      from,
      to: quadrants[(k + 1) % 4] ?? from,
      centre: { x, y },
      radius,
      sweep: Math.PI / 2,
    })),
  };
}

/**
 * What two circles have in common: one of them, a lens of two arcs, or null. The common chord stands
 * (d² − r² + R²) / 2d from the first centre. Source: Weisstein, "Circle-Circle Intersection", MathWorld.
 * @param other centre of the second circle; the first is about the origin
 */
export function commonOfCircles(radius: number, other: Point, otherRadius: number): Path | null {
  const d = Math.hypot(other.x, other.y);
  if (d + otherRadius <= radius) return circlePath(other, otherRadius);
  if (d + radius <= otherRadius) return circlePath(ORIGIN, radius);
  if (d >= radius + otherRadius) return null;
  const along = (d * d - otherRadius * otherRadius + radius * radius) / (2 * d);
  const half = Math.sqrt(radius * radius - along * along);
  const [ux, uy] = [other.x / d, other.y / d];
  const a = point(along * ux + half * uy, along * uy - half * ux);
  const b = point(along * ux - half * uy, along * uy + half * ux);
  return {
    closed: true,
    segments: [arcAbout(a, b, ORIGIN, radius), arcAbout(b, a, other, otherRadius)],
  };
}
