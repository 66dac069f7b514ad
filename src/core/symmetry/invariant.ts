import { turnMap } from '../curve/affine';
import { nearestOnPath } from '../curve/nearest';
import { mapPath, type Path } from '../curve/path';
import { lengthOf, type Point } from '../curve/point';
import { pointAt } from '../curve/segment';
import type { Turn } from '../number/turn';

/** Nearer than this, as a share of how far paths reach, is on them. */
const ON_PATH = 1e-9;
/** More segments than this are not compared with one another. */
const MOST_SEGMENTS = 300;
const SPOTS = [0, 0.21, 0.5, 0.83];

/**
 * True where a turn about the centre takes curves to themselves: a circle about it by any turn, a polygon about it by its step. What
 * is turned has the same length, so that it is the same where all of it lies on what was there.
 */
export function isKeptByTurn(paths: readonly Path[], step: Turn): boolean {
  const segments = paths.flatMap((path) => path.segments);
  if (segments.length === 0 || segments.length > MOST_SEGMENTS) return false;
  const reach = Math.max(...segments.map(({ from }) => lengthOf(from)));
  const isOn = (p: Point): boolean =>
    paths.some((path) => (nearestOnPath(path, p)?.distance ?? Infinity) <= ON_PATH * reach);
  const turned = paths.map((path) => mapPath(path, turnMap(step)));
  return turned.every((path) =>
    path.segments.every((segment) => SPOTS.every((t) => isOn(pointAt(segment, t)))),
  );
}
