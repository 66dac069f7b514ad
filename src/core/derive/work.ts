/**
 * Reading what tasks came to. A function whose result takes work is given a `Work` and asks it; where an answer is not there
 * yet, it goes on with what can be shown meanwhile, and the task is among those wanted.
 *
 * @example
 * const work = workFrom(results);
 * const scene = evaluate(figure, merges, work);
 * const next = work.wanted();                       // have these done, put the answers into results, and look again
 */
import type { Result } from '@/core/finding';
import type { Task } from './task';

/** Reads answers of tasks. */
export interface Work {
  /** What came of a task; undefined where that is not known yet. */
  ask<O>(task: Task<O>): Result<O> | undefined;
  /** Counts the answers that were not there: what was made without them is not whole. */
  readonly missed: number;
}

/** A task that takes longer than this, in milliseconds, is not done in passing. */
const AT_ONCE = 50;

/** Answers by the keys of their tasks. A value: adding one makes another. */
export interface Results {
  readonly answers: ReadonlyMap<string, Result<unknown>>;
  /** Tasks that were given up: nothing comes of them, and they are not wanted again. */
  readonly givenUp: ReadonlySet<string>;
}

export const NO_RESULTS: Results = { answers: new Map(), givenUp: new Set() };

/** The results with one answer more, as the latest. */
export function withAnswer(results: Results, task: Task, answer: Result<unknown>): Results {
  const answers = new Map(results.answers);
  answers.delete(task.key);
  answers.set(task.key, answer);
  return { ...results, answers };
}

/** As many answers are kept between one piece of work and the next. */
const MOST_KEPT = 400;

/**
 * The results without the oldest answers, where there are very many. For when a piece of work is done: what went while it is looked
 * at again and again would be wanted for ever.
 */
export const withoutOldest = (results: Results): Results =>
  results.answers.size <= MOST_KEPT
    ? results
    : { ...results, answers: new Map([...results.answers].slice(-MOST_KEPT)) };

export const withGivenUp = (results: Results, task: Task): Results => ({
  ...results,
  givenUp: new Set([...results.givenUp, task.key]),
});

/** Work that is read from results, and tells which tasks were missed. */
interface ReadWork extends Work {
  /** The tasks that were asked for and not there, each once, in the order of asking. */
  readonly wanted: () => readonly Task[];
}

// A task says the same each time it is done; what takes a moment is done once as long as the task is there.
const doneInPassing = new WeakMap<Task, Result<unknown>>();

function inPassing<O>(task: Task<O>): Result<O> {
  const known = doneInPassing.get(task) as Result<O> | undefined;
  if (known) return known;
  const answer = task.run();
  doneInPassing.set(task, answer);
  return answer;
}

/** Work read from results. What takes no longer than a moment is done in passing. */
export function workFrom(results: Results): ReadWork {
  const wanted = new Map<string, Task>();
  let missed = 0;
  return {
    ask: <O>(task: Task<O>) => {
      if (task.cost <= AT_ONCE) return inPassing(task);
      const answer = results.answers.get(task.key) as Result<O> | undefined;
      if (answer) return answer;
      missed += 1;
      if (!results.givenUp.has(task.key)) wanted.set(task.key, task);
      return undefined;
    },
    get missed() {
      return missed;
    },
    wanted: () => [...wanted.values()],
  };
}

/** Work that is done wherever it is asked for, however long it takes: for the command line, the server's workers and tests. */
export const STRAIGHT: Work = { ask: inPassing, missed: 0 };

/** What is made of an object by work, kept as long as the object is there, once all answers for it were. */
export function rememberedWith<K extends object, T>(
  make: (from: K, work: Work) => T,
): (from: K, work: Work) => T {
  const made = new WeakMap<K, { readonly of: T }>();
  return (from, work) => {
    const known = made.get(from);
    if (known) return known.of;
    const before = work.missed;
    const value = make(from, work);
    if (work.missed === before) made.set(from, { of: value });
    return value;
  };
}
