/**
 * How far bands overlap along their strands around a meeting, where another meeting is so near that this matters.
 *
 * @example
 * const extents = new Map([...nearOnes(strands, pairs, halfOf)].map((k) => [k, extentOf(strands, pairs[k], halfOf, gap)]));
 */
import { nearestOnPath } from '@/core/curve';
import type { Pair } from './meetings';
import { pointOnStrand, type Strand } from './strands';
import { overlapAlong, trailAround } from './trail';

/**
 * Bands count as one over the other where bands of this share of their widths still overlap: of what overlaps less there is no more than a
 * hair beside a cut.
 */
export const DEEP = 0.9;

export type Span = readonly [from: number, to: number];

/** How far a pair's bands overlap along both strands. */
export interface Extent {
  readonly spans: readonly [Span, Span];
  readonly more: readonly [number, number];
}

export function extentOf(
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
      overlapAlong(trails[0], share * a, trails[1], share * b + free, spots[0].along, sine),
      overlapAlong(trails[1], share * b, trails[0], share * a + free, spots[1].along, sine),
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
export function nearOnes(
  strands: readonly Strand[],
  pairs: readonly Pair[],
  halfOf: (strand: Strand) => number,
): Set<number> {
  // Of straight lines the overlap reaches DEEP widths over the sine; a third more for lines that bend.
  const wideOf = ({ spots, sine }: Pair): number =>
    spots.reduce((sum, { strand }) => sum + (1.3 * DEEP * halfOf(strands[strand] as Strand)) / sine, 0);
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
  for (const [strand, list] of onStrand)
    for (const [k, other] of nextOfSame(strands[strand] as Strand, strand, list, pairs)) {
      const [one, two] = [list[k], other] as [(typeof list)[number], (typeof list)[number]];
      const [own, across] = [strands[strand], strands[acrossFrom(pairs[one.pair] as Pair, strand)]] as [
        Strand,
        Strand,
      ];
      const middle = pointOnStrand(own, (one.along + two.along) / 2);
      const away = nearestOnPath(across.path, middle)?.distance ?? Infinity;
      if (away < DEEP * (halfOf(own) + halfOf(across))) near.add(one.pair).add(two.pair);
    }
  return near;
}

/** The strand that a meeting has with another one. */
const acrossFrom = ({ spots: [a, b] }: Pair, strand: number): number =>
  a.strand === strand ? b.strand : a.strand;

/** For places on a strand, by their number, the next one on it in which it meets the same strand; also once round. */
function nextOfSame<T extends { readonly along: number; readonly pair: number }>(
  { path, length }: Strand,
  strand: number,
  list: readonly T[],
  pairs: readonly Pair[],
): Map<number, T> {
  const found = new Map<number, T>();
  const last = new Map<number, number>();
  const first = new Map<number, number>();
  list.forEach(({ pair }, k) => {
    const other = acrossFrom(pairs[pair] as Pair, strand);
    const before = last.get(other);
    if (before !== undefined) found.set(before, list[k] as T);
    else first.set(other, k);
    last.set(other, k);
  });
  if (path.closed)
    for (const [other, k] of last) {
      const start = first.get(other);
      const again = start === undefined || start === k ? undefined : list[start];
      if (again) found.set(k, { ...again, along: again.along + length });
    }
  return found;
}

/** Where the second of two spans lies on a strand as seen from the first: by how many times round. */
export const shiftTo = ({ path, length }: Strand, [a, b]: Span, [c, d]: Span): number =>
  path.closed ? Math.round((a + b - c - d) / 2 / length) * length : 0;

export const spansMeet = (strand: Strand, a: Span, b: Span): boolean => {
  const shift = shiftTo(strand, a, b);
  return a[0] < b[1] + shift && b[0] + shift < a[1];
};
