import {
  add,
  boundsOfPaths,
  flatten,
  isInBounds,
  lengthOf,
  nearestOnPath,
  ORIGIN,
  type Path,
  scaleBy,
  windingNumber,
} from '@/core/curve';
import { remembered } from '@/core/remembered';

/** How near to the centre and how far from it shapes reach, in the figure's unit. */
export interface Reach {
  readonly inner: number;
  readonly outer: number;
}

/** The farthest point of an arc's circle lies on the line from the origin through its centre. */
function outerOf(path: Path): number {
  let outer = 0;
  for (const segment of path.segments) {
    outer = Math.max(outer, lengthOf(segment.from), lengthOf(segment.to));
    // A cubic stays inside the hull of its four points: most have nothing farther out than what was found.
    if (segment.kind === 'cubic' && Math.max(lengthOf(segment.out), lengthOf(segment.in)) > outer) {
      for (const p of flatten({ closed: false, segments: [segment] }, 1e-3))
        outer = Math.max(outer, lengthOf(p));
    }
    if (segment.kind === 'arc') {
      const away = lengthOf(segment.centre);
      if (away === 0) {
        outer = Math.max(outer, segment.radius);
        continue;
      }
      const far = add(segment.centre, scaleBy(segment.centre, segment.radius / away));
      const nearest = nearestOnPath({ closed: false, segments: [segment] }, far);
      if (nearest && nearest.distance < 1e-9 * segment.radius) outer = Math.max(outer, away + segment.radius);
    }
  }
  return outer;
}

/** The reach of one path, found once for it. */
const reachOfPath = remembered((path: Path): Reach => ({
  inner:
    path.closed && isInBounds(boundsOfPaths([path]), ORIGIN) && windingNumber(path, ORIGIN, 1e-3) !== 0
      ? 0
      : (nearestOnPath(path, ORIGIN)?.distance ?? Infinity),
  outer: outerOf(path),
}));

/**
 * The reach of paths: outer exact for lines and arcs and within a thousandth of a unit for cubics; inner is
 * 0 where a closed path covers the centre. Null where there is no path.
 */
export function reachOf(paths: readonly Path[]): Reach | null {
  const drawn = paths.filter((path) => path.segments.length > 0).map(reachOfPath);
  if (drawn.length === 0) return null;
  return {
    inner: Math.min(...drawn.map(({ inner }) => inner)),
    outer: Math.max(...drawn.map(({ outer }) => outer)),
  };
}
