/**
 * Directions that go evenly round: which of many are so many even steps of a full turn.
 *
 * @example
 * evenRows([0, 1 / 3, 2 / 3, 0.1], 1e-4); // [{ fold: 3, members: [0, 1, 2] in slots 0, 1, 2 }], and 3 is left
 */

/** Some of the directions that stand in even steps. */
export interface EvenRow {
  readonly fold: number;
  /** Of slot 0, as a share of a full turn. */
  readonly start: number;
  /** Which direction stands in a slot. */
  readonly slots: ReadonlyMap<number, number>;
}

/** A row may have so many gaps: of five slots two. */
const LEAST_FILLED = 0.6;
const MOST_FOLD = 720;
/** Folds that are tried, those first that most neighbours speak for. */
const MOST_TRIED = 60;
/** What a slot that stands empty costs, beside a row or a mark that stands alone, of which each costs 1. */
const GAP = 0.5;

const frac = (x: number): number => x - Math.floor(x);

/** Folds of which a step is between neighbours, or two or three of them where some are missing. */
function likelyFolds(sorted: readonly number[], slack: number): number[] {
  const votes = new Map<number, number>();
  const vote = (fold: number, weight: number): void => {
    if (fold >= 2 && fold <= MOST_FOLD) votes.set(fold, (votes.get(fold) ?? 0) + weight);
  };
  const count = sorted.length;
  for (let divisor = 1; divisor * 2 <= count; divisor += 1)
    if (count % divisor === 0) vote(count / divisor, 1);
  for (const [k, at] of sorted.entries())
    for (let next = 1; next <= Math.min(4, count - 1); next += 1) {
      const step = frac((sorted[(k + next) % count] ?? 0) - at);
      if (step <= 2 * slack) continue;
      for (const times of [1, 2, 3]) {
        const fold = Math.round(times / step);
        if (fold > 1 && Math.abs(times / fold - step) <= 2 * slack) vote(fold, 1 / (times * next));
      }
    }
  return [...votes]
    .sort((a, b) => b[1] - a[1])
    .slice(0, MOST_TRIED)
    .map(([fold]) => fold);
}

/** The directions of one residue, by slots; those that stand where another does make a row of their own. */
function rowsOfResidue(members: readonly number[], at: readonly number[], fold: number): EvenRow[] {
  const start = at[members[0] ?? 0] ?? 0;
  const rows: Map<number, number>[] = [];
  for (const member of members) {
    const slot = Math.round(frac((at[member] ?? 0) - start) * fold) % fold;
    const row = rows.find((each) => !each.has(slot));
    if (row) row.set(slot, member);
    else rows.push(new Map([[slot, member]]));
  }
  return rows.map((slots) => ({ fold, start, slots }));
}

/** All directions as rows of a fold, full enough or not. */
function rowsOf(at: readonly number[], fold: number, slack: number): EvenRow[] {
  const residues = at.map((each, k): [number, number] => [frac(each * fold), k]).sort((a, b) => a[0] - b[0]);
  const bunches: number[][] = [];
  let begun = -Infinity;
  for (const [residue, k] of residues) {
    const open = bunches[bunches.length - 1];
    if (open && residue - begun <= 2 * slack * fold) open.push(k);
    else {
      bunches.push([k]);
      begun = residue;
    }
  }
  const [first] = bunches;
  const last = bunches[bunches.length - 1];
  const wraps = (residues[0]?.[0] ?? 0) + 1 - (residues[residues.length - 1]?.[0] ?? 0) <= 2 * slack * fold;
  const joined =
    first && last && first !== last && wraps ? [[...last, ...first], ...bunches.slice(1, -1)] : bunches;
  return joined.flatMap((bunch) => rowsOfResidue(bunch, at, fold));
}

const isFilled = ({ fold, slots }: EvenRow): boolean => slots.size >= Math.max(2, LEAST_FILLED * fold);

const costOf = (rows: readonly EvenRow[]): number =>
  rows.reduce(
    (sum, row) => sum + (isFilled(row) ? 1 + GAP * (row.fold - row.slots.size) : row.slots.size),
    0,
  );

const covered = (rows: readonly EvenRow[]): number => rows.reduce((sum, { slots }) => sum + slots.size, 0);

const gaps = (rows: readonly EvenRow[]): number =>
  rows.reduce((sum, { fold, slots }) => sum + fold - slots.size, 0);

/** So many marks do not stand evenly to a tenth of the slack by chance. */
const BY_NO_CHANCE = 5;

const isSure = ({ fold, slots }: EvenRow): boolean => slots.size === fold || slots.size >= BY_NO_CHANCE;

/** How much finer it is looked first: most drawings are more exact than they have to be. */
const FINER = 10;

/**
 * The rows of directions, within a tenth of the slack where that covers as many of them with no more gaps: what may be far off may be
 * in rows of any fold. It takes more rows for that only where few marks cannot have made them by chance.
 * @param at directions as shares of a full turn
 * @param slack how far one may be from its slot
 * @returns the rows, the highest folds first; what is in none of them stands alone
 */
export function evenRows(at: readonly number[], slack: number): EvenRow[] {
  const loose = rowsWithin(at, slack);
  const exact = rowsWithin(at, slack / FINER);
  const isAsGood =
    covered(exact) >= covered(loose) &&
    gaps(exact) <= gaps(loose) &&
    (exact.length <= loose.length || exact.every(isSure));
  return isAsGood ? exact : loose;
}

/**
 * The rows that say all directions in the fewest words: a row costs as much as a direction that stands alone, an empty slot half of it.
 */
function rowsWithin(at: readonly number[], slack: number): EvenRow[] {
  if (at.length < 2) return [];
  const sorted = [...at].sort((a, b) => a - b);
  let best: { readonly rows: EvenRow[]; readonly cost: number; readonly fold: number } | null = null;
  for (const fold of likelyFolds(sorted, slack)) {
    if (2 * slack * fold >= 0.5) continue;
    const rows = rowsOf(at, fold, slack);
    const cost = costOf(rows);
    const isBetter = !best || cost < best.cost - 1e-9 || (cost < best.cost + 1e-9 && fold > best.fold);
    if (isBetter) best = { rows, cost, fold };
  }
  const rows = best && best.cost < at.length ? best.rows.filter(isFilled) : [];
  if (rows.length === 0) return [];
  const inRows = new Set(rows.flatMap(({ slots }) => [...slots.values()]));
  const left = [...at.keys()].filter((k) => !inRows.has(k));
  // What other folds there are.
  const more = rowsWithin(
    left.map((k) => at[k] ?? 0),
    slack,
  ).map((row) => ({
    ...row,
    slots: new Map([...row.slots].map(([slot, k]): [number, number] => [slot, left[k] ?? 0])),
  }));
  return [...rows, ...more].sort((a, b) => b.fold - a.fold);
}
