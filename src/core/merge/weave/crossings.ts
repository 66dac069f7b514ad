/**
 * Where bands pass over one another: each place where the areas of two bands overlap is one crossing, however often their middle
 * lines meet there.
 *
 * @example
 * const { crossings, crowds } = crossingsAmong(alikeAmong(strands, fold), ({ line }) => widths[line] / 2, gap, 1e-9);
 */
import { add, type Point, scaleBy } from '@/core/curve';
import type { Alike } from './alike';
import { crowdsAmong, type Crowd } from './crowds';
import { extentOf, nearOnes, shiftTo, spansMeet, type Extent, type Span } from './extents';
import { joining } from '@/core/number';
import { pairsAmong, type Pair } from './meetings';
import type { Strand } from './strands';
import { folds } from './trail';
import type { Crossing, Visit } from './visit';

export interface Found {
  readonly crossings: readonly Crossing[];
  readonly crowds: readonly Crowd[];
  /** Where so many lines meet that nothing is tried. */
  readonly crowded: readonly Point[];
}

/**
 * All crossings of bands along strands.
 * @param halfOf half the width of a strand's band
 * @param gap what is left free beside a band that passes over
 * @param tolerance how near points are that are one
 */
export function crossingsAmong(
  alike: Alike,
  halfOf: (strand: Strand) => number,
  gap: number,
  tolerance: number,
): Found {
  const { strands } = alike;
  const { pairs, crowded } = pairsAmong(alike, halfOf, gap, tolerance);
  const near = nearOnes(strands, pairs, halfOf);
  const extents = extentsOf(alike, pairs, near, (pair) => extentOf(strands, pair, halfOf, gap));

  // Meetings of the same two strands whose bands overlap in one are one crossing.
  const sets = joining(pairs.length);
  const between = new Map<string, number[]>();
  for (const k of extents.keys()) {
    const [a, b] = (pairs[k] as Pair).spots.map(({ strand }) => strand).sort((p, q) => p - q);
    between.set(`${a} ${b}`, [...(between.get(`${a} ${b}`) ?? []), k]);
  }
  for (const list of between.values())
    list.forEach((k, i) =>
      list.slice(i + 1).forEach((other) => {
        if (joinedBy(strands, pairs, extents, halfOf, k, other)) sets.join(k, other);
      }),
    );
  const groups = new Map<number, number[]>();
  pairs.forEach((_, k) => groups.set(sets.find(k), [...(groups.get(sets.find(k)) ?? []), k]));
  const merged = [...groups.values()].map((group) => mergedPairs(strands, pairs, extents, halfOf, group));
  const crossings = merged.map(({ at, isShallow, visits: [first, second] }, crossing): Crossing => ({
    at,
    isShallow,
    visits: [
      { ...first, crossing, role: 0 },
      { ...second, crossing, role: 1 },
    ],
  }));
  const members = [...groups.values()];
  return {
    crossings,
    crowds: crowdsAmong(
      strands,
      crossings,
      (k) => (members[k] ?? []).some((each) => pairs[each]?.place !== null),
      halfOf,
    ),
    crowded,
  };
}

/** How far bands overlap around some meetings: worked out once for all that turns make of one another. */
function extentsOf(
  alike: Alike,
  pairs: readonly Pair[],
  some: ReadonlySet<number>,
  work: (pair: Pair) => Extent,
): Map<number, Extent> {
  const known = new Map<string, Extent>();
  const extents = new Map<number, Extent>();
  for (const k of some) {
    const pair = pairs[k] as Pair;
    const [a, b] = pair.spots;
    // Lengths along copies are the same to the last digit.
    const name = alike.nameOf(a.strand, b.strand);
    const place = name && `${name} ${a.along} ${b.along}`;
    const extent = (place && known.get(place)) || work(pair);
    if (place) known.set(place, extent);
    extents.set(k, extent);
  }
  return extents;
}

/** For each role of a meeting, the role that the same strand has in another one of the same strands. */
type Roles = readonly [0 | 1, 0 | 1];

/**
 * With which roles the overlaps of two meetings of the same strands are one: along one strand they go over into one another, and along
 * the other too, or it folds back between them, as at a tip. Null where they are two.
 */
function joinedBy(
  strands: readonly Strand[],
  pairs: readonly Pair[],
  extents: ReadonlyMap<number, Extent>,
  halfOf: (strand: Strand) => number,
  k: number,
  other: number,
): Roles | null {
  const [a, b] = [pairs[k], pairs[other]] as [Pair, Pair];
  const [p, q] = [extents.get(k), extents.get(other)] as [Extent, Extent];
  for (const roles of rolesBetween(a, b)) {
    const meet = ([0, 1] as const).map((role) =>
      spansMeet(strands[a.spots[role].strand] as Strand, p.spans[role], q.spans[roles[role]]),
    );
    const isOne = ([0, 1] as const).every((role) => {
      const strand = strands[a.spots[role].strand] as Strand;
      return (
        meet[role] ||
        (meet[1 - role] && foldsBetween(strand, p.spans[role], q.spans[roles[role]], halfOf(strand)))
      );
    });
    if (isOne) return roles;
  }
  return null;
}

/** Roles by which the strands of two meetings are the same: of a strand that crosses itself, both ways. */
function rolesBetween({ spots: [a, b] }: Pair, { spots: [p, q] }: Pair): Roles[] {
  return [
    ...(a.strand === p.strand && b.strand === q.strand ? [[0, 1] as const] : []),
    ...(a.strand === q.strand && b.strand === p.strand ? [[1, 0] as const] : []),
  ];
}

/** True where a strand folds back between two spans of it. */
function foldsBetween(strand: Strand, a: Span, b: Span, half: number): boolean {
  const shift = shiftTo(strand, a, b);
  return a[0] < b[0] + shift
    ? folds(strand, a[1], b[0] + shift, half)
    : folds(strand, b[1] + shift, a[0], half);
}

interface Merged extends Pick<Crossing, 'at' | 'isShallow'> {
  readonly visits: readonly [Passage, Passage];
}

/** How a strand comes through a crossing. */
type Passage = Omit<Visit, 'crossing' | 'role'>;

/** A meeting as a crossing of its own. */
function crossingOf({ at, spots, isThrough }: Pair, extent: Extent | undefined): Merged {
  const passage = (role: 0 | 1): Passage => {
    const { strand, along } = spots[role];
    const [from, to] = extent?.spans[role] ?? [along, along];
    return { strand, along, from, to, more: extent?.more[role] ?? 0 };
  };
  return { at, isShallow: !isThrough, visits: [passage(0), passage(1)] };
}

/** Meetings that are one crossing, in one. */
function mergedPairs(
  strands: readonly Strand[],
  pairs: readonly Pair[],
  extents: ReadonlyMap<number, Extent>,
  halfOf: (strand: Strand) => number,
  group: readonly number[],
): Merged {
  const [k = 0] = group;
  const first = pairs[k] as Pair;
  const whole = crossingOf(first, extents.get(k));
  if (group.length === 1) return whole;
  // All as seen from the first: which of their visits are of which of its strands, and how many times round.
  const all = group.map((each) => {
    const other = pairs[each] as Pair;
    const roles = joinedBy(strands, pairs, extents, halfOf, k, each) ??
      rolesBetween(first, other)[0] ?? [0, 1];
    const { visits } = crossingOf(other, extents.get(each));
    const seen = ([0, 1] as const).map((own): Passage => {
      const [home, visit] = [whole.visits[own], visits[roles[own]]];
      const shift = shiftTo(strands[home.strand] as Strand, [home.from, home.to], [visit.from, visit.to]);
      return { ...visit, along: visit.along + shift, from: visit.from + shift, to: visit.to + shift };
    });
    return { ...other, visits: seen as [Passage, Passage] };
  });
  all.sort((a, b) => a.visits[0].along - b.visits[0].along);
  const hull = (role: 0 | 1): Passage => {
    const own = all.map(({ visits }) => visits[role]);
    const alongs = own.map(({ along }) => along);
    return {
      strand: whole.visits[role].strand,
      along: (Math.min(...alongs) + Math.max(...alongs)) / 2,
      from: Math.min(...own.map(({ from }) => from)),
      to: Math.max(...own.map(({ to }) => to)),
      more: Math.max(...own.map(({ more }) => more)),
    };
  };
  const middle = all[(all.length - 1) / 2];
  const [low, high] = [all[0] ?? first, all[all.length - 1] ?? first];
  return {
    at: middle ? middle.at : scaleBy(add(low.at, high.at), 0.5),
    isShallow: all.filter(({ isThrough }) => isThrough).length % 2 === 0,
    visits: [hull(0), hull(1)],
  };
}
