/**
 * Where middle lines meet, and where bands overlap beside that: pairs of strands at a place, before it is known which are one crossing.
 *
 * @example
 * const { pairs, crowded } = pairsAmong(alikeAmong(strands, fold), ({ line }) => widths[line] / 2, gap, 1e-9);
 */
import {
  arcLength,
  type Bounds,
  cross,
  crossingsOf,
  directionAt,
  distance,
  partOf,
  type Point,
  pointAt,
  scaleBy,
} from '@/core/curve';
import { type Alike, onceForAll } from './alike';
import { grazesAmong } from './grazes';
import { directionsOn, type Strand } from './strands';

/** The sine of the least angle at which lines cross; below it they touch. */
const LEAST_SINE = 1e-3;
/** Lines through one point that are still taken pair by pair. */
const MOST_IN_ONE = 8;

/** A place on a strand, by its length from the start. */
interface Spot {
  readonly strand: number;
  readonly along: number;
}

const overlap = (a: Bounds, b: Bounds, by: number): boolean =>
  a.left <= b.right + by && b.left <= a.right + by && a.top <= b.bottom + by && b.top <= a.bottom + by;

/** Where two strands meet at an angle, or one of them itself. */
function meetingsOfTwo(
  p: Strand,
  q: Strand,
  tolerance: number,
): { readonly at: Point; readonly alongs: readonly [number, number] }[] {
  if (!overlap(p.box, q.box, tolerance)) return [];
  return p.path.segments.flatMap((s, i) =>
    q.path.segments.flatMap((t, j) => {
      if (p === q && j <= i) return [];
      return crossingsOf(s, t).flatMap(({ s: u, t: v }) => {
        const sine = Math.abs(cross(directionAt(s, u), directionAt(t, v)));
        if (sine < LEAST_SINE) return [];
        const alongs = [
          (p.starts[i] ?? 0) + arcLength(partOf(s, 0, u)),
          (q.starts[j] ?? 0) + arcLength(partOf(t, 0, v)),
        ] as const;
        return [{ at: pointAt(s, u), alongs }];
      });
    }),
  );
}

/** Where middle lines meet at an angle, each place once, with the strands that come through it. */
function meetings(alike: Alike, tolerance: number): { at: Point; spots: Spot[] }[] {
  const { strands } = alike;
  const found: { at: Point; spots: Spot[] }[] = [];
  const cells = new Map<string, number[]>();
  const size = Math.max(tolerance * 1000, 1e-6);
  const near = (at: Point): number | undefined => {
    const [cx, cy] = [Math.round(at.x / size), Math.round(at.y / size)];
    for (let x = cx - 1; x <= cx + 1; x += 1)
      for (let y = cy - 1; y <= cy + 1; y += 1)
        for (const k of cells.get(`${x} ${y}`) ?? [])
          if (distance((found[k] as { at: Point }).at, at) <= 100 * tolerance) return k;
    return undefined;
  };
  const put = (at: Point, spots: readonly Spot[]): void => {
    const known = near(at);
    const place = known === undefined ? { at, spots: [] } : (found[known] as (typeof found)[number]);
    if (known === undefined) {
      const name = `${Math.round(at.x / size)} ${Math.round(at.y / size)}`;
      cells.set(name, [...(cells.get(name) ?? []), found.push(place) - 1]);
    }
    for (const spot of spots) {
      const { path, length } = strands[spot.strand] as Strand;
      const had = place.spots.some(({ strand, along }) => {
        const apart = Math.abs(along - spot.along);
        const round = path.closed ? Math.min(apart, length - apart) : apart;
        return strand === spot.strand && round <= 1000 * tolerance;
      });
      if (!had) place.spots.push(spot);
    }
  };
  const between = onceForAll(alike, (a, b) =>
    meetingsOfTwo(strands[a] as Strand, strands[b] as Strand, tolerance),
  );
  for (let a = 0; a < strands.length; a += 1)
    for (let b = a; b < strands.length; b += 1) {
      const { found: places, steps } = between(a, b);
      for (const { at, alongs } of places)
        put(alike.turnedPoint(at, steps), [
          { strand: a, along: alongs[0] },
          { strand: b, along: alongs[1] },
        ]);
    }
  // Where a line ends on another it does not pass.
  const passes = ({ strand, along }: Spot): boolean => {
    const { path, length } = strands[strand] as Strand;
    return path.closed || (along > 1000 * tolerance && along < length - 1000 * tolerance);
  };
  return found.map(({ at, spots }) => ({ at, spots: spots.filter(passes) }));
}

/** A meeting of two strands, before it is known which of them are one crossing. */
export interface Pair {
  readonly at: Point;
  readonly spots: readonly [Spot, Spot];
  /** Of the angle between them. */
  readonly sine: number;
  /** One goes from one side of the other to the other side. */
  readonly isThrough: boolean;
  /** Of the place, where more than two strands meet in it. */
  readonly place: number | null;
}

function pairOf(
  strands: readonly Strand[],
  at: Point,
  a: Spot,
  b: Spot,
  place: number | null,
  tolerance: number,
): Pair {
  const [p, q] = [a, b].map(({ strand, along }) =>
    directionsOn(strands[strand] as Strand, along, 1000 * tolerance),
  ) as [ReturnType<typeof directionsOn>, ReturnType<typeof directionsOn>];
  const angle = ({ x, y }: Point): number => Math.atan2(y, x);
  // Directions away from the meeting: the two of one strand lie between those of the other, or not.
  const [from, to] = [angle(scaleBy(p.to, -1)), angle(p.on)];
  const turnTo = (of: Point): number => (angle(of) - from + 4 * Math.PI) % (2 * Math.PI);
  const own = (to - from + 4 * Math.PI) % (2 * Math.PI);
  const isThrough = turnTo(scaleBy(q.to, -1)) < own !== turnTo(q.on) < own;
  const sines = [p.to, p.on].flatMap((u) => [q.to, q.on].map((v) => Math.abs(cross(u, v))));
  return { at, spots: [a, b], sine: Math.max(LEAST_SINE, Math.min(...sines)), isThrough, place };
}

/** Where bands overlap and their middle lines do not meet, as meetings. */
function grazingPairs(
  alike: Alike,
  pairs: readonly Pair[],
  halfOf: (strand: Strand) => number,
  halves: (pair: Pair) => number,
): Pair[] {
  const { strands } = alike;
  const known = new Map<string, { along: number; reach: number }[]>();
  for (const pair of pairs)
    for (const [mine, other] of [pair.spots, [pair.spots[1], pair.spots[0]]] as const) {
      const name = `${mine.strand} ${other.strand}`;
      const reach = (1.2 * halves(pair)) / pair.sine + 2 * halfOf(strands[mine.strand] as Strand);
      known.set(name, [...(known.get(name) ?? []), { along: mine.along, reach }]);
    }
  const isKnown = (a: number, at: number, b: number): boolean => {
    const { path, length } = strands[a] as Strand;
    return (known.get(`${a} ${b}`) ?? []).some(({ along, reach }) => {
      const apart = Math.abs(along - at);
      return (path.closed ? Math.min(apart, length - apart) : apart) < reach;
    });
  };
  return grazesAmong(alike, halfOf, isKnown).map(({ at, spots, length }): Pair => {
    const wide = spots.reduce((sum, { strand }) => sum + halfOf(strands[strand] as Strand), 0);
    return { at, spots, sine: Math.max(LEAST_SINE, wide / (wide + length)), isThrough: false, place: null };
  });
}

/**
 * All meetings of two strands.
 * @param halfOf half the width of a strand's band
 * @param gap what is left free beside a band that passes over
 * @param tolerance how near points are that are one
 * @returns with them where so many lines meet in one point that nothing is tried
 */
export function pairsAmong(
  alike: Alike,
  halfOf: (strand: Strand) => number,
  gap: number,
  tolerance: number,
): { readonly pairs: readonly Pair[]; readonly crowded: readonly Point[] } {
  const { strands } = alike;
  const crowded: Point[] = [];
  const pairs = meetings(alike, tolerance).flatMap(({ at, spots }, k): Pair[] => {
    if (spots.length > MOST_IN_ONE) {
      crowded.push(at);
      return [];
    }
    const place = spots.length > 2 ? k : null;
    return spots.flatMap((a, i) =>
      spots.slice(i + 1).map((b) => pairOf(strands, at, a, b, place, tolerance)),
    );
  });
  const halves = (pair: Pair): number =>
    pair.spots.reduce((sum, { strand }) => sum + halfOf(strands[strand] as Strand), gap);
  return { pairs: [...pairs, ...grazingPairs(alike, pairs, halfOf, halves)], crowded };
}
