/**
 * Parts of segments in their hulls, for searches that halve: what is apart cannot meet, and is left out.
 *
 * @example
 * leastApart(wholeOf(a), wholeOf(b)) > 0; // they do not meet
 */
import { partOf } from './part';
import { add, lengthOf, scaleBy, subtract, type Point } from './point';
import type { Segment } from './segment';

/** A part of a segment, and points in whose convex hull it lies. */
export interface Stretch {
  readonly from: number;
  readonly to: number;
  readonly part: Segment;
  readonly hull: readonly Point[];
}

const QUARTER = Math.PI / 2;

/** Points in whose convex hull a segment lies: a cubic's own, an arc's ends and where its tangents meet. */
function hullOf(segment: Segment): readonly Point[] {
  if (segment.kind === 'line') return [segment.from, segment.to];
  if (segment.kind === 'cubic') return [segment.from, segment.out, segment.in, segment.to];
  const { centre, radius, sweep, from, to } = segment;
  if (Math.abs(sweep) > QUARTER)
    return [-radius, radius].flatMap((dx) =>
      [-radius, radius].map((dy) => ({ x: centre.x + dx, y: centre.y + dy })),
    );
  // On the bisector, at the radius over the cosine of half the angle.
  const spokes = add(subtract(from, centre), subtract(to, centre));
  const meet = radius / Math.cos(sweep / 2) / lengthOf(spokes);
  return [from, add(centre, scaleBy(spokes, meet)), to];
}

const stretchOf = (part: Segment, from: number, to: number): Stretch => ({
  from,
  to,
  part,
  hull: hullOf(part),
});

/** A whole segment as a stretch. */
export const wholeOf = (segment: Segment): Stretch => stretchOf(segment, 0, 1);

/** Both halves of a stretch, by its parameter. */
export function halvesOf({ part, from, to }: Stretch): [Stretch, Stretch] {
  const middle = (from + to) / 2;
  return [stretchOf(partOf(part, 0, 0.5), from, middle), stretchOf(partOf(part, 0.5, 1), middle, to)];
}

/** How far two sets of points are apart along a direction of length 1; below 0 where they overlap along it. */
function apartAlong(a: readonly Point[], b: readonly Point[], x: number, y: number): number {
  let [leastA, mostA, leastB, mostB] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const p of a) {
    const along = p.x * x + p.y * y;
    if (along < leastA) leastA = along;
    if (along > mostA) mostA = along;
  }
  for (const p of b) {
    const along = p.x * x + p.y * y;
    if (along < leastB) leastB = along;
    if (along > mostB) mostB = along;
  }
  return Math.max(leastA - mostB, leastB - mostA);
}

/**
 * A lower bound of how far two stretches are apart: along the way between their middles and across each chord. Across its chord a
 * short stretch is as thin as the square of its length, so that curves which run beside each other are told apart soon.
 */
export function leastApart(a: Stretch, b: Stretch): number {
  const chords = [subtract(a.part.to, a.part.from), subtract(b.part.to, b.part.from)];
  const between = subtract(add(b.part.from, b.part.to), add(a.part.from, a.part.to));
  const ways = [between, ...chords.map(({ x, y }) => ({ x: -y, y: x }))];
  let most = 0;
  for (const way of ways) {
    const length = lengthOf(way);
    if (length > 0) most = Math.max(most, apartAlong(a.hull, b.hull, way.x / length, way.y / length));
  }
  return most;
}
