/**
 * A straight drawing bent: lines along and across the strip exactly, all else by cubics within a tolerance of the true map.
 *
 * @example
 * const task = taskOf(BENT, { paths, bend });
 * const answer = work.ask(task);                  // undefined while it is being worked out
 */
import {
  add,
  derivativeAt,
  directionAt,
  distance,
  fittedTo,
  lengthOf,
  line,
  type Path,
  type Point,
  pointAt,
  scaleBy,
  type Segment,
  subtract,
} from '@/core/curve';
import type { TaskKind } from '@/core/derive';
import { ok } from '@/core/finding';
import { cosSin } from '@/core/number';
import { bendMap, bentLength, isPlainBend, runOf, stripLength, type Bend, type BendMap } from './bend';

/** How far a bent curve may be from the true one, as a share of the bent strip's height. */
export const BEND_TOLERANCE = 1e-4;

/** An arc longer than this, in radians, is two: what reads paths tells the long way round from the short one by less than half a turn. */
const LONGEST_ARC = 0.9 * Math.PI;

/** Arcs about a centre from one point to another, that cover an angle; as few as there may be. */
function arcsAbout(centre: Point, from: Point, to: Point, sweep: number): Segment[] {
  const count = Math.max(1, Math.ceil(Math.abs(sweep) / LONGEST_ARC));
  const radius = distance(centre, from);
  const spoke = subtract(from, centre);
  const corners = Array.from({ length: count + 1 }, (_, k): Point => {
    if (k === 0) return from;
    if (k === count) return to;
    const angle = (sweep * k) / count;
    return add(centre, {
      x: spoke.x * Math.cos(angle) - spoke.y * Math.sin(angle),
      y: spoke.x * Math.sin(angle) + spoke.y * Math.cos(angle),
    });
  });
  return corners.slice(1).map((corner, k): Segment => ({
    kind: 'arc',
    from: corners[k] ?? from,
    to: corner,
    centre,
    radius,
    sweep: sweep / count,
  }));
}

/** What a segment becomes that runs exactly along the strip in a plain bend, or straight across one that is not twisted; else null. */
function exactly(segment: Segment, bend: Bend, { at }: BendMap, unit: number): Segment[] | null {
  if (segment.kind !== 'line') return null;
  const [from, to] = [at(segment.from, unit), at(segment.to, unit)];
  if (segment.from.x === segment.to.x) return bend.twist === 0 ? [line(from, to)] : null;
  if (segment.from.y !== segment.to.y || !isPlainBend(bend)) return null;
  const share = (segment.to.x - segment.from.x) / (stripLength(bend.strip) * bend.units);
  const runs = runOf(bend);
  if (bend.how === 'wrap') {
    const sweep = share * runs * (bentLength(bend) / bend.radius);
    return lengthOf(from) > 0 ? arcsAbout({ x: 0, y: 0 }, from, to, sweep) : [line(from, to)];
  }
  // The arc of the middle line, moved along the bow's own upright.
  const line0 = (bend.strip.top + bend.strip.bottom) / 2;
  const rise = ((line0 - segment.from.y) * bend.height) / (bend.strip.bottom - bend.strip.top);
  const { cos, sin } = cosSin(bend.middle);
  const out = bend.up === 'in' ? -rise : rise;
  const centre = { x: out * sin, y: -out * cos };
  const angleOf = (p: Point): number => Math.atan2(p.y - centre.y, p.x - centre.x);
  const turned = angleOf(to) - angleOf(from);
  return arcsAbout(centre, from, to, Math.atan2(Math.sin(turned), Math.cos(turned)));
}

/** The way that a segment goes at an end, where it may have no speed. */
const speedAt = (segment: Segment, t: number, size: number): Point => {
  const speed = derivativeAt(segment, t);
  return lengthOf(speed) > 1e-9 * size ? speed : scaleBy(directionAt(segment, t), size);
};

function bentSegment(segment: Segment, bend: Bend, map: BendMap, unit: number, tolerance: number): Segment[] {
  const exact = exactly(segment, bend, map, unit);
  if (exact) return exact;
  const size = Math.max(distance(segment.from, segment.to), lengthOf(derivativeAt(segment, 0.5)));
  if (size === 0) return [line(map.at(segment.from, unit), map.at(segment.to, unit))];
  return fittedTo(
    {
      at: (t) => map.at(pointAt(segment, t), unit),
      along: (t) => map.along(pointAt(segment, t), speedAt(segment, t, size), unit),
    },
    tolerance,
  );
}

/**
 * A straight drawing bent, once for each unit of the strip.
 * @param bend one that has no problem (see `bendProblem`)
 * @param tolerance in the figure's unit
 */
export function bentPaths(
  paths: readonly Path[],
  bend: Bend,
  tolerance = BEND_TOLERANCE * bend.height,
): Path[] {
  const map = bendMap(bend);
  return Array.from({ length: bend.units }, (_, unit) =>
    paths.map(({ segments, closed }): Path => ({
      segments: segments.flatMap((segment) => bentSegment(segment, bend, map, unit, tolerance)),
      closed,
    })),
  ).flat();
}

/** @see bentPaths */
export interface BentInput {
  readonly paths: readonly Path[];
  readonly bend: Bend;
}

/** Milliseconds for one segment that is fitted, on a machine of 2020; measured with `npm run bench`. */
const COST_OF_SEGMENT = 0.25;

export const BENT: TaskKind<BentInput, readonly Path[]> = {
  name: 'bent',
  cost: ({ paths, bend }) =>
    COST_OF_SEGMENT * bend.units * paths.reduce((sum, { segments }) => sum + segments.length, 0),
  run: ({ paths, bend }) => ok(bentPaths(paths, bend)),
};
