/**
 * One side of the axis and its reflection as one: areas are cut there, reflected and united, lines are cut and joined to their
 * reflections.
 *
 * @example
 * const leaf = areaAboutAxis(paths, 'nonzero', 'right', work); // closed outlines that are their own reflection
 */
import {
  boundsOfPaths,
  contoursOfPaths,
  joined,
  mapPath,
  MIRROR,
  type Path,
  pathsOfContours,
  reversedPath,
  type Segment,
  withReflection,
} from '@/core/curve';
import { taskOf, type Work } from '@/core/derive';
import { NO_TURN } from '@/core/number';
import type { MergeRequest } from './merge';
import { MERGED } from './tasks';
import { trimPaths, type Side } from './trim';

/** Nearer to the axis than this, as a share of what is cut, an end is on it. */
const ON_AXIS = 1e-9;

/** Half of the plane is the wedge of one copy on one side of the axis. */
const ONE_COPY = { fold: 1 } as const;

const sizeOf = (paths: readonly Path[]): number => {
  const { left, right, top, bottom } = boundsOfPaths(paths);
  return Math.max(right - left, bottom - top, 1e-12);
};

/** A closed path without nodes on the axis where one line, arc or curve runs on there. */
function withoutAxisNodes({ segments, closed }: Path, slack: number): Path {
  const kept: Segment[] = [];
  for (const segment of segments) {
    const before = kept[kept.length - 1];
    const one = before && Math.abs(segment.from.x) <= slack ? joined(before, segment) : null;
    if (one) kept[kept.length - 1] = one;
    else kept.push(segment);
  }
  const [first] = kept;
  const last = kept[kept.length - 1];
  const meets = closed && kept.length > 2 && first && last && Math.abs(first.from.x) <= slack;
  const seam = meets ? joined(last, first) : null;
  return { closed, segments: seam ? [...kept.slice(1, -1), seam] : kept };
}

/**
 * The part of what closed paths fill on one side of the axis, united with its reflection.
 * @returns closed paths, outlines clockwise and holes the other way; none where nothing is on that side; null while it is worked
 * out, and where it is more to do than a limit
 */
export function areaAboutAxis(
  paths: readonly Path[],
  rule: 'nonzero' | 'evenodd',
  side: Side,
  work: Work,
): readonly Path[] | null {
  const missed = work.missed;
  const half = trimPaths(paths, rule, ONE_COPY, work, side);
  if (work.missed !== missed) return null;
  if (half.length === 0) return [];
  const request: MergeRequest = {
    op: 'union',
    among: 'copies',
    outlineOnly: true,
    operands: [{ fold: 1, mirror: true, start: NO_TURN, shapes: [{ paths: half, rule }] }],
  };
  const made = work.ask(taskOf(MERGED, request));
  if (!made?.ok) return null;
  const slack = ON_AXIS * sizeOf(half);
  return made.value.flat().map((path) => withoutAxisNodes(path, slack));
}

/**
 * The part of lines on one side of the axis, each joined to its reflection where it ends there, closed where both of its ends do; one that
 * does not come to the axis stands beside its reflection.
 * @returns null while it is worked out
 */
export function linesAboutAxis(paths: readonly Path[], side: Side, work: Work): readonly Path[] | null {
  const missed = work.missed;
  const opened = paths.map(({ segments }) => ({ closed: false, segments }));
  const half = trimPaths(opened, 'nonzero', ONE_COPY, work, side);
  if (work.missed !== missed) return null;
  const slack = ON_AXIS * sizeOf(paths);
  return joinedEnds(half, slack).flatMap((path) => {
    const [contour] = contoursOfPaths([path]);
    const whole = contour && withReflection(contour, slack);
    return whole?.ok ? pathsOfContours([whole.value]) : [path, reversedPath(mapPath(path, MIRROR))];
  });
}

const startOf = ({ segments }: Path): Segment['from'] | undefined => segments[0]?.from;
const endOf = ({ segments }: Path): Segment['to'] | undefined => segments[segments.length - 1]?.to;

/** Pieces of lines, those as one that a closed line was opened between. */
function joinedEnds(paths: readonly Path[], slack: number): Path[] {
  const kept: Path[] = [];
  for (const path of paths) {
    const before = kept.findIndex((each) => {
      const [end, start] = [endOf(path), startOf(each)];
      const isOff = end && Math.abs(end.x) > slack;
      return isOff && start && Math.hypot(end.x - start.x, end.y - start.y) <= slack;
    });
    const other = kept[before];
    if (other) kept[before] = { closed: false, segments: [...path.segments, ...other.segments] };
    else kept.push(path);
  }
  return kept;
}
