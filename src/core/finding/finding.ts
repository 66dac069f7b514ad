/**
 * Why something is not as it was meant, told the same way everywhere.
 *
 * @example
 * const made = bandOf(line);                 // Result<Path[]>
 * if (!made.ok) say(made.finding.sentence);  // 'This line is too short for a band.'
 */
import { SENTENCES } from './sentences';

export type FindingCode = keyof typeof SENTENCES;

/** What a finding is about, as far as it is known. */
interface Where {
  readonly roundId?: string;
  readonly shapeId?: string;
  /** Of the shape's nodes, counted through all its contours. */
  readonly node?: number;
  /** In motif coordinates, in the figure's unit. */
  readonly at?: { readonly x: number; readonly y: number };
}

/** A step that takes a finding away: a command by its name, with what it is called with besides the figure. */
export interface Mend {
  /** What the step is called, as in the history. */
  readonly label: string;
  readonly command: string;
  readonly args: readonly unknown[];
}

/** error: it cannot be so · warning: it can, and is hardly meant · note: good to know. */
export type Severity = 'error' | 'warning' | 'note';

export interface Finding {
  readonly code: FindingCode;
  readonly severity: Severity;
  /** For the person, whole, with what would help. */
  readonly sentence: string;
  readonly where: Where;
  readonly mends: readonly Mend[];
}

/** The same finding at a place; what it says of its place already stays. */
export const foundAt = (finding: Finding, where: Where): Finding => ({
  ...finding,
  where: { ...where, ...finding.where },
});

type ValuesOf<C extends FindingCode> = Parameters<(typeof SENTENCES)[C]>;

/** A finding of nothing more than its sentence. @param values what the sentence shows */
export function finding<C extends FindingCode>(code: C, ...values: ValuesOf<C>): Finding {
  const say = SENTENCES[code] as (...all: ValuesOf<C>) => string;
  return { code, severity: 'error', sentence: say(...values), where: {}, mends: [] };
}
