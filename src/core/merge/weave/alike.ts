/**
 * Strands that turns make of one another: what is found for two of them is that for all pairs that stand to one another as they do.
 *
 * @example
 * const alike = alikeAmong(strands, 12);
 * const found = onceForAll(alike, (a, b) => meet(a, b)); // found(3, 5) works out what found(0, 2) has, turned by 3 steps
 */
import { type Affine, applyTo, type Point, turnMap } from '@/core/curve';
import { turn } from '@/core/number';
import type { Strand } from './strands';

export interface Alike {
  readonly fold: number;
  readonly strands: readonly Strand[];
  /** The strand that a number of steps of turn make of one that stands in all copies. */
  turned(strand: number, steps: number): number;
  /** A point turned by a number of steps. */
  turnedPoint(at: Point, steps: number): Point;
  /** A name that two pairs have in common where turns make one of the other; null where a strand of it is no copy. */
  nameOf(a: number, b: number): string | null;
  /** By how many steps clockwise, from 0 to below the fold, the second of two copies stands on from the first. */
  readonly stepsBetween: (a: number, b: number) => number;
  /** By how many steps a strand is turned from its first copy; 0 for one that is no copy. */
  stepOf(strand: number): number;
}

export function alikeAmong(strands: readonly Strand[], fold: number): Alike {
  const places = new Map<string, number>();
  strands.forEach(({ copy }, k) => {
    if (copy) places.set(`${copy.first} ${copy.step}`, k);
  });
  const maps: Affine[] = [];
  const whole = (steps: number): number => ((steps % fold) + fold) % fold;
  const stepOf = (strand: number): number => strands[strand]?.copy?.step ?? 0;
  const stepsBetween = (a: number, b: number): number => whole(stepOf(b) - stepOf(a));
  return {
    fold,
    strands,
    stepOf,
    stepsBetween,
    turned: (strand, steps) => {
      const copy = strands[strand]?.copy;
      return copy ? (places.get(`${copy.first} ${whole(copy.step + steps)}`) ?? strand) : strand;
    },
    turnedPoint: (at, steps) => applyTo((maps[whole(steps)] ??= turnMap(turn(whole(steps), fold))), at),
    nameOf: (a, b) => {
      const [p, q] = [strands[a]?.copy, strands[b]?.copy];
      return p && q ? `${p.first} ${q.first} ${stepsBetween(a, b)}` : null;
    },
  };
}

/** What is worked out for two strands, once for all pairs that stand alike, and by how many steps a pair is turned from the one it was worked out for. */
export function onceForAll<T>(
  alike: Alike,
  work: (a: number, b: number) => T,
): (a: number, b: number) => { readonly found: T; readonly steps: number } {
  const known = new Map<string, { readonly found: T; readonly step: number }>();
  return (a, b) => {
    const name = alike.nameOf(a, b);
    if (name === null) return { found: work(a, b), steps: 0 };
    const step = alike.stepOf(a);
    const had = known.get(name) ?? { found: work(a, b), step };
    known.set(name, had);
    return { found: had.found, steps: step - had.step };
  };
}
