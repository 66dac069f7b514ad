/**
 * What a check is: one thing that may be wrong with a figure, how it is found, and what takes it away. Each is a file in `checks`.
 *
 * @example
 * export const thin = check({ id: 'thin', title: 'Thin lines', limits: [width], passed: '…', find: (subject, { width }) => […] });
 */
import type { RoundId } from '@/core/figure';
import type { Mend, Severity } from '@/core/finding';
import type { Point } from '@/core/curve';
import type { Subject } from './subject';

/** One place of a finding. */
export interface Place {
  /** From the figure's centre, in its unit. */
  readonly at: Point;
  /** How large what is found is there, across. */
  readonly size: number;
  readonly roundId?: RoundId;
  readonly shapeIds?: readonly string[];
}

/** What a check found: one thing, at all places at which it is. */
export interface ProofFinding {
  /** The id of the check. */
  readonly code: string;
  readonly severity: Severity;
  /** What it is, in a few words. */
  readonly title: string;
  /** For the person, whole: how much, and what would help. */
  readonly sentence: string;
  /** At how many places it is, all copies counted. */
  readonly count: number;
  /** Where; of very many the first. */
  readonly where: readonly Place[];
  readonly mends: readonly Mend[];
  /** The same as long as what is found and where it is are: what is left as it is is known by it. */
  readonly key: string;
}

/** A number that says where a check begins to find something. */
export interface Limit<K extends string = string> {
  readonly key: K;
  readonly label: string;
  /** length: millimetres · area: square millimetres · pixels · ratio: as 3 : 1 · number · difference: of colours, ΔE 2000 */
  readonly unit: 'length' | 'area' | 'pixels' | 'ratio' | 'number' | 'difference';
  readonly start: number;
  readonly least: number;
  readonly most: number;
}

export type Limits = Readonly<Record<string, number>>;

export interface Check<K extends string = string> {
  readonly id: string;
  readonly title: string;
  readonly group: 'Symmetry' | 'Geometry' | 'Colour' | 'Size' | 'Page' | 'Cutting' | 'Weave';
  /** Where its measure or its formula is from; none where it is common practice of the trade, or plain geometry. */
  readonly source?: string;
  readonly limits: readonly Limit<K>[];
  readonly find: (subject: Subject, limits: Readonly<Record<K, number>>) => readonly ProofFinding[];
}

/** A check whose limits are known by their names. */
export const check = <K extends string = never>(made: Check<K>): Check => made;

/** More places than this are counted and not listed. */
export const MOST_PLACES = 400;

/** Digits of a place that tell it from another, in the figure's unit. */
const rounded = (value: number): string => value.toFixed(2);

interface Found {
  readonly severity: Severity;
  readonly title: string;
  readonly sentence: string;
  /** As many as there are places, unless it is said. */
  readonly count?: number;
  readonly where: readonly Place[];
  readonly mends?: readonly Mend[];
}

/** A finding of a check, with its key made of what it is and its first places. */
export function found(code: string, { count, where, mends = [], ...rest }: Found): ProofFinding {
  const [first] = where;
  const spot = first ? `${first.roundId ?? ''} ${rounded(first.at.x)} ${rounded(first.at.y)}` : '';
  return {
    code,
    ...rest,
    count: count ?? Math.max(1, where.length),
    where: where.slice(0, MOST_PLACES),
    mends,
    key: `${code} ${count ?? where.length} ${spot}`,
  };
}

/** A number as a sentence shows it: three digits that count. */
export const shown = (value: number): string => String(Number(value.toPrecision(3)));
