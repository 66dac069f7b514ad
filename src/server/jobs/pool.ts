/**
 * Files are made in worker threads, so that the server answers others meanwhile.
 *
 * @example
 * const { bytes, mediaType } = await madeAside({ figure, to: 'png', options: { size: 512, background: true } });
 */
import { availableParallelism } from 'node:os';
import path from 'node:path';

import { Piscina } from 'piscina';

import { Busy, Refused } from '../errors';
import type { FileRequest, MadeFile } from './makeFile';
import type { FileAnswer } from './worker';

/** One file may take so long, in milliseconds, and so much memory, in megabytes. */
const MOST_TIME = 60_000;
const MOST_MEMORY = 1500;
/** More files than this do not wait. */
const MOST_WAITING = 300;

// Kept on globalThis so that a reload of modules in development does not start threads again.
const kept = globalThis as { cyclogonPool?: Piscina };

function pool(): Piscina {
  kept.cyclogonPool ??= new Piscina({
    filename: path.join(/* turbopackIgnore: true */ process.cwd(), 'src/server/jobs/worker.ts'),
    // Workers run the project's own sources, read as they are by tsx.
    execArgv: ['--import', 'tsx'],
    minThreads: 1,
    maxThreads: Math.max(1, availableParallelism()),
    idleTimeout: 60_000,
    maxQueue: MOST_WAITING,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY },
  });
  return kept.cyclogonPool;
}

/** Starts the first worker, so that who asks first does not wait until it has read the sources. */
export const startPool = (): void => void pool();

/**
 * Makes a file in a worker thread.
 * @throws Refused with a sentence where the figure cannot be made, or takes too long; Busy where too much is being made
 */
export async function madeAside(request: FileRequest): Promise<MadeFile> {
  const end = AbortSignal.timeout(MOST_TIME);
  let answer: FileAnswer;
  try {
    answer = (await pool().run(request, { signal: end })) as FileAnswer;
  } catch (error) {
    if (end.aborted)
      throw new Refused(
        `This figure takes longer than ${MOST_TIME / 1000} seconds to draw: take fewer copies or nodes, or merge less.`,
      );
    if (error instanceof Error && /queue/i.test(error.message))
      throw new Busy('The server is making many files: try again in a moment.');
    if (error instanceof Error && /memory limit|out of memory/i.test(error.message))
      throw new Refused('This figure takes more memory to draw than there is: take fewer copies or nodes.');
    throw error;
  }
  if (!answer.ok) throw new Refused(answer.sentence);
  return answer.file;
}
