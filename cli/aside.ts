import { availableParallelism } from 'node:os';

import PQueue from 'p-queue';

import { aside, type Asked, type JobName, type Made, type Took } from '@/server/jobs';

/** How long a call works before it says how far it is, and from one time to the next, in milliseconds. */
const QUIET = 2000;

/** The seconds that a call may take, where it does not say it. */
export const TIME_LIMIT = 60;
export const MOST_TIME_LIMIT = 86_400;
export const TIME_LIMIT_USAGE = `  --time-limit N   seconds that the work may take (${TIME_LIMIT})`;

/**
 * Does a job as the server does it, in a process with limits; says on standard error how far it is where it takes long.
 * @param seconds how long it may take
 * @param measured is told what it took
 * @throws Refused with a sentence
 */
export async function worked<K extends JobName>(
  job: K,
  asked: Asked<K>,
  seconds: number,
  measured?: (took: Took) => void,
): Promise<Made<K>> {
  let share = 0;
  const began = performance.now();
  // Of many pieces each tells itself what it took.
  const timer = setInterval(() => {
    if (measured) return;
    const passed = Math.round((performance.now() - began) / 1000);
    const done = share > 0 ? `, ${Math.floor(100 * share)} % done` : '';
    console.error(`cyclogon: at work for ${passed} of ${seconds} seconds${done}.`);
  }, QUIET);
  try {
    return await aside(job, asked, {
      time: 1000 * seconds,
      progress: (now) => (share = now),
      ...(measured && { measured }),
    });
  } finally {
    clearInterval(timer);
  }
}

/** What a piece of many took, for people. */
const toldTook = ({ milliseconds, memory }: Took): string =>
  `${(milliseconds / 1000).toFixed(1)} s, ${Math.round(memory / 1e6)} MB`;

/** One of many pieces of work. */
interface Piece<T> {
  readonly name: string;
  readonly make: (measured: (took: Took) => void) => Promise<T>;
}

/**
 * Does many pieces of work over all cores, and says on standard error how each went: one that fails holds up no other.
 * @param what they are, for people: `files`
 * @returns what was made, in the order of the pieces, and an error that names what could not be
 */
export async function overAll<T>(
  what: string,
  pieces: readonly Piece<T>[],
): Promise<{ readonly made: readonly T[]; readonly failure: Error | null }> {
  const queue = new PQueue({ concurrency: availableParallelism() });
  const made: T[] = [];
  const failed: string[] = [];
  let done = 0;
  await queue.addAll(
    pieces.map(({ name, make }, k) => async () => {
      let took = '';
      try {
        made[k] = await make((measured) => (took = ` (${toldTook(measured)})`));
      } catch (error) {
        failed.push(`${name}: ${error instanceof Error ? error.message : 'this did not work.'}`);
      }
      done += 1;
      console.error(`cyclogon: ${done} of ${pieces.length} ${what}: ${name}${took}`);
    }),
  );
  const sentence = `${failed.length} of ${pieces.length} ${what} could not be made.\n${failed.join('\n')}`;
  // A piece that failed left a gap.
  return { made: Object.values(made), failure: failed.length > 0 ? new Error(sentence) : null };
}
