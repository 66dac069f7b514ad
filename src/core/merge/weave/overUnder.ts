/**
 * Which band passes over at each crossing, so that along every band over and under take turns.
 *
 * @example
 * const { over, bad, crowded } = overUnder(strands, found, turned, fold, 1e-9, () => false);
 */
import { distance, type Point } from '@/core/curve';
import type { Found } from './crossings';
import type { Crowd } from './crowds';
import { turnedBy, type Turned } from './orbits';
import { ordered, type CrowdPass } from './order';
import { onStrand, type Strand } from './strands';
import type { Crossing, Visit } from './visit';

export interface OverUnder {
  /** For each crossing, which of its two visits is over; −1 where nothing is woven. */
  readonly over: readonly number[];
  /** Crossings at which a band passes over or under twice running. */
  readonly bad: ReadonlySet<number>;
  /** Where bands are one, or leave a hole, as no order of them alternates. */
  readonly crowded: readonly Point[];
}

/** Visits that follow one another on a strand with nothing between them. */
type Pair = readonly [Visit, Visit];

/** The visits of each strand in their order along it. */
export function visitsAlong(strands: readonly Strand[], crossings: readonly Crossing[]): Visit[][] {
  const lists: Visit[][] = strands.map(() => []);
  for (const { visits } of crossings) for (const visit of visits) lists[visit.strand]?.push(visit);
  lists.forEach((list, k) => {
    const strand = strands[k] as Strand;
    list.sort((a, b) => onStrand(strand, a.along) - onStrand(strand, b.along));
  });
  return lists;
}

interface Chains {
  readonly pairs: readonly Pair[];
  /** For each crowd its bands. */
  readonly passes: readonly (readonly CrowdPass[])[];
}

/** What follows what along the strands, also over the ends of open ones that meet. Shallow crossings are not seen. */
function chainsOf(
  strands: readonly Strand[],
  crossings: readonly Crossing[],
  crowds: readonly Crowd[],
  left: ReadonlySet<number>,
  tolerance: number,
): Chains {
  const crowdOf = new Map(crowds.flatMap(({ crossings: own }, k) => own.map((each) => [each, k] as const)));
  const seen = visitsAlong(strands, crossings).map((list) =>
    list.filter(
      ({ crossing }) =>
        left.has(crossing) || crowdOf.has(crossing) || !(crossings[crossing] as Crossing).isShallow,
    ),
  );
  const pairs: Pair[] = [];
  const passes: CrowdPass[][] = crowds.map(() => []);
  const crowdAt = (visit: Visit | undefined): number | undefined => visit && crowdOf.get(visit.crossing);
  seen.forEach((list, strand) => {
    const { closed } = (strands[strand] as Strand).path;
    // Runs of visits of one crowd are one pass of it.
    const runs: Visit[][] = [];
    for (const visit of list) {
      const last = runs[runs.length - 1];
      const crowd = crowdAt(visit);
      if (last && crowd !== undefined && crowdAt(last[0]) === crowd) last.push(visit);
      else runs.push([visit]);
    }
    const [first, final] = [runs[0], runs[runs.length - 1]];
    if (closed && first && final && first !== final && crowdAt(first[0]) !== undefined)
      if (crowdAt(first[0]) === crowdAt(final[0])) runs[0] = [...(runs.pop() as Visit[]), ...first];
    runs.forEach((run, k) => {
      const next = runs[k + 1] ?? (closed && runs.length > 1 ? runs[0] : undefined);
      const before = runs[k - 1] ?? (closed && runs.length > 1 ? runs[runs.length - 1] : undefined);
      const crowd = crowdAt(run[0]);
      if (crowd !== undefined)
        passes[crowd]?.push({
          strand,
          visits: run,
          before: before?.[before.length - 1] ?? null,
          after: next?.[0] ?? null,
        });
      else if (next && crowdAt(next[0]) === undefined) pairs.push([run[0] as Visit, next[0] as Visit]);
    });
  });
  pairs.push(
    ...overEnds(strands, seen, tolerance).filter((pair) =>
      pair.every((visit) => crowdAt(visit) === undefined),
    ),
  );
  // What is one takes no turns, and none go on across it.
  return { pairs: pairs.filter((pair) => pair.every(({ crossing }) => !left.has(crossing))), passes };
}

/** Visits that follow one another where an open strand ends at the end of just one other. */
function overEnds(
  strands: readonly Strand[],
  visits: readonly (readonly Visit[])[],
  tolerance: number,
): Pair[] {
  const ends = strands.flatMap(({ path }, strand) => {
    const list = visits[strand] ?? [];
    const [first, last] = [path.segments[0], path.segments[path.segments.length - 1]];
    if (path.closed || !first || !last) return [];
    return [
      { at: first.from, visit: list[0] },
      { at: last.to, visit: list[list.length - 1] },
    ];
  });
  return ends.flatMap((end, a): Pair[] => {
    const met = ends.filter((other, b) => a !== b && distance(other.at, end.at) <= 100 * tolerance);
    const [other] = met;
    if (met.length !== 1 || !other?.visit || !end.visit || a > ends.indexOf(other)) return [];
    return [[end.visit, other.visit]];
  });
}

/**
 * Over and under by turns. The choice is made once for each connected figure and carried on along the bands; it can be made wherever
 * two lines cross at a time, as any plane diagram of closed lines has an alternating choice (Tait, "On knots", 1877). Three bands or
 * more that share ground lie in an order, where one is found in which each band that passes over all, or under all, alternates.
 * @param isSwapped crossings that are the other way round afterwards
 */
export function overUnder(
  strands: readonly Strand[],
  { crossings, crowds, crowded }: Found,
  turned: readonly Turned[],
  fold: number,
  tolerance: number,
  isSwapped: (crossing: number) => boolean,
): OverUnder {
  // Crowds that turns make of one another are taken together. Those without an order are woven crossing by crossing, each on its part
  // of the ground; in one point nothing is between the crossings, and the bands are one.
  const orbits = orbitsOfCrowds(crowds, turned);
  // An order of bands that turns make of one another would not be symmetric.
  const dropped = new Set<Crowd>(fold > 1 ? crowds.filter((crowd) => isOwnImage(crowd, turned)) : []);
  const inPoint = new Set<number>([...dropped].flatMap((crowd) => crowd.inPoint));
  for (;;) {
    const taken: Crowd[] = [];
    const rest = orbits.filter(([first]) => first && !dropped.has(first));
    const failing = rest.find((orbit) => {
      const fits = attempt(strands, crossings, [...taken, ...orbit], inPoint, turned, fold, tolerance);
      if (fits) taken.push(...orbit);
      return !fits;
    });
    const made = failing ? null : attempt(strands, crossings, taken, inPoint, turned, fold, tolerance);
    if (made)
      return { ...swapped(made, isSwapped), crowded: [...crowded, ...[...dropped].map(({ at }) => at)] };
    for (const crowd of failing ?? []) {
      dropped.add(crowd);
      for (const each of crowd.inPoint) inPoint.add(each);
    }
  }
}

/** Over and under with some crossings the other way round, and at which of them no turn is taken then. */
function swapped(
  { over: before, pairs, inCrowd }: Attempt,
  isSwapped: (crossing: number) => boolean,
): Pick<OverUnder, 'over' | 'bad'> {
  const over = before.map((role, k) => (role !== -1 && isSwapped(k) ? 1 - role : role));
  const isOver = ({ crossing, role }: Visit): boolean => over[crossing] === role;
  const bad = pairs.flatMap(([a, b]) => (isOver(a) === isOver(b) ? [a.crossing, b.crossing] : []));
  // An order of bands is one no more where two of them are exchanged.
  return { over, bad: new Set([...bad, ...[...inCrowd].filter(isSwapped)]) };
}

const isOwnImage = ({ crossings }: Crowd, turned: readonly Turned[]): boolean =>
  crossings.some((each) => {
    const to = turned[each]?.to ?? -1;
    return to !== each && crossings.includes(to);
  });

function orbitsOfCrowds(crowds: readonly Crowd[], turned: readonly Turned[]): Crowd[][] {
  const crowdOf = new Map(crowds.flatMap((crowd) => crowd.crossings.map((each) => [each, crowd] as const)));
  const done = new Set<Crowd>();
  return crowds.flatMap((crowd) => {
    const orbit: Crowd[] = [];
    for (let at: Crowd | undefined = crowd; at && !done.has(at);) {
      done.add(at);
      orbit.push(at);
      at = crowdOf.get(turned[at.crossings[0] ?? -1]?.to ?? -1);
    }
    return orbit.length > 0 ? [orbit] : [];
  });
}

/** Over and under with an order in each of some crowds, and what follows what along the strands. */
interface Attempt {
  readonly over: readonly number[];
  readonly pairs: readonly Pair[];
  readonly inCrowd: ReadonlySet<number>;
}

/** @returns null where there is no such order */
function attempt(
  strands: readonly Strand[],
  crossings: readonly Crossing[],
  crowds: readonly Crowd[],
  left: ReadonlySet<number>,
  turned: readonly Turned[],
  fold: number,
  tolerance: number,
): Attempt | null {
  const { pairs, passes } = chainsOf(strands, crossings, crowds, left, tolerance);
  const over = crossings.map(() => -1);
  const inCrowd = new Set(crowds.flatMap(({ crossings: own }) => own));
  const figure = carried(crossings, pairs, turned, fold, over, (k) => !left.has(k) && !inCrowd.has(k));
  const flips = ordered(crossings, passes, figure, over, turned);
  if (!flips) return null;
  crossings.forEach((_, k) => {
    if (over[k] !== -1 && !inCrowd.has(k) && flips(figure[k] ?? -1)) over[k] = 1 - (over[k] ?? 0);
  });
  return { over, pairs, inCrowd };
}

/** Chooses over and under for one crossing of each connected figure and carries it on. @returns which figure each crossing is of */
function carried(
  crossings: readonly Crossing[],
  pairs: readonly Pair[],
  turned: readonly Turned[],
  fold: number,
  over: number[],
  takesPart: (crossing: number) => boolean,
): number[] {
  const figure = crossings.map(() => -1);
  const partners = new Map<number, Pair[]>();
  for (const pair of pairs)
    for (const { crossing } of pair) partners.set(crossing, [...(partners.get(crossing) ?? []), pair]);
  const isOver = ({ crossing, role }: Visit): boolean => over[crossing] === role;
  const carry = (from: number): void => {
    const queue = [from];
    figure[from] = from;
    for (let at = queue.shift(); at !== undefined; at = queue.shift())
      for (const [a, b] of partners.get(at) ?? []) {
        const [here, there] = a.crossing === at ? [a, b] : [b, a];
        if (over[there.crossing] !== -1) continue;
        over[there.crossing] = isOver(here) ? 1 - there.role : there.role;
        figure[there.crossing] = from;
        queue.push(there.crossing);
      }
  };
  crossings.forEach((_, k) => {
    if (over[k] !== -1 || !takesPart(k)) return;
    over[k] = 0;
    carry(k);
    // Figures that a turn makes of this one are woven as it is.
    for (let step = 1; step < fold; step += 1) {
      const image = turnedBy(turned, k, step);
      if (!image || over[image.to] !== -1 || !takesPart(image.to)) break;
      over[image.to] = image.exchanged ? 1 - (over[k] ?? 0) : (over[k] ?? 0);
      carry(image.to);
    }
  });
  return figure;
}
