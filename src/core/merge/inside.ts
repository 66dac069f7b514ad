/**
 * A point well inside a cell: where it is asked what lies there, and where a mark is put.
 *
 * @example
 * insideOf(cell.loops, cell.area); // the middle of a round cell, a place on the middle line of a ring
 */
import polylabel from 'polylabel';

import {
  add,
  between,
  type Bounds,
  boundsApart,
  boundsOfPaths,
  boundsOfSegment,
  crossingsOf,
  distance,
  flatten,
  isInBounds,
  line,
  nearestOnPath,
  type Path,
  pathLength,
  type Point,
  scaleBy,
  type Segment,
  signedArea,
} from '@/core/curve';

/**
 * The point of a cell that is farthest from its border; of a thin cell one that is far from it, as there may be a whole line of them.
 * @param area of the cell
 */
export const insideOf = (loops: readonly Path[], area: number): Point =>
  poleOf(loops, area, Math.sqrt(area) / 200);

/** A point inside a cell, and how far from its border it is at least. */
export interface Inside {
  readonly at: Point;
  readonly away: number;
}

/**
 * Half of how wide a cell is, were it a band: its area by the length of its border. The point that is farthest from the border is no nearer to it,
 * as every point lies within that distance of the border.
 */
export function halfWidth(loops: readonly Path[], area: number): number {
  const around = loops.reduce((sum, loop) => sum + pathLength(loop), 0);
  return around > 0 ? area / around : 0;
}

/** A point well inside a cell, sooner found than the one that is farthest from its border. @param area of the cell */
export function wellInside(loops: readonly Path[], area: number): Inside {
  const half = halfWidth(loops, area);
  return { at: poleOf(loops, area, half / 4), away: half / 2 };
}

/**
 * A cell whose border is longer than so many of its half widths is thin. Of a thin one, places that are about as far from the border as the
 * farthest go on for all its length, and the search for that one would look at each of them; below this it takes some milliseconds.
 */
const THIN = 200;

function poleOf(loops: readonly Path[], area: number, tolerance: number): Point {
  const half = halfWidth(loops, area);
  const thin = area > 0 && area > THIN * half * half ? middleOfChords(loops, half) : null;
  if (thin) return thin;
  // It is looked for within the first loop's box, which is to be that of the border around the holes.
  const sizes = new Map(loops.map((loop) => [loop, Math.abs(signedArea([loop]))]));
  const outerFirst = [...loops].sort((a, b) => (sizes.get(b) ?? 0) - (sizes.get(a) ?? 0));
  const rings = outerFirst.map((loop) => flatten(loop, tolerance).map(({ x, y }) => [x, y]));
  const [x = 0, y = 0] = polylabel(rings, tolerance);
  return { x, y };
}

/** Chords of a thin cell in each of two directions, at even steps from a place where no drawing has its corners. */
const CHORDS = 32;
const FIRST = Math.SQRT2 - 1;
/** How far from the border a point of a thin cell is to be, in half widths. */
const FAR = 0.6;

/** A segment of a border with its box. */
interface Side {
  readonly segment: Segment;
  readonly box: Bounds;
}

/** The farthest from the border of the middles of chords; null where none is as far as it would be in a band. */
function middleOfChords(loops: readonly Path[], half: number): Point | null {
  const sides = loops.flatMap(({ segments }) =>
    segments.map((segment): Side => ({ segment, box: boundsOfSegment(segment) })),
  );
  const { left, top, right, bottom } = boundsOfPaths(loops);
  const [wide, high] = [right - left, bottom - top];
  const lines = Array.from({ length: CHORDS }, (_, k) => {
    const share = (k + FIRST) / CHORDS;
    const [x, y] = [left + share * wide, top + share * high];
    return [
      line({ x: left - wide, y }, { x: right + wide, y }),
      line({ x, y: top - high }, { x, y: bottom + high }),
    ];
  }).flat();
  let best: Point | null = null;
  let most = FAR * half;
  for (const along of lines)
    for (const { at, reach } of chordsAlong(sides, along)) {
      const away = reach > most ? distanceTo(sides, at, reach) : 0;
      if (away > most) [best, most] = [at, away];
    }
  return best && climbed(sides, best, most, Math.max(wide, high));
}

/** Steps of a climb are halved so often, from a share of the cell's size. */
const HALVINGS = 16;
const FIRST_STEP = 1 / CHORDS;
const WAYS = Array.from({ length: 8 }, (_, k) => ({
  x: Math.cos((k * Math.PI) / 4),
  y: Math.sin((k * Math.PI) / 4),
}));

/** From a point inside, always farther from the border, to where no step near by is farther: the middle of the widest place there. */
function climbed(sides: readonly Side[], from: Point, away: number, size: number): Point {
  let [at, most] = [from, away];
  for (let halving = 0, step = FIRST_STEP * size; halving < HALVINGS; halving += 1, step /= 2)
    for (const way of WAYS) {
      const next = add(at, scaleBy(way, step));
      const reached = step < most ? distanceTo(sides, next, most + step) : 0;
      if (reached > most) [at, most] = [next, reached];
    }
  return at;
}

/** What a line has inside borders, by the even-odd rule: the middle of each chord, and half its length. */
function chordsAlong(sides: readonly Side[], along: Segment): { at: Point; reach: number }[] {
  const box = boundsOfSegment(along);
  const meets = sides
    .filter((side) => boundsApart(side.box, box) === 0)
    .flatMap(({ segment }) => crossingsOf(along, segment).filter(({ touching }) => !touching))
    .sort((a, b) => a.s - b.s)
    .map(({ point }) => point);
  return meets.flatMap((to, k) => {
    const from = k % 2 === 1 ? meets[k - 1] : undefined;
    return from ? [{ at: between(from, to, 0.5), reach: distance(from, to) / 2 }] : [];
  });
}

/** How far a point is from the nearest side, or a length where none is nearer. */
const distanceTo = (sides: readonly Side[], p: Point, most: number): number =>
  sides.reduce(
    (least, { segment, box }) =>
      isInBounds(box, p, least)
        ? Math.min(least, nearestOnPath({ closed: false, segments: [segment] }, p)?.distance ?? least)
        : least,
    most,
  );
