import {
  boundsOfPaths,
  distance,
  ORIGIN,
  type Path,
  type Point,
  pointAt,
  polygonPath,
  scaleBy,
} from '@/core/curve';
import { taskOf, type Work } from '@/core/derive';
import { negateTurn, NO_TURN } from '@/core/number';
import { alongTurn, halfWedge, isWide, pastRays, type Wedge } from '@/core/symmetry';
import { alone, slitPath } from './slit';
import type { MergeOperand, MergeRequest } from './merge';
import { MERGED } from './tasks';

/** Less than this past a ray, as a share of the path's reach, is on it. */
const ON_RAY = 1e-9;

/** One side of the axis. */
export type Side = 'left' | 'right';

/** What is kept: the wedge of a fold, or the half of it on one side of the axis. */
interface Kept {
  /** Directions of its two sides, clockwise; less than half a turn apart, or just that. */
  readonly from: Point;
  readonly to: Point;
  /** A closed path that holds all of it up to a reach. */
  readonly area: Path;
}

const cross = (a: Point, b: Point): number => a.x * b.y - a.y * b.x;

function keptOf(wedge: Wedge, side: Side | null, reach: number): Kept {
  const half = halfWedge(wedge);
  const axis = { x: 0, y: -1 };
  const from = side === 'right' ? axis : alongTurn(negateTurn(half), 1);
  const to = side === 'left' ? axis : alongTurn(half, 1);
  const across = Math.hypot(from.x + to.x, from.y + to.y);
  if (across < 1e-9) {
    // Half of the plane.
    const far = 2 * reach * (side === 'left' ? -1 : 1);
    const corners = [
      { x: 0, y: -2 * reach },
      { x: far, y: -2 * reach },
      { x: far, y: 2 * reach },
      { x: 0, y: 2 * reach },
    ];
    return { from, to, area: polygonPath(corners) };
  }
  // A triangle, far enough that its third side does not cut what reaches outward.
  const far = (4 * reach) / across;
  return { from, to, area: polygonPath([ORIGIN, scaleBy(from, far), scaleBy(to, far)]) };
}

function trimOpen(path: Path, { from, to }: Kept, reach: number, work: Work): Path[] {
  const slack = ON_RAY * reach;
  const inside = (p: Point): boolean => cross(from, p) >= -slack && cross(p, to) >= -slack;
  return slitPath(path, ORIGIN, from, work)
    .flatMap((piece) => slitPath(piece, ORIGIN, to, work))
    .filter(({ segments }) => {
      const longest = segments.reduce((a, b) => (distance(a.from, a.to) >= distance(b.from, b.to) ? a : b));
      return inside(pointAt(longest, 0.5));
    });
}

/**
 * What of paths lies in the upright wedge of a fold, or in its half on one side of the axis: what closed ones fill together by a rule keeps its
 * curves and gets straight sides along the rays, outlines clockwise and holes the other way; open ones are cut there. For folds under 3 without a
 * side, whose wedge is half a turn or more, for what stays inside, and while it is worked out, the paths themselves.
 */
export function trimPaths(
  paths: readonly Path[],
  rule: 'nonzero' | 'evenodd',
  wedge: Wedge,
  work: Work,
  side: Side | null = null,
): readonly Path[] {
  const wide = isWide(wedge);
  if ((wide && !side) || paths.length === 0) return paths;
  const box = boundsOfPaths(paths);
  const reach = Math.hypot(Math.max(box.right, -box.left), Math.max(box.bottom, -box.top));
  const past = pastRays(paths, wedge);
  const pastAxis = side === 'right' ? -box.left : side === 'left' ? box.right : 0;
  if (!wide && Math.max(past.left, past.right, pastAxis) <= ON_RAY * reach) return paths;
  const kept = keptOf(wedge, side, reach);
  const closed = paths.filter((path) => path.closed);
  const open = paths.filter((path) => !path.closed).flatMap((path) => trimOpen(path, kept, reach, work));
  if (closed.length === 0) return open;
  const area: MergeOperand = { fold: 1, mirror: false, start: NO_TURN, shapes: [{ paths: closed, rule }] };
  const request: MergeRequest = {
    op: 'intersection',
    among: 'operands',
    operands: [area, alone(kept.area)],
  };
  const inside = work.ask(taskOf(MERGED, request));
  return inside?.ok ? [...inside.value.flat(), ...open] : paths;
}
