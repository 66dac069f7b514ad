import { polygonPath, type Path } from '../curve/path';
import { distance, ORIGIN, scaleBy, type Point } from '../curve/point';
import { pointAt } from '../curve/segment';
import { taskOf, type Work } from '../derive';
import { negateTurn, NO_TURN } from '../number/turn';
import { alongTurn, halfWedge, pastRays } from '../symmetry/wedge';
import { boundsOfPaths } from '../curve/bounds';
import { alone, slitPath } from './slit';
import type { MergeOperand, MergeRequest } from './merge';
import { MERGED } from './tasks';

/** Less than this past a ray, as a share of the path's reach, is on it. */
const ON_RAY = 1e-9;

/** The wedge of a fold as a triangle that goes far beyond a reach. */
function wedgeOf(fold: number, reach: number): { left: Point; right: Point; triangle: Path } {
  const half = halfWedge({ fold });
  const [left, right] = [alongTurn(negateTurn(half), 1), alongTurn(half, 1)];
  // Far enough that the side across does not cut what reaches outward.
  const far = (2 * reach) / -right.y;
  const triangle = polygonPath([ORIGIN, scaleBy(left, far), scaleBy(right, far)]);
  return { left, right, triangle };
}

function trimOpen(path: Path, fold: number, reach: number, work: Work): Path[] {
  const { left, right } = wedgeOf(fold, reach);
  const inside = ({ x, y }: Point): boolean =>
    y < 0 && Math.abs(x) * -right.y <= -y * right.x + ON_RAY * reach;
  return slitPath(path, ORIGIN, left, work)
    .flatMap((piece) => slitPath(piece, ORIGIN, right, work))
    .filter(({ segments }) => {
      const longest = segments.reduce((a, b) => (distance(a.from, a.to) >= distance(b.from, b.to) ? a : b));
      return inside(pointAt(longest, 0.5));
    });
}

/**
 * What of paths lies in the upright wedge of a fold: what closed ones fill together by a rule keeps its curves and gets straight
 * sides along the rays, outlines clockwise and holes the other way; open ones are cut there. For folds under 3, whose
 * wedge is half a turn or more, for what stays inside, and while it is worked out, the paths themselves.
 */
export function trimPaths(
  paths: readonly Path[],
  rule: 'nonzero' | 'evenodd',
  fold: number,
  work: Work,
): readonly Path[] {
  if (fold < 3 || paths.length === 0) return paths;
  const box = boundsOfPaths(paths);
  const reach = Math.hypot(Math.max(box.right, -box.left), Math.max(box.bottom, -box.top));
  const past = pastRays(paths, { fold });
  if (Math.max(past.left, past.right) <= ON_RAY * reach) return paths;
  const closed = paths.filter((path) => path.closed);
  const open = paths.filter((path) => !path.closed).flatMap((path) => trimOpen(path, fold, reach, work));
  if (closed.length === 0) return open;
  const area: MergeOperand = { fold: 1, mirror: false, start: NO_TURN, shapes: [{ paths: closed, rule }] };
  const request: MergeRequest = {
    op: 'intersection',
    among: 'operands',
    quality: 'full',
    operands: [area, alone(wedgeOf(fold, reach).triangle)],
  };
  const inside = work.ask(taskOf(MERGED, request));
  return inside?.ok ? [...inside.value.flat(), ...open] : paths;
}
