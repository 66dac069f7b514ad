/**
 * Which steps of a long history stay: all of the last days, then the last of each hour, then the last of each day. Versions are none of
 * its business: they stay whatever happens to steps.
 *
 * @example
 * const kept = keptPositions(steps, { shown: 812, now: Date.now(), rules: START_RULES });
 */

import type { ThinningRules } from '@/protocol';

export const START_RULES: ThinningRules = { all: 1, hourly: 30 };
export const MOST_DAYS = 3650;

export interface TimedStep {
  readonly position: number;
  /** ISO 8601, UTC. */
  readonly at: string;
}

const HOUR = 3_600_000;
export const DAY = 24 * HOUR;

/**
 * The positions that stay. The first step, the last and the one that is shown always do.
 * @param steps in order of position
 */
export function keptPositions(
  steps: readonly TimedStep[],
  { shown, now, rules }: { readonly shown: number; readonly now: number; readonly rules: ThinningRules },
): ReadonlySet<number> {
  const { all, hourly } = rules;
  if (all === null) return new Set(steps.map(({ position }) => position));
  const kept = new Set<number>();
  /** The last step of each stretch of time, by the stretch. */
  const lastOf = new Map<string, number>();
  for (const { position, at } of steps) {
    const time = Date.parse(at);
    const age = (now - time) / DAY;
    if (!(age > all)) kept.add(position);
    else if (age <= all + hourly) lastOf.set(`h${Math.floor(time / HOUR)}`, position);
    else lastOf.set(`d${Math.floor(time / DAY)}`, position);
  }
  for (const position of lastOf.values()) kept.add(position);
  for (const step of [steps[0], steps[steps.length - 1]]) if (step) kept.add(step.position);
  if (steps.some(({ position }) => position === shown)) kept.add(shown);
  return kept;
}
