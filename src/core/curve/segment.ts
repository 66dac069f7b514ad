/**
 * Lines, arcs and cubics: points, directions and curvature along them.
 *
 * @example
 * pointAt(arcFromBulge({ x: 0, y: 0 }, { x: 2, y: 0 }, 1), 0.5);   // { x: 1, y: -1 }: half a circle
 */
import { applyTo, determinant, similarityScale, type Affine } from './affine';
import { add, between, cross, lengthOf, scaleBy, subtract, type Point } from './point';

export interface LineSegment {
  readonly kind: 'line';
  readonly from: Point;
  readonly to: Point;
}

/** A circular arc; `sweep` is the angle it covers in radians, positive clockwise on the screen. */
export interface ArcSegment {
  readonly kind: 'arc';
  readonly from: Point;
  readonly to: Point;
  readonly centre: Point;
  readonly radius: number;
  readonly sweep: number;
}

export interface CubicSegment {
  readonly kind: 'cubic';
  readonly from: Point;
  readonly out: Point;
  readonly in: Point;
  readonly to: Point;
}

export type Segment = LineSegment | ArcSegment | CubicSegment;

export const line = (from: Point, to: Point): LineSegment => ({ kind: 'line', from, to });

export const cubic = (from: Point, out: Point, into: Point, to: Point): CubicSegment => ({
  kind: 'cubic',
  from,
  out,
  in: into,
  to,
});

/**
 * The arc between two points with the given bulge, the tangent of a quarter of the angle it covers:
 * 0 is the straight line, 1 a half circle, positive clockwise. The measure is that of the DXF reference
 * (group code 42): bulge = 2 × sagitta / chord.
 */
export function arcFromBulge(from: Point, to: Point, bulge: number): ArcSegment | LineSegment {
  const chord = subtract(to, from);
  const span = lengthOf(chord);
  if (Math.abs(bulge) < 1e-9 || span === 0) return line(from, to);
  const offset = (1 - bulge * bulge) / (4 * bulge);
  const middle = between(from, to, 0.5);
  return {
    kind: 'arc',
    from,
    to,
    centre: { x: middle.x - chord.y * offset, y: middle.y + chord.x * offset },
    radius: (span * (1 + bulge * bulge)) / (4 * Math.abs(bulge)),
    sweep: 4 * Math.atan(bulge),
  };
}

/** The bulge of an arc (see `arcFromBulge`). */
export const bulgeOf = (arc: ArcSegment): number => Math.tan(arc.sweep / 4);

const rotated = (v: Point, angle: number): Point => ({
  x: v.x * Math.cos(angle) - v.y * Math.sin(angle),
  y: v.x * Math.sin(angle) + v.y * Math.cos(angle),
});

/** The point at parameter t from 0 to 1; the ends are met exactly. */
export function pointAt(segment: Segment, t: number): Point {
  if (t === 0) return segment.from;
  if (t === 1) return segment.to;
  switch (segment.kind) {
    case 'line':
      return between(segment.from, segment.to, t);
    case 'arc':
      return add(segment.centre, rotated(subtract(segment.from, segment.centre), segment.sweep * t));
    case 'cubic': {
      const u = 1 - t;
      const [w0, w1, w2, w3] = [u * u * u, 3 * u * u * t, 3 * u * t * t, t * t * t];
      return {
        x: w0 * segment.from.x + w1 * segment.out.x + w2 * segment.in.x + w3 * segment.to.x,
        y: w0 * segment.from.y + w1 * segment.out.y + w2 * segment.in.y + w3 * segment.to.y,
      };
    }
  }
}

/** The derivative by the parameter, in units of length. */
export function derivativeAt(segment: Segment, t: number): Point {
  switch (segment.kind) {
    case 'line':
      return subtract(segment.to, segment.from);
    case 'arc': {
      const spoke = subtract(pointAt(segment, t), segment.centre);
      return { x: -spoke.y * segment.sweep, y: spoke.x * segment.sweep };
    }
    case 'cubic': {
      const u = 1 - t;
      const first = scaleBy(subtract(segment.out, segment.from), 3 * u * u);
      const second = scaleBy(subtract(segment.in, segment.out), 6 * u * t);
      const third = scaleBy(subtract(segment.to, segment.in), 3 * t * t);
      return add(add(first, second), third);
    }
  }
}

/** The second derivative by the parameter, in units of length. */
export function secondDerivativeAt(segment: Segment, t: number): Point {
  switch (segment.kind) {
    case 'line':
      return { x: 0, y: 0 };
    case 'arc':
      return scaleBy(subtract(segment.centre, pointAt(segment, t)), segment.sweep ** 2);
    case 'cubic': {
      const { from, out, in: into, to } = segment;
      const start = subtract(add(from, into), scaleBy(out, 2));
      const end = subtract(add(out, to), scaleBy(into, 2));
      return add(scaleBy(start, 6 * (1 - t)), scaleBy(end, 6 * t));
    }
  }
}

/** The same curve walked from its other end. */
export function reversed(segment: Segment): Segment {
  switch (segment.kind) {
    case 'line':
      return line(segment.to, segment.from);
    case 'arc':
      return { ...segment, from: segment.to, to: segment.from, sweep: -segment.sweep };
    case 'cubic':
      return cubic(segment.to, segment.in, segment.out, segment.from);
  }
}

/** The two parts before and after parameter t (de Casteljau for cubics). */
export function splitAt(segment: Segment, t: number): [Segment, Segment] {
  const middle = pointAt(segment, t);
  switch (segment.kind) {
    case 'line':
      return [line(segment.from, middle), line(middle, segment.to)];
    case 'arc':
      return [
        { ...segment, to: middle, sweep: segment.sweep * t },
        { ...segment, from: middle, sweep: segment.sweep * (1 - t) },
      ];
    case 'cubic': {
      const a = between(segment.from, segment.out, t);
      const b = between(segment.out, segment.in, t);
      const c = between(segment.in, segment.to, t);
      return [
        cubic(segment.from, a, between(a, b, t), middle),
        cubic(middle, between(b, c, t), c, segment.to),
      ];
    }
  }
}

/**
 * Cubics that follow an arc. Each covers at most 30 degrees with handles of 4/3 tan(angle/4) radii; the
 * radial error is then under 4e-7 of the radius (it falls with the sixth power of the angle from 2.7e-4 at
 * 90 degrees: Goldapp, "Approximation of circular arcs by cubic polynomials", CAGD 8, 1991).
 */
export function cubicsOfArc(arc: ArcSegment): CubicSegment[] {
  const count = Math.max(1, Math.ceil(Math.abs(arc.sweep) / (Math.PI / 6) - 1e-9));
  const reach = (4 / 3) * Math.tan(arc.sweep / count / 4);
  return Array.from({ length: count }, (_, k) => {
    const from = pointAt(arc, k / count);
    const to = pointAt(arc, (k + 1) / count);
    const a = subtract(from, arc.centre);
    const b = subtract(to, arc.centre);
    return cubic(
      from,
      { x: from.x - a.y * reach, y: from.y + a.x * reach },
      { x: to.x + b.y * reach, y: to.y - b.x * reach },
      to,
    );
  });
}

/** A segment under an affine map. Arcs stay arcs under similarities and become cubics under other maps. */
export function mapSegment(segment: Segment, m: Affine): Segment[] {
  switch (segment.kind) {
    case 'line':
      return [line(applyTo(m, segment.from), applyTo(m, segment.to))];
    case 'cubic':
      return [
        cubic(
          applyTo(m, segment.from),
          applyTo(m, segment.out),
          applyTo(m, segment.in),
          applyTo(m, segment.to),
        ),
      ];
    case 'arc': {
      const scale = similarityScale(m);
      if (scale === null) return cubicsOfArc(segment).flatMap((piece) => mapSegment(piece, m));
      return [
        {
          kind: 'arc',
          from: applyTo(m, segment.from),
          to: applyTo(m, segment.to),
          centre: applyTo(m, segment.centre),
          radius: segment.radius * scale,
          sweep: segment.sweep * Math.sign(determinant(m)),
        },
      ];
    }
  }
}

/**
 * Twice the area between the segment and the origin, signed, exact for every kind: positive where the
 * segment runs clockwise round the origin. Cubics: the integral of the Bernstein cross products; arcs: the
 * chord's triangle and the circular segment r² (φ − sin φ).
 */
export function doubleAreaUnder(segment: Segment): number {
  const chord = cross(segment.from, segment.to);
  switch (segment.kind) {
    case 'line':
      return chord;
    case 'arc':
      return chord + segment.radius * segment.radius * (segment.sweep - Math.sin(segment.sweep));
    case 'cubic': {
      const { from, out, in: into, to } = segment;
      return (
        (6 * cross(from, out) +
          3 * cross(from, into) +
          chord +
          3 * cross(out, into) +
          3 * cross(out, to) +
          6 * cross(into, to)) /
        10
      );
    }
  }
}
