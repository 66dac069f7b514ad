import { finding, type Finding } from '@/core/finding';
import {
  add,
  type ArcSegment,
  line,
  ORIGIN,
  type Path,
  type Point,
  scaleBy,
  type Segment,
} from '@/core/curve';
import { turn, type Turn } from '@/core/number';
import { alongTurn } from './wedge';

/** Which diagonals of a frame's polygon are drawn: none, the longest ones, or all. */
export const DIAGONALS = ['none', 'long', 'all'] as const;
export const MOST_RINGS = 200;
export const MOST_GUIDES = 200;
/** With all its diagonals a polygon has at most this many corners: they grow with the square. */
export const MOST_CORNERS_WITH_ALL = 90;

/** A regular polygon to set things out by, a corner straight up, or a side where the frame is half a step on. */
export interface FramePolygon {
  readonly sides: number;
  /** Radius of the circle that it stands in or about. */
  readonly radius: number;
  readonly fit: 'in' | 'about';
  readonly diagonals: (typeof DIAGONALS)[number];
}

/** A line without ends through a point, or a circle, that the person laid. */
export type Guide =
  | { readonly kind: 'line'; readonly at: Point; readonly direction: Turn }
  | { readonly kind: 'circle'; readonly at: Point; readonly radius: number };

/** What a round is set out by, in motif coordinates: a polygon with diagonals, rings, and free guides. */
export interface Frame {
  readonly polygon: FramePolygon | null;
  /** Radii of rings about the centre, in the figure's unit. */
  readonly rings: readonly number[];
  /** True where the polygon is turned by half of its step. */
  readonly phase: boolean;
  readonly guides: readonly Guide[];
  /** It keeps its numbers, and is neither seen nor caught. */
  readonly hidden?: true;
}

/** Why a frame's polygon cannot be drawn, or null where it can. */
export const framePolygonProblem = ({ sides, diagonals }: FramePolygon): Finding | null =>
  diagonals === 'all' && sides > MOST_CORNERS_WITH_ALL
    ? finding('frame.corners', MOST_CORNERS_WITH_ALL)
    : null;

export const NO_FRAME: Frame = { polygon: null, rings: [], phase: false, guides: [] };

/** From the centre to a corner: the circle's radius, or R / cos(π/n) where the sides touch it (plane trigonometry). */
export const cornerRadius = ({ sides, radius, fit }: FramePolygon): number =>
  fit === 'in' ? radius : radius / Math.cos(Math.PI / sides);

/** The corners of the polygon, at exact turns. */
export function cornersOf(polygon: FramePolygon, phase: boolean): Point[] {
  const r = cornerRadius(polygon);
  return Array.from({ length: polygon.sides }, (_, k) =>
    alongTurn(turn(2 * k + (phase ? 1 : 0), 2 * polygon.sides), r),
  );
}

function sidesAndDiagonals(polygon: FramePolygon, phase: boolean): Segment[] {
  const corners = cornersOf(polygon, phase);
  const n = corners.length;
  const found: Segment[] = [];
  for (let a = 0; a < n; a += 1)
    for (let b = a + 1; b < n; b += 1) {
      const apart = Math.min(b - a, n - b + a);
      const wanted =
        apart === 1 ||
        polygon.diagonals === 'all' ||
        (polygon.diagonals === 'long' && apart === Math.floor(n / 2));
      if (wanted) found.push(line(corners[a] as Point, corners[b] as Point));
    }
  return found;
}

/** A whole circle as two half arcs. */
function circle(centre: Point, radius: number): ArcSegment[] {
  const [top, bottom] = [add(centre, { x: 0, y: -radius }), add(centre, { x: 0, y: radius })];
  const half = { kind: 'arc' as const, centre, radius, sweep: Math.PI };
  return [
    { ...half, from: top, to: bottom },
    { ...half, from: bottom, to: top },
  ];
}

/** One thing of a frame, by what it is called where it is caught. */
export interface FrameLine {
  readonly name: 'side' | 'diagonal' | 'frame ring' | 'guide';
  readonly path: Path;
}

/**
 * All of a frame as paths. Guide lines have no ends; they are drawn as far as `reach` from their point both ways.
 */
export function frameLines(frame: Frame, reach: number): FrameLine[] {
  const { polygon } = frame;
  const found: FrameLine[] = [];
  if (polygon) {
    const sides = polygon.sides;
    sidesAndDiagonals(polygon, frame.phase).forEach((segment) => {
      const apothem = cornerRadius(polygon) * Math.cos(Math.PI / sides);
      const middle = scaleBy(add(segment.from, segment.to), 0.5);
      const isSide = Math.abs(Math.hypot(middle.x, middle.y) - apothem) < 1e-9 * apothem;
      found.push({ name: isSide ? 'side' : 'diagonal', path: { closed: false, segments: [segment] } });
    });
  }
  for (const radius of frame.rings)
    found.push({ name: 'frame ring', path: { closed: true, segments: circle(ORIGIN, radius) } });
  for (const guide of frame.guides) {
    if (guide.kind === 'circle')
      found.push({ name: 'guide', path: { closed: true, segments: circle(guide.at, guide.radius) } });
    else {
      const way = alongTurn(guide.direction, reach);
      const ends: [Point, Point] = [add(guide.at, scaleBy(way, -1)), add(guide.at, way)];
      found.push({ name: 'guide', path: { closed: false, segments: [line(...ends)] } });
    }
  }
  return found;
}
