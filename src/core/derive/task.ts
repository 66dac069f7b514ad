/**
 * What takes work is a task: plain data, so that another thread can do it.
 *
 * @example
 * const offsetKind: TaskKind<OffsetInput, readonly Path[]> = { name: 'offset', cost, run };
 * const task = taskOf(offsetKind, { paths, away: 3 });
 * work.ask(task);          // the answer, or undefined where it is not there yet
 */
import type { Result } from '@/core/finding';

/** Told a share from 0 to 1 as the work goes on. */
export type Progress = (share: number) => void;

/** A kind of work: what comes of an input depends on the input alone. */
export interface TaskKind<I, O> {
  /** Names the kind where a task is sent to another thread. */
  readonly name: string;
  /** About how long it takes, in milliseconds on a machine of 2020. */
  readonly cost: (input: I) => number;
  readonly run: (input: I, progress?: Progress) => Result<O>;
}

/** One piece of work. The same object as long as what it is made from is: then its key is printed once. */
export interface Task<O = unknown> {
  readonly kind: string;
  readonly input: unknown;
  /** Two tasks share it only where they are the same. */
  readonly key: string;
  /** In milliseconds; see `TaskKind`. */
  readonly cost: number;
  readonly run: (progress?: Progress) => Result<O>;
}

class KindOfTask<I, O> implements Task<O> {
  private printed: string | null = null;
  private estimated: number | null = null;

  constructor(
    private readonly of: TaskKind<I, O>,
    readonly input: I,
  ) {}

  get kind(): string {
    return this.of.name;
  }

  get key(): string {
    this.printed ??= `${this.of.name} ${JSON.stringify(this.input)}`;
    return this.printed;
  }

  get cost(): number {
    this.estimated ??= this.of.cost(this.input);
    return this.estimated;
  }

  readonly run = (progress?: Progress): Result<O> => this.of.run(this.input, progress);
}

/** A task of a kind. @param input plain data, never changed afterwards */
export const taskOf = <I, O>(kind: TaskKind<I, O>, input: I): Task<O> => new KindOfTask(kind, input);

/** What goes to another thread of a task. */
export interface SentTask {
  readonly kind: string;
  readonly input: unknown;
}

export const sent = ({ kind, input }: Task): SentTask => ({ kind, input });
