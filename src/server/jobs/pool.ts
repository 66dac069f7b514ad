/**
 * Files are made and pictures are read in processes of their own, by themselves at most one for each core but one, so that the server answers others
 * meanwhile, and so that what takes too long or too much memory can be ended whatever it does.
 *
 * @example
 * const { bytes, mediaType } = await aside('makeFile', { figure, to: 'png', options: { size: 512, background: true } });
 */
import { availableParallelism } from 'node:os';
import path from 'node:path';

import PQueue from 'p-queue';
import workerpool, { type Pool } from 'workerpool';

import { Busy, Refused } from '../errors';
import { BEGUN, MOST_MEMORY, MOST_PATIENCE, MOST_TIME, MOST_WAITING } from './limits';
import type { Answer, JOBS, Took } from './process';

export type { Took } from './process';

type Jobs = typeof JOBS;
export type JobName = keyof Jobs;
export type Asked<K extends JobName> = Parameters<Jobs[K]>[0];
export type Made<K extends JobName> = Awaited<ReturnType<Jobs[K]>>;

/** How a job stands among others: a card waits until nothing else does. */
export interface Turn {
  readonly card?: boolean;
  /** How long it may take, in milliseconds, from when it begins. */
  readonly time?: number;
  /** How long it may wait for its turn, in milliseconds. */
  readonly patience?: number;
  /** Ends it: who asked is gone. */
  readonly signal?: AbortSignal;
  /** Told a share from 0 to 1 as the work goes on, by jobs that know it. */
  readonly progress?: (share: number) => void;
  /** Told what the work took, once it is done or refused. */
  readonly measured?: (took: Took) => void;
}

interface Processes {
  readonly pool: Pool;
  readonly queue: PQueue;
}

// Kept on globalThis so that a reload of modules in development does not start processes again.
const kept = globalThis as { cyclogonProcesses?: Processes };

/** One core is left for who asks. */
const MOST_PROCESSES = Math.max(1, availableParallelism() - 1);

const SOURCE = 'src/server/jobs/process.ts';

/** What a process runs: the one file that was built of it (scripts/jobs.mjs), else the sources, read as they are by tsx. */
function script(): { readonly file: string; readonly execArgv: readonly string[] } {
  const built = process.env['CYCLOGON_JOBS'];
  if (built) return { file: built, execArgv: [] };
  return {
    file: path.join(/* turbopackIgnore: true */ process.cwd(), SOURCE),
    execArgv: ['--import', 'tsx'],
  };
}

function processes(most = MOST_PROCESSES): Processes {
  const { file, execArgv } = script();
  kept.cyclogonProcesses ??= {
    queue: new PQueue({ concurrency: most }),
    pool: workerpool.pool(file, {
      workerType: 'process',
      minWorkers: 1,
      maxWorkers: most,
      forkOpts: {
        execArgv: [...execArgv, `--max-old-space-size=${MOST_MEMORY / 1e6}`],
        serialization: 'advanced',
      },
    }),
  };
  return kept.cyclogonProcesses;
}

/**
 * Starts the first process, so that who asks first does not wait until it has read the sources.
 * @param most how many there may be at once, until all are ended; by itself one for each core but one
 */
export const startProcesses = (most?: number): void => void processes(most);

/** Ends all processes; for tests. */
export async function endProcesses(): Promise<void> {
  const { pool } = kept.cyclogonProcesses ?? {};
  delete kept.cyclogonProcesses;
  await pool?.terminate(true);
}

const tooLong = (time: number): Refused =>
  new Refused(
    `This takes longer than ${time / 1000} seconds to draw: take fewer copies or nodes, or merge less.`,
  );

function reasonOf(error: unknown, time: number): unknown {
  if (error instanceof workerpool.Promise.TimeoutError) return tooLong(time);
  if (error instanceof Error && /terminated unexpectedly/i.test(error.message))
    return new Refused('This takes more memory to draw than there is: take fewer copies or nodes.');
  return error;
}

/**
 * Does a job in a process of its own.
 * @throws Refused with a sentence where it cannot be done, takes too long or too much memory; Busy where too much is being done; what
 * `signal` was ended for
 */
export async function aside<K extends JobName>(job: K, asked: Asked<K>, turn: Turn = {}): Promise<Made<K>> {
  const { card = false, time = card ? MOST_TIME.card : MOST_TIME.file, signal, progress, measured } = turn;
  const { pool, queue } = processes();
  const busy = new Busy('The server has much to draw: try again in a moment.');
  if (queue.size >= MOST_WAITING) throw busy;
  const waited = new AbortController();
  const waiting = setTimeout(() => waited.abort(busy), turn.patience ?? MOST_PATIENCE);
  const run = async (): Promise<Answer<Made<K>>> => {
    clearTimeout(waiting);
    const running = pool.exec(job, [asked], {
      on: (told: number | typeof BEGUN) => {
        if (told === BEGUN) void running.timeout(time);
        else progress?.(told);
      },
    });
    const stop = (): void => void running.cancel();
    signal?.addEventListener('abort', stop);
    try {
      return (await running) as Answer<Made<K>>;
    } catch (error) {
      throw reasonOf(error, time);
    } finally {
      signal?.removeEventListener('abort', stop);
    }
  };
  const ends = AbortSignal.any([waited.signal, ...(signal ? [signal] : [])]);
  const answer = await queue
    .add(run, { priority: card ? 0 : 1, signal: ends })
    .finally(() => clearTimeout(waiting));
  measured?.(answer.took);
  if (!answer.ok) throw new Refused(answer.sentence);
  return answer.value;
}
