/** Something that things are ordered by, and how much of a difference is none. */
export interface Measure<T> {
  readonly of: (thing: T) => number;
  readonly slack: number;
}

/**
 * Things in the order of the first measure, those that are equal in it in the order of the second, and so on. Equal are neighbours in a row
 * that differ by no more than the slack: what was computed twice counts as the same, whatever rounding made of it.
 */
export function inOrder<T>(things: readonly T[], [measure, ...others]: readonly Measure<T>[]): T[] {
  if (!measure || things.length < 2) return [...things];
  const row = things.map((thing) => ({ thing, at: measure.of(thing) })).sort((a, b) => a.at - b.at);
  const ordered: T[] = [];
  for (let from = 0; from < row.length;) {
    let to = from + 1;
    while (to < row.length && (row[to]?.at ?? 0) - (row[to - 1]?.at ?? 0) <= measure.slack) to += 1;
    const equal = row.slice(from, to).map(({ thing }) => thing);
    ordered.push(...inOrder(equal, others));
    from = to;
  }
  return ordered;
}
