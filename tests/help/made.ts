import type { Result } from '@/core/finding';

/** The value of a result that a test counts on. @throws Error with the reason where there is none */
export function made<T>(result: Result<T>): T {
  if (!result.ok) throw new Error(result.finding.sentence);
  return result.value;
}

/** The sentence of a result that a test wants refused. */
export const refusal = (result: Result<unknown>): string | null =>
  result.ok ? null : result.finding.sentence;
