import { pathLength } from '../curve/length';
import type { Path } from '../curve/path';
import { bandsOf, offsetOf, type BandJoin, type BandLook } from './band';
import { mergeNow } from './engine';
import { MergeFailed, type MergeRequest, type MergeShape } from './merge';
import { placedLoops } from './placed';

/** An outline that takes work to make: plain data, so that another thread can do it. */
export type OutlineTask =
  | { readonly kind: 'merge'; readonly request: MergeRequest }
  | { readonly kind: 'bands'; readonly paths: readonly Path[]; readonly look: BandLook }
  | {
      readonly kind: 'offset';
      readonly paths: readonly Path[];
      readonly rule: MergeShape['rule'];
      readonly away: number;
      readonly join: BandJoin;
      readonly limit: number;
    };

/** The connected parts of an outline, each with its holes. */
export type Outlines = readonly (readonly Path[])[];

/** What became of a task: its outlines, or a sentence why there are none. */
export type OutlineAnswer = { readonly outlines: Outlines } | { readonly problem: string };

/** Ends an `attempt`: this task is to be done elsewhere first. */
class WorkNeeded extends Error {
  override readonly name = 'WorkNeeded';
  constructor(readonly task: OutlineTask) {
    super('This outline takes longer than a moment.');
  }
}

/** Milliseconds that one segment takes, about, on a machine of 2020; measured with `npm run bench`. */
const COSTS = {
  merge: { line: 0.05, arc: 0.1, cubic: 0.2 },
  bands: { line: 0.5, arc: 1, cubic: 4 },
} as const;
const COST_OF_DASH = 2;

/** What takes longer than this, in milliseconds by `costOf`, is not done in passing. */
const AT_ONCE = 50;

const costOfPaths = (paths: readonly Path[], each: (typeof COSTS)['merge' | 'bands']): number =>
  paths.reduce((sum, { segments }) => segments.reduce((all, { kind }) => all + each[kind], sum), 0);

function costOf(task: OutlineTask): number {
  if (task.kind === 'merge') {
    const shapes = task.request.operands.flatMap((operand) => operand.shapes);
    return shapes.reduce((sum, { paths }) => sum + costOfPaths(paths, COSTS.merge), 0);
  }
  const period = task.kind === 'bands' ? task.look.dashes.reduce((sum, dash) => sum + dash, 0) : 0;
  const length = period > 0 ? task.paths.reduce((sum, path) => sum + pathLength(path), 0) : 0;
  return costOfPaths(task.paths, COSTS.bands) + (period > 0 ? (COST_OF_DASH * length) / period : 0);
}

/** True for a task that takes longer than a moment, so that it is not done while a person waits. */
export const takesLong = (task: OutlineTask): boolean => costOf(task) > AT_ONCE;

/** A name that two tasks share only where they are the same. */
export const nameOfTask = (task: OutlineTask): string => JSON.stringify(task);

const MOST_KEPT = 40;
const kept = new Map<string, OutlineAnswer>();
let attempts = 0;

/** Keeps what became of a task, for whoever asks for it next. The latest forty are kept. */
export function keepOutlines(name: string, answer: OutlineAnswer): void {
  kept.delete(name);
  kept.set(name, answer);
  const [oldest] = kept.keys();
  if (kept.size > MOST_KEPT && oldest !== undefined) kept.delete(oldest);
}

/** Does a task now, whatever it takes. @param progress is told a share from 0 to 1 */
export function makeOutlines(task: OutlineTask, progress?: (share: number) => void): OutlineAnswer {
  try {
    return { outlines: madeNow(task, progress) };
  } catch (error) {
    if (error instanceof MergeFailed) return { problem: error.message };
    throw error;
  }
}

function madeNow(task: OutlineTask, progress?: (share: number) => void): Outlines {
  switch (task.kind) {
    case 'bands':
      return bandsOf(task.paths, task.look, progress).map((path) => [path]);
    case 'offset':
      return offsetOf(task.paths, task.rule, task.away, task.join, task.limit, progress).map((path) => [
        path,
      ]);
    case 'merge':
      return mergeNow(task.request, progress).parts.flatMap(({ loops, turns }) =>
        turns.map((by) => placedLoops(loops, by, false)),
      );
  }
}

/**
 * The outlines of a task: at once where that is a moment's work or was done before. Otherwise, inside an `attempt`, that ends and
 * says what is needed; outside of one they are made however long it takes.
 * @throws MergeFailed where there is more to do than a limit
 */
export function outlinesOfTask(task: OutlineTask): Outlines {
  if (!takesLong(task)) return madeNow(task);
  const name = nameOfTask(task);
  let answer = kept.get(name);
  if (!answer) {
    if (attempts > 0) throw new WorkNeeded(task);
    answer = makeOutlines(task);
    keepOutlines(name, answer);
  }
  if ('problem' in answer) throw new MergeFailed(answer.problem);
  return answer.outlines;
}

/** True for a task that is not done in passing here and now: it takes long, was not done before, and no `attempt` has it done. */
export const isLeftForLater = (task: OutlineTask): boolean =>
  attempts === 0 && takesLong(task) && !kept.has(nameOfTask(task));

/**
 * Does something as far as it goes without a task that takes long: what came of it, or the first such task. With that kept
 * (`keepOutlines`) the same can be attempted again, from its start; so it must do nothing that cannot be done twice.
 */
export function attempt<T>(
  work: () => T,
): { readonly done: true; readonly value: T } | { readonly done: false; readonly needs: OutlineTask } {
  attempts += 1;
  try {
    return { done: true, value: work() };
  } catch (error) {
    if (error instanceof WorkNeeded) return { done: false, needs: error.task };
    throw error;
  } finally {
    attempts -= 1;
  }
}
