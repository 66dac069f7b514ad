/**
 * Where bands pass over one another: each place where the areas of two bands overlap is one crossing, however often their middle
 * lines meet there.
 *
 * @example
 * const { crossings, crowds } = crossingsAmong(strands, ({ line }) => widths[line] / 2, gap, 1e-9);
 */
import type { Bounds } from '../../curve/bounds';
import { crossingsOf } from '../../curve/crossings';
import { arcLength } from '../../curve/length';
import { directionAt } from '../../curve/parallel';
import { partOf } from '../../curve/part';
import { add, cross, distance, scaleBy, type Point } from '../../curve/point';
import { pointAt } from '../../curve/segment';
import { grazesAmong } from './grazes';
import { directionsOn, type Strand } from './strands';
import { folds, overlapAlong, shareGround, trailAround } from './trail';

/** A strand coming through a crossing. */
export interface Visit {
  readonly strand: number;
  /** The middle of it, from the strand's start; below 0 or past the length where a closed strand is gone round. */
  readonly along: number;
  /** From where to where the bands overlap; both `along` where that was not worked out, as nothing else is near. */
  readonly from: number;
  readonly to: number;
  /** How far past both ends it must reach to keep the gap free as well. */
  readonly more: number;
  readonly crossing: number;
  readonly role: 0 | 1;
}

export interface Crossing {
  readonly at: Point;
  readonly visits: readonly [Visit, Visit];
  /** The bands come to one another from one side and leave to the same: one lies over the other, and they do not cross. */
  readonly isShallow: boolean;
}

/** Crossings of three bands or more that have some of the plane in common. */
export interface Crowd {
  readonly at: Point;
  readonly crossings: readonly number[];
  /** Those of lines that meet in one point, where nothing is between them. */
  readonly inPoint: readonly number[];
}

export interface Found {
  readonly crossings: readonly Crossing[];
  readonly crowds: readonly Crowd[];
  /** Where so many lines meet that nothing is tried. */
  readonly crowded: readonly Point[];
}

/** The sine of the least angle at which lines cross; below it they touch. */
const LEAST_SINE = 1e-3;
/** Lines through one point that are still taken pair by pair. */
const MOST_IN_ONE = 8;

type Spot = Pick<Visit, 'strand' | 'along'>;

const overlap = (a: Bounds, b: Bounds, by: number): boolean =>
  a.left <= b.right + by && b.left <= a.right + by && a.top <= b.bottom + by && b.top <= a.bottom + by;

/** Where middle lines meet at an angle, each place once, with the strands that come through it. */
function meetings(strands: readonly Strand[], tolerance: number): { at: Point; spots: Spot[] }[] {
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
  for (let a = 0; a < strands.length; a += 1)
    for (let b = a; b < strands.length; b += 1) {
      const [p, q] = [strands[a] as Strand, strands[b] as Strand];
      if (!overlap(p.box, q.box, tolerance)) continue;
      p.path.segments.forEach((s, i) =>
        q.path.segments.forEach((t, j) => {
          if (a === b && j <= i) return;
          for (const { s: u, t: v } of crossingsOf(s, t)) {
            const sine = Math.abs(cross(directionAt(s, u), directionAt(t, v)));
            if (sine < LEAST_SINE) continue;
            put(pointAt(s, u), [
              { strand: a, along: (p.starts[i] ?? 0) + arcLength(partOf(s, 0, u)) },
              { strand: b, along: (q.starts[j] ?? 0) + arcLength(partOf(t, 0, v)) },
            ]);
          }
        }),
      );
    }
  // Where a line ends on another it does not pass.
  const passes = ({ strand, along }: Spot): boolean => {
    const { path, length } = strands[strand] as Strand;
    return path.closed || (along > 1000 * tolerance && along < length - 1000 * tolerance);
  };
  return found.map(({ at, spots }) => ({ at, spots: spots.filter(passes) }));
}

/** A meeting of two strands, before it is known which of them are one crossing. */
interface Pair {
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
  strands: readonly Strand[],
  pairs: readonly Pair[],
  halfOf: (strand: Strand) => number,
  halves: (pair: Pair) => number,
): Pair[] {
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
  return grazesAmong(strands, halfOf, isKnown).map(({ at, spots, length }): Pair => {
    const wide = spots.reduce((sum, { strand }) => sum + halfOf(strands[strand] as Strand), 0);
    return { at, spots, sine: Math.max(LEAST_SINE, wide / (wide + length)), isThrough: false, place: null };
  });
}

/** Sets that are joined step by step (union–find). */
function joining(count: number): { find: (k: number) => number; join: (a: number, b: number) => void } {
  const parent = Array.from({ length: count }, (_, k) => k);
  const find = (k: number): number => {
    let at = k;
    while (parent[at] !== at) at = parent[at] = parent[parent[at] ?? at] ?? at;
    return at;
  };
  return { find, join: (a, b) => (parent[find(b)] = find(a)) };
}

/**
 * Bands that overlap by less than this share of their widths are told apart: what they have in common then is no more than a hair beside
 * a cut.
 */
const DEEP = 0.7;

type Span = readonly [from: number, to: number];

/** How far a pair's bands overlap along both strands. */
interface Extent {
  readonly spans: readonly [Span, Span];
  readonly more: readonly [number, number];
}

function extentOf(
  strands: readonly Strand[],
  { spots, sine }: Pair,
  halfOf: (strand: Strand) => number,
  gap: number,
): Extent {
  const [p, q] = spots.map(({ strand }) => strands[strand] as Strand) as [Strand, Strand];
  const [a, b] = [halfOf(p), halfOf(q)];
  const within = Math.min(a, b) / 25;
  for (let reach = (3 * (a + b + gap)) / sine; ; reach *= 2) {
    const trails = [
      trailAround(p, spots[0].along, reach, within),
      trailAround(q, spots[1].along, reach, within),
    ] as const;
    /** Back and on along both, for bands of a share of their widths and what is free beside them. */
    const reaches = (share: number, free: number): readonly [Span, Span] => [
      overlapAlong(trails[0], share * a, trails[1], share * b + free, spots[0].along),
      overlapAlong(trails[1], share * b, trails[0], share * a + free, spots[1].along),
    ];
    const [deep, whole] = [reaches(DEEP, 0), reaches(1, gap)];
    const isAll = reach >= Math.max(p.length, q.length);
    if (!isAll && !whole.flat().every(Number.isFinite)) continue;
    const spanOf = (role: 0 | 1, { length }: Strand): Span => [
      spots[role].along - Math.min(deep[role][0], length / 2),
      spots[role].along + Math.min(deep[role][1], length / 2),
    ];
    const moreOf = (role: 0 | 1, { length }: Strand): number =>
      Math.max(
        ...whole[role].map((far, k) => Math.min(far, length / 2) - Math.min(deep[role][k] ?? 0, length / 2)),
      );
    return { spans: [spanOf(0, p), spanOf(1, q)], more: [moreOf(0, p), moreOf(1, q)] };
  }
}

/** Which pairs have another meeting so near on a strand that their bands may overlap in one. */
function nearOnes(
  strands: readonly Strand[],
  pairs: readonly Pair[],
  wideOf: (pair: Pair) => number,
): Set<number> {
  const onStrand = new Map<number, { along: number; pair: number }[]>();
  pairs.forEach(({ spots }, pair) => {
    for (const { strand, along } of spots)
      onStrand.set(strand, [...(onStrand.get(strand) ?? []), { along, pair }]);
  });
  const near = new Set<number>();
  for (const [strand, list] of onStrand) {
    const { path, length } = strands[strand] as Strand;
    list.sort((a, b) => a.along - b.along);
    list.forEach((one, k) => {
      const next =
        list[k + 1] ?? (path.closed && list[0] ? { ...list[0], along: list[0].along + length } : null);
      if (!next || (next.pair === one.pair && list.length === 1)) return;
      const room = [one, next].reduce((sum, { pair }) => sum + wideOf(pairs[pair] as Pair), 0);
      if (next.along - one.along < room) near.add(one.pair).add(next.pair);
    });
  }
  return near;
}

/** Where the second of two spans lies on a strand as seen from the first: by how many times round. */
const shiftTo = ({ path, length }: Strand, [a, b]: Span, [c, d]: Span): number =>
  path.closed ? Math.round((a + b - c - d) / 2 / length) * length : 0;

const spansMeet = (strand: Strand, a: Span, b: Span): boolean => {
  const shift = shiftTo(strand, a, b);
  return a[0] < b[1] + shift && b[0] + shift < a[1];
};

/**
 * All crossings of bands along strands.
 * @param halfOf half the width of a strand's band
 * @param gap what is left free beside a band that passes over
 * @param tolerance how near points are that are one
 */
export function crossingsAmong(
  strands: readonly Strand[],
  halfOf: (strand: Strand) => number,
  gap: number,
  tolerance: number,
): Found {
  const crowded: Point[] = [];
  const pairs = meetings(strands, tolerance).flatMap(({ at, spots }, k): Pair[] => {
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
  pairs.push(...grazingPairs(strands, pairs, halfOf, halves));
  // Of straight lines the overlap reaches DEEP widths over the sine; a third more for lines that bend.
  const near = nearOnes(strands, pairs, (pair) => (1.3 * DEEP * (halves(pair) - gap)) / pair.sine);
  const extents = new Map([...near].map((k) => [k, extentOf(strands, pairs[k] as Pair, halfOf, gap)]));

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
  return { crossings, crowds: crowdsAmong(strands, pairs, members, crossings, halfOf), crowded };
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

/** Crossings of three bands or more that have ground in common, in one set each. */
function crowdsAmong(
  strands: readonly Strand[],
  pairs: readonly Pair[],
  members: readonly (readonly number[])[],
  crossings: readonly Crossing[],
  halfOf: (strand: Strand) => number,
): Crowd[] {
  const byStrand = new Map<number, Visit[]>();
  for (const { visits } of crossings)
    for (const visit of visits)
      if (visit.to > visit.from) byStrand.set(visit.strand, [...(byStrand.get(visit.strand) ?? []), visit]);
  const sets = joining(crossings.length);
  /** The stretch that a strand has in a crossing, as a band of less than its width. */
  const groundOf = ({ strand, from, to }: Visit) => {
    const own = strands[strand] as Strand;
    const half = halfOf(own);
    return { trail: trailAround(own, (from + to) / 2, (to - from) / 2, half / 25), half: DEEP * half };
  };
  const acrossFrom = ({ crossing, role }: Visit): Visit =>
    (crossings[crossing] as Crossing).visits[role === 0 ? 1 : 0];
  for (const [strand, list] of byStrand)
    list.forEach((a, i) =>
      list.slice(i + 1).forEach((b) => {
        const own = strands[strand] as Strand;
        if (a.crossing === b.crossing || !spansMeet(own, [a.from, a.to], [b.from, b.to])) return;
        const shift = shiftTo(own, [a.from, a.to], [b.from, b.to]);
        const [from, to] = [Math.max(a.from, b.from + shift), Math.min(a.to, b.to + shift)];
        const { trail, half } = groundOf({ ...a, from, to });
        if (shareGround(trail, half, [groundOf(acrossFrom(a)), groundOf(acrossFrom(b))]))
          sets.join(a.crossing, b.crossing);
      }),
    );
  const groups = new Map<number, number[]>();
  crossings.forEach((_, k) => groups.set(sets.find(k), [...(groups.get(sets.find(k)) ?? []), k]));
  return [...groups.values()]
    .filter((group) => group.length > 1)
    .map((group) => {
      const at = scaleBy(
        group.reduce((sum, k) => add(sum, (crossings[k] as Crossing).at), { x: 0, y: 0 }),
        1 / group.length,
      );
      const inPoint = group.filter((k) =>
        (members[k] ?? []).some((each) => (pairs[each] as Pair).place !== null),
      );
      return { at, crossings: group, inPoint };
    });
}
