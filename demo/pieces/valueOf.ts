import type { Result } from '@/core/finding';

/** What a step of a piece came to. @throws RangeError where it did not: a piece is a script that has to work */
export function valueOf<T>(result: Result<T>): T {
  if (!result.ok) throw new RangeError(result.finding.sentence);
  return result.value;
}
