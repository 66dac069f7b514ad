/**
 * What changed from one state of a figure to the next, as few values as say it: what a step of history stores.
 *
 * @example
 * const patch = patchBetween(before, after);        // [{ op: 'replace', path: ['rounds', 0, 'rule', 'fold'], value: 12 }]
 * patched(before, patch);                           // equal to after; what did not change is the same object
 */
import equal from 'fast-deep-equal';
import { applyPatches, enablePatches, type Patch as Change } from 'immer';

import type { Figure } from './model';

enablePatches();

/** Changes one after another, in immer's form: paths of keys and places, as in JSON Patch (RFC 6902) but for their spelling. */
export type Patch = readonly Change[];

type Json = Readonly<Record<string, unknown>>;
type Path = readonly (string | number)[];

const isRecord = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** What a record has by itself under a key. */
const own = (record: Json, key: string): unknown => (Object.hasOwn(record, key) ? record[key] : undefined);

/** True where two items of a list are the same thing, changed or not: by their ids, where they have one. */
const isSameThing = (a: unknown, b: unknown): boolean =>
  a === b || (isRecord(a) && isRecord(b) && 'id' in a && 'id' in b ? a['id'] === b['id'] : equal(a, b));

/** Lists with more differing items than this, and more than half of theirs, are put in place whole. */
const FEW = 16;

function addListChanges(
  before: readonly unknown[],
  after: readonly unknown[],
  path: Path,
  changes: Change[],
): void {
  let start = 0;
  const least = Math.min(before.length, after.length);
  while (start < least && isSameThing(before[start], after[start])) start += 1;
  let end = 0;
  while (end < least - start && isSameThing(before[before.length - 1 - end], after[after.length - 1 - end]))
    end += 1;
  const [old, next] = [before.length - end - start, after.length - end - start];
  if (Math.max(old, next) > FEW && 2 * Math.max(old, next) > Math.max(before.length, after.length)) {
    changes.push({ op: 'replace', path: [...path], value: after });
    return;
  }
  for (let k = 0; k < start; k += 1) addChanges(before[k], after[k], [...path, k], changes);
  if (old === next) {
    for (let k = start; k < start + old; k += 1) addChanges(before[k], after[k], [...path, k], changes);
  } else {
    for (let k = start + old - 1; k >= start; k -= 1) changes.push({ op: 'remove', path: [...path, k] });
    for (let k = start; k < start + next; k += 1)
      changes.push({ op: 'add', path: [...path, k], value: after[k] });
  }
  for (let k = 1; k <= end; k += 1)
    addChanges(before[before.length - k], after[after.length - k], [...path, after.length - k], changes);
}

function addChanges(before: unknown, after: unknown, path: Path, changes: Change[]): void {
  if (before === after) return;
  if (Array.isArray(before) && Array.isArray(after)) {
    addListChanges(before, after, path, changes);
    return;
  }
  if (!isRecord(before) || !isRecord(after)) {
    if (!equal(before, after)) changes.push({ op: 'replace', path: [...path], value: after });
    return;
  }
  for (const key of Object.keys(before))
    if (own(after, key) === undefined && before[key] !== undefined)
      changes.push({ op: 'remove', path: [...path, key] });
  for (const [key, value] of Object.entries(after)) {
    const old = own(before, key);
    if (value === undefined || value === old) continue;
    if (old === undefined) changes.push({ op: 'add', path: [...path, key], value });
    else addChanges(old, value, [...path, key], changes);
  }
}

/** What makes one value of another; quick where they share what did not change. */
export function patchBetween(before: object, after: object): Patch {
  const changes: Change[] = [];
  addChanges(before, after, [], changes);
  return changes;
}

/** A value with a patch applied. @throws Error where the patch does not fit it */
export const patched = <T extends object>(before: T, patch: Patch): T => applyPatches(before, patch);

/** One step of a history, whole or as what changed from the step before it. */
export interface StoredStep {
  readonly position: number;
  readonly label: string;
  readonly figure?: Figure;
  readonly patch?: Patch;
}

interface WholeStep {
  readonly position: number;
  readonly label: string;
  readonly figure: Figure;
}

/** Steps in a row with their figures. @param before that of the step before the first @throws Error where one does not fit */
export function wholeSteps(steps: readonly StoredStep[], before: Figure | null = null): WholeStep[] {
  let last = before;
  return steps.map(({ position, label, figure, patch }) => {
    if (last && patch) last = patched(last, patch);
    else if (figure) last = figure;
    else throw new Error(`Step ${position} has nothing to begin from.`);
    return { position, label, figure: last };
  });
}

/** Steps in a row as what changed in each. @param before that of the step before the first; without it the first is whole */
export function patchSteps(steps: readonly WholeStep[], before: Figure | null): StoredStep[] {
  let last = before;
  return steps.map(({ position, label, figure }) => {
    const step = last ? { position, label, patch: patchBetween(last, figure) } : { position, label, figure };
    last = figure;
    return step;
  });
}
