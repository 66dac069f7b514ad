import {
  applyTo,
  boundsOfPaths,
  distance,
  isInBounds,
  lengthOf,
  mapPath,
  nearestOnPath,
  ORIGIN,
  type Path,
  type Point,
  pointAt,
  type Segment,
  turnMap,
} from '@/core/curve';
import { turn, type Turn } from '@/core/number';

/** Nearer than this, as a share of how far paths reach, is on them. */
const ON_PATH = 1e-9;
/** More segments than this are compared path by path, and not all with one another. */
const MOST_SEGMENTS = 300;
const SPOTS = [0, 0.21, 0.5, 0.83];

const reachOf = (segments: readonly Segment[]): number =>
  Math.max(0, ...segments.map(({ from }) => lengthOf(from)));

/** The mean of a path's nodes, which is turned with it. */
function middleOfNodes({ segments }: Path): Point {
  const sum = segments.reduce((all, { from }) => ({ x: all.x + from.x, y: all.y + from.y }), ORIGIN);
  return { x: sum.x / segments.length, y: sum.y / segments.length };
}

const isOnPath = (path: Path, p: Point, within: number): boolean =>
  (nearestOnPath(path, p)?.distance ?? Infinity) <= within;

const liesOn = (path: Path, others: readonly Path[], within: number): boolean =>
  path.segments.every((segment) =>
    SPOTS.every((t) => others.some((other) => isOnPath(other, pointAt(segment, t), within))),
  );

/** True where each path is turned to one of the same paths: what has as many segments and the same middle is looked at alone. */
function arePathsKept(paths: readonly Path[], step: Turn, within: number): boolean {
  const middles = paths.map(middleOfNodes);
  const map = turnMap(step);
  return paths.every((path, k) => {
    const at = applyTo(map, middles[k] ?? ORIGIN);
    const alike = paths.filter(
      ({ segments }, other) =>
        segments.length === path.segments.length && distance(middles[other] ?? ORIGIN, at) <= within,
    );
    return alike.length > 0 && liesOn(mapPath(path, map), alike, within);
  });
}

/**
 * True where a turn about the centre takes curves to themselves: a circle about it by any turn, a polygon about it by its step. What
 * is turned has the same length, so that it is the same where all of it lies on what was there.
 */
export function isKeptByTurn(all: readonly Path[], step: Turn): boolean {
  const paths = all.filter(({ segments }) => segments.length > 0);
  const segments = paths.flatMap((path) => path.segments);
  if (segments.length === 0) return false;
  const within = ON_PATH * reachOf(segments);
  // What a part of a turn keeps has the centre in its hull, and so in its box.
  if (step.num % step.den !== 0 && !isInBounds(boundsOfPaths(paths), ORIGIN, within)) return false;
  if (segments.length > MOST_SEGMENTS) return arePathsKept(paths, step, within);
  return paths.every((path) => liesOn(mapPath(path, turnMap(step)), paths, within));
}

/** Folds beyond this are not looked for. */
const MOST_FOLD = 120;

/** The highest fold of the turns that keep each of some lists of paths; 1 where none does, or any does. */
export function commonFold(lists: readonly (readonly Path[])[]): number {
  if (lists.length === 0) return 1;
  // What is kept by a prime turn that nobody draws is kept by any: circles about the centre.
  const odd = turn(1, 127);
  const seen = lists.filter((paths) => !isKeptByTurn(paths, odd));
  if (seen.length === 0) return 1;
  for (let fold = MOST_FOLD; fold > 1; fold -= 1)
    if (seen.every((paths) => isKeptByTurn(paths, turn(1, fold)))) return fold;
  return 1;
}
