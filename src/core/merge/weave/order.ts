/**
 * Bands of a crowd in an order, one over the other.
 *
 * @example
 * const isTurnedOver = ordered(crossings, passes, figure, over, turned); // sets over and under at the crossings of crowds
 */
import type { Turned } from './orbits';
import type { Crossing, Visit } from './visit';

/** How a band comes through a crowd: as one, whatever it crosses there, with the visits before and after. */
export interface CrowdPass {
  readonly strand: number;
  readonly visits: readonly Visit[];
  readonly before: Visit | null;
  readonly after: Visit | null;
}

/** Bands of which an order is looked for; of more there is hardly one that can be read. */
const MOST_IN_CROWD = 4;
const MOST_TRIES = 4000;

/**
 * An order of the bands in each crowd, such that what passes over all lies between unders, and what passes under all between overs.
 * Whole figures may be turned over for it. Sets over and under at the crossings of crowds.
 * @returns which figures are turned over, or null where no order does
 */
export function ordered(
  crossings: readonly Crossing[],
  passes: readonly (readonly CrowdPass[])[],
  figure: readonly number[],
  over: number[],
  turned: readonly Turned[],
): ((figure: number) => boolean) | null {
  if (passes.some(({ length }) => length > MOST_IN_CROWD)) return null;
  let tries = 0;
  type Flips = ReadonlyMap<number, boolean>;
  const owner = new Map<Visit, readonly [crowd: number, pass: CrowdPass]>(
    passes.flatMap((list, crowd) =>
      list.flatMap((pass) => pass.visits.map((visit) => [visit, [crowd, pass]] as const)),
    ),
  );
  /** The flips under which a neighbour of a pass is over, or is not; null where that cannot be. */
  const wanting = (
    flips: Flips,
    visit: Visit | null,
    isOver: boolean,
    orders: readonly (readonly CrowdPass[])[],
  ): Flips | null => {
    if (!visit) return flips;
    const there = owner.get(visit);
    if (there) {
      const order = orders[there[0]];
      const rank = order ? order.indexOf(there[1]) : -1;
      if (!order || rank < 0) return flips;
      const clash = isOver ? rank === order.length - 1 : rank === 0;
      return clash ? null : flips;
    }
    const own = figure[visit.crossing] ?? -1;
    const flip = (over[visit.crossing] === visit.role) !== isOver;
    if (!flips.has(own)) return new Map([...flips, [own, flip]]);
    return flips.get(own) === flip ? flips : null;
  };
  const fits = (
    flips: Flips,
    order: readonly CrowdPass[],
    orders: readonly (readonly CrowdPass[])[],
  ): Flips | null => {
    const [top, bottom] = [order[0], order[order.length - 1]] as [CrowdPass, CrowdPass];
    let at: Flips | null = flips;
    for (const visit of [top.before, top.after]) at = at && wanting(at, visit, false, orders);
    for (const visit of [bottom.before, bottom.after]) at = at && wanting(at, visit, true, orders);
    return at;
  };
  const lay = (order: readonly CrowdPass[]): void => {
    const rank = new Map(order.flatMap((pass, k) => pass.visits.map((visit) => [visit, k] as const)));
    for (const crossing of new Set(order.flatMap(({ visits }) => visits.map((visit) => visit.crossing)))) {
      const [a, b] = (crossings[crossing] as Crossing).visits;
      over[crossing] = (rank.get(a) ?? 0) < (rank.get(b) ?? 0) ? 0 : 1;
    }
  };
  /** How many crossings of an order are as a turn of those before makes them: such orders come first. */
  const likeBefore = (order: readonly CrowdPass[]): number => {
    lay(order);
    return turned.reduce(
      (sum, { to, exchanged }, k) =>
        sum +
        (order.some(({ visits }) => visits.some(({ crossing }) => crossing === to)) &&
        over[k] !== -1 &&
        over[to] === (exchanged ? 1 - (over[k] ?? 0) : over[k])
          ? 1
          : 0),
      0,
    );
  };
  const search = (k: number, flips: Flips, orders: readonly (readonly CrowdPass[])[]): Flips | null => {
    const own = passes[k];
    if (!own) return flips;
    const candidates = ordersOf(own)
      .map((order) => ({ order, like: k > 0 ? likeBefore(order) : 0 }))
      .sort((a, b) => b.like - a.like);
    for (const { order } of candidates) {
      if ((tries += 1) > MOST_TRIES) return null;
      const next = fits(flips, order, [...orders, order]);
      if (!next) continue;
      lay(order);
      const done = search(k + 1, next, [...orders, order]);
      if (done) return done;
    }
    return null;
  };
  const flips = search(0, new Map(), []);
  return flips && ((which) => flips.get(which) ?? false);
}

/** Orders of bands that differ in which is over all and which under all. */
function ordersOf(passes: readonly CrowdPass[]): CrowdPass[][] {
  return passes.flatMap((top) =>
    passes.flatMap((bottom) =>
      top === bottom ? [] : [[top, ...passes.filter((each) => each !== top && each !== bottom), bottom]],
    ),
  );
}
