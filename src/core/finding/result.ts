import type { Finding } from './finding';

/** What came of something, or why nothing did. */
export type Result<T, F = Finding> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly finding: F };

export const ok = <T>(value: T): { readonly ok: true; readonly value: T } => ({ ok: true, value });

export const failed = <F>(finding: F): { readonly ok: false; readonly finding: F } => ({
  ok: false,
  finding,
});

/** The value, or something else where there is none. */
export const valueOr = <T, U>(result: Result<T> | undefined, otherwise: U): T | U =>
  result?.ok ? result.value : otherwise;
