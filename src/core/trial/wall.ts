/**
 * Trials of form: variants of a figure over one or two of its numbers and choices.
 *
 * @example
 * const wall = wallOf(figure, { levers: ['r fold'], how: 'even', bold: 'near', seed: 1 }, STRAIGHT);
 * wall.map(({ title }) => title); // ['Fold 6', 'Fold 7', …]
 */
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';

import type { Work } from '@/core/derive';
import { type Figure, figureSchema } from '@/core/figure';
import { leversOf, type Lever, type LeverValue, type NumberLever } from './levers';

export interface WallPlan {
  /** Keys of one lever or two. */
  readonly levers: readonly string[];
  /** Evenly over their ranges, or by chance. */
  readonly how: 'even' | 'chance';
  /** How far from what it is now. */
  readonly bold: 'near' | 'far';
  /** A whole number: the same one gives the same wall. */
  readonly seed: number;
}

export interface Variant {
  /** What is other than it was: `Fold 9, Width 12.5`. */
  readonly title: string;
  readonly figure: Figure;
}

/** Variants of a wall: with two levers so many columns of so many rows. */
export const WALL = { columns: 6, rows: 4 } as const;
const WALL_SIZE = WALL.columns * WALL.rows;

interface Range {
  readonly from: number;
  readonly to: number;
}

/** Counts near by are so many fewer and more; lengths and shares so much smaller and larger. */
const NEAR = { count: 6, factor: 1.35, share: 0.15, degrees: 20, length: 0.3 } as const;
const FAR = { count: 3, factor: 2.5 } as const;

/** How far a number goes, from the least to the most of it. */
function rangeOf({ type, value, least, most, period, scale }: NumberLever, bold: WallPlan['bold']): Range {
  const kept = (from: number, to: number): Range => ({ from: Math.max(least, from), to: Math.min(most, to) });
  if (type === 'degrees') {
    if (period !== undefined) return { from: value, to: value + period * (bold === 'near' ? 0.5 : 1) };
    return bold === 'near' ? kept(value - NEAR.degrees, value + NEAR.degrees) : kept(-180, 180);
  }
  if (type === 'count')
    return bold === 'near'
      ? kept(value - NEAR.count, value + NEAR.count)
      : kept(Math.floor(value / FAR.count), Math.max(FAR.count * value, value + 24));
  if (type === 'share') {
    const some = (most - least) * NEAR.share;
    return bold === 'near' ? kept(value - some, value + some) : kept(least, most);
  }
  // What may be below nothing goes as far to both sides.
  const some = scale * (bold === 'near' ? NEAR.length : 1);
  if (least < 0) return kept(value - some, value + some);
  const factor = bold === 'near' ? NEAR.factor : FAR.factor;
  return value > 0 ? kept(value / factor, value * factor) : kept(0, 2 * some);
}

/** The value to three digits, as a person would have typed it. */
const plain = (value: number): number => Number(value.toPrecision(3));

const placed = ({ type }: NumberLever, value: number): number =>
  type === 'count' ? Math.round(value) : plain(value);

/** So many values of a lever, evenly from one end to the other; fewer where there are no more. */
function evenValues(lever: Lever, times: number, bold: WallPlan['bold']): LeverValue[] {
  if (lever.type === 'choice') return lever.choices.map(([value]) => value).slice(0, times);
  const { from, to } = rangeOf(lever, bold);
  // The last of what comes round again is the first.
  const steps = lever.period === undefined ? times - 1 : times;
  const values = Array.from({ length: times }, (_, k) =>
    placed(lever, from + ((to - from) * k) / Math.max(1, steps)),
  );
  return [...new Set(values)];
}

/** A value by chance; `share` from 0 to 1. */
function valueAt(lever: Lever, share: number, bold: WallPlan['bold']): LeverValue {
  if (lever.type === 'choice')
    return lever.choices[Math.floor(share * lever.choices.length)]?.[0] ?? lever.value;
  const { from, to } = rangeOf(lever, bold);
  return placed(lever, from + (to - from) * share);
}

function told(lever: Lever, value: LeverValue): string {
  if (lever.type !== 'choice') return `${lever.label} ${String(value)}${lever.type === 'degrees' ? '°' : ''}`;
  return lever.choices.find(([each]) => each === value)?.[1] ?? String(value);
}

/** The values of each variant, one for each lever. */
function rowsOf(levers: readonly Lever[], { how, bold, seed }: WallPlan): LeverValue[][] {
  const [first, second] = levers;
  if (!first) return [];
  if (how === 'chance') {
    const chance = xoroshiro128plus(seed);
    return Array.from({ length: WALL_SIZE }, () =>
      levers.map((lever) => valueAt(lever, uniformFloat64(chance), bold)),
    );
  }
  if (!second) return evenValues(first, WALL_SIZE, bold).map((value) => [value]);
  const columns = evenValues(first, WALL.columns, bold);
  return evenValues(second, WALL.rows, bold).flatMap((b) => columns.map((a) => [a, b]));
}

/** True where two lists of values are the same. */
const isNow = (levers: readonly Lever[], values: readonly LeverValue[]): boolean =>
  levers.every((lever, k) => lever.value === values[k]);

/**
 * The variants of a wall, in the order in which they hang. What cannot be drawn, and what is as the figure is, is left out.
 * @param work for what has to be worked out to set a number: of motifs that reach so far, and gaps
 */
export function wallOf(figure: Figure, plan: WallPlan, work: Work): Variant[] {
  const all = leversOf(figure, work);
  const levers = plan.levers.flatMap((key) => all.find((lever) => lever.key === key) ?? []);
  const seen = new Set<string>();
  return rowsOf(levers, plan).flatMap((values) => {
    const title = levers.map((lever, k) => told(lever, values[k] ?? lever.value)).join(', ');
    if (isNow(levers, values) || seen.has(title)) return [];
    seen.add(title);
    const made = levers.reduce((each, lever, k) => lever.set(each, values[k] ?? lever.value, work), figure);
    if (made === figure || figureSchema.validate(made, { convert: false }).error) return [];
    return [{ title, figure: made }];
  });
}

/** A variant that was picked of a wall. */
export interface Picked {
  readonly plan: WallPlan;
  readonly title: string;
}

/** The figure after picks, each of a wall that grew from the one before; null where a wall has none of that name. */
export function afterPicks(figure: Figure, picks: readonly Picked[], work: Work): Figure | null {
  let now = figure;
  for (const { plan, title } of picks) {
    const variant = wallOf(now, plan, work).find((each) => each.title === title);
    if (!variant) return null;
    now = variant.figure;
  }
  return now;
}
