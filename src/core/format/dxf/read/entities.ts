import type {
  IArcEntity,
  ICircleEntity,
  IEllipseEntity,
  IEntity,
  ILineEntity,
  ILwpolylineEntity,
  IPolylineEntity,
  ISolidEntity,
  ISplineEntity,
} from 'dxf-parser';

import {
  arcFromBulge,
  type ArcSegment,
  distance,
  isSpline,
  line,
  mapPath,
  type Path,
  type Point,
  type Segment,
  segmentsOfSpline,
} from '@/core/curve';

const TURN = 2 * Math.PI;

const flat = ({ x, y }: Point): Point => ({ x, y });

/** An arc about 0, 0 of radius 1, from an angle on by another, both in radians from x towards y. */
function unitArc(from: number, sweep: number): ArcSegment[] {
  const at = (angle: number): Point => ({ x: Math.cos(angle), y: Math.sin(angle) });
  const pieces = Math.abs(sweep) > Math.PI * 1.5 ? 2 : 1;
  return Array.from({ length: pieces }, (_, k): ArcSegment => {
    const [a, b] = [from + (sweep * k) / pieces, from + (sweep * (k + 1)) / pieces];
    return { kind: 'arc', from: at(a), to: at(b), centre: { x: 0, y: 0 }, radius: 1, sweep: sweep / pieces };
  });
}

/** How far it is from an angle on to another, all round where they are the same. */
const sweepTo = (from: number, to: number): number => {
  const sweep = (((to - from) % TURN) + TURN) % TURN;
  return sweep < 1e-12 ? TURN : sweep;
};

function arcPath(centre: Point, out: Point, aside: Point, from: number, sweep: number): Path {
  const map = { a: out.x, b: out.y, c: aside.x, d: aside.y, e: centre.x, f: centre.y };
  const closed = sweep >= TURN - 1e-9;
  return mapPath({ closed, segments: unitArc(from, sweep) }, map);
}

const circlePath = (centre: Point, radius: number, from: number, sweep: number): Path =>
  arcPath(centre, { x: radius, y: 0 }, { x: 0, y: radius }, from, sweep);

type Vertex = Point & { readonly bulge?: number };

/** Lines and bulged sides; closed by a last side where they are a shape. */
function polyline(vertices: readonly Vertex[], closed: boolean): Path {
  const ends = closed ? [...vertices, ...vertices.slice(0, 1)] : vertices;
  const segments = ends.slice(1).flatMap((to, k): Segment[] => {
    const from = ends[k];
    if (!from || distance(from, to) === 0) return [];
    const bulge = from.bulge ?? 0;
    return [bulge === 0 ? line(flat(from), flat(to)) : arcFromBulge(flat(from), flat(to), bulge)];
  });
  return { closed, segments };
}

/** A spline through its control points; one that is told by the points that it passes alone goes straight from one to the next. */
function splinePath(entity: ISplineEntity & { readonly weights?: number[] }, tolerance: number): Path {
  const { degreeOfSplineCurve: degree, closed } = entity;
  // What a file leaves out is not there, whatever the types say.
  const { controlPoints, knotValues, fitPoints, weights } = entity as Partial<typeof entity>;
  const spline = {
    degree,
    knots: knotValues ?? [],
    points: (controlPoints ?? []).map(flat),
    weights: weights && weights.length > 0 ? weights : null,
  };
  const segments = isSpline(spline)
    ? segmentsOfSpline(spline, tolerance)
    : polyline((fitPoints ?? controlPoints ?? []).map(flat), false).segments;
  const [first] = segments;
  const last = segments[segments.length - 1];
  const meets = first !== undefined && last !== undefined && distance(first.from, last.to) <= tolerance;
  return { closed: closed && meets, segments };
}

/** The sides of an entity that lies reversed: what is drawn on the back of the plane is its reflection. */
const isReversed = (entity: object): boolean => {
  const { extrusionDirectionZ, extrusionDirection } = entity as {
    extrusionDirectionZ?: number;
    extrusionDirection?: { readonly z?: number };
  };
  return (extrusionDirectionZ ?? extrusionDirection?.z ?? 1) < 0;
};

/** What an entity is: lines, or areas that are filled. */
interface EntityPaths {
  readonly paths: readonly Path[];
  readonly isArea?: true;
  /** Of the line, in the file's unit. */
  readonly width?: number;
}

/** The paths of an entity as the file has them; null for what is none. @param tolerance of what has to be fitted */
export function pathsOfEntity(entity: IEntity, tolerance: number): EntityPaths | null {
  const made = own(entity, tolerance);
  if (!made || !isReversed(entity)) return made;
  const back = { a: -1, b: 0, c: 0, d: 1, e: 0, f: 0 };
  return { ...made, paths: made.paths.map((path) => mapPath(path, back)) };
}

function own(entity: IEntity, tolerance: number): EntityPaths | null {
  switch (entity.type) {
    case 'LINE':
      return { paths: [polyline((entity as ILineEntity).vertices, false)] };
    case 'ARC': {
      const { center, radius, startAngle, endAngle } = entity as IArcEntity;
      return { paths: [circlePath(center, radius, startAngle, sweepTo(startAngle, endAngle))] };
    }
    case 'CIRCLE': {
      const { center, radius } = entity as ICircleEntity;
      return { paths: [circlePath(center, radius, 0, TURN)] };
    }
    case 'ELLIPSE': {
      const { center, majorAxisEndPoint: out, axisRatio, startAngle, endAngle } = entity as IEllipseEntity;
      const aside = { x: -out.y * axisRatio, y: out.x * axisRatio };
      return { paths: [arcPath(center, out, aside, startAngle, sweepTo(startAngle, endAngle))] };
    }
    case 'LWPOLYLINE': {
      const { vertices, shape, width } = entity as ILwpolylineEntity;
      return { paths: [polyline(vertices, shape)], ...(width > 0 && { width }) };
    }
    case 'POLYLINE': {
      const { vertices, shape, isPolyfaceMesh, is3dPolygonMesh } = entity as IPolylineEntity;
      return isPolyfaceMesh || is3dPolygonMesh ? null : { paths: [polyline(vertices, shape)] };
    }
    case 'SPLINE':
      return { paths: [splinePath(entity as ISplineEntity, tolerance)] };
    case 'SOLID': {
      const [a, b, c, d = c] = (entity as ISolidEntity).points;
      // The third corner lies across from the second.
      return a && b && c && d ? { paths: [polyline([a, b, d, c].map(flat), true)], isArea: true } : null;
    }
    default:
      return null;
  }
}
