import type { Path } from '../curve/path';
import { distance, ORIGIN } from '../curve/point';
import { pointAt } from '../curve/segment';
import { negateTurn } from '../number/turn';
import { alongTurn, halfWedge, pastRays } from '../symmetry/wedge';
import { boundsOfPaths } from '../curve/bounds';
import { alone, polygonPath, slitPath } from './slit';
import { mergeNow } from './engine';

/** Less than this past a ray, as a share of the path's reach, is on it. */
const ON_RAY = 1e-9;

/**
 * What of a path lies in the upright wedge of a fold: closed paths keep their curves and get straight sides along the rays,
 * open ones are cut there. For folds under 3, whose wedge is half a turn or more, and for what stays inside, the
 * path itself.
 */
export function trimPath(path: Path, fold: number): Path[] {
  if (fold < 3) return [path];
  const box = boundsOfPaths([path]);
  const reach = Math.hypot(Math.max(box.right, -box.left), Math.max(box.bottom, -box.top));
  const past = pastRays([path], { fold });
  if (Math.max(past.left, past.right) <= ON_RAY * reach) return [path];
  const half = halfWedge({ fold });
  const [left, right] = [alongTurn(negateTurn(half), 1), alongTurn(half, 1)];
  if (path.closed) {
    // Far enough that the side across does not cut what reaches outward.
    const far = (2 * reach) / -right.y;
    const wedge = polygonPath([
      ORIGIN,
      { x: left.x * far, y: left.y * far },
      { x: right.x * far, y: right.y * far },
    ]);
    const { parts } = mergeNow({
      op: 'intersection',
      among: 'operands',
      quality: 'full',
      operands: [alone(path), alone(wedge)],
    });
    return parts.flatMap(({ loops }) => loops);
  }
  const inside = ({ x, y }: { x: number; y: number }): boolean =>
    y < 0 && Math.abs(x) * -right.y <= -y * right.x + ON_RAY * reach;
  return slitPath(path, ORIGIN, left)
    .flatMap((piece) => slitPath(piece, ORIGIN, right))
    .filter(({ segments }) => {
      const longest = segments.reduce((a, b) => (distance(a.from, a.to) >= distance(b.from, b.to) ? a : b));
      return inside(pointAt(longest, 0.5));
    });
}
