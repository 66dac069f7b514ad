import { aside, type JobName, type Asked, type Made } from '../src/server/jobs/pool';

/** How long a call works before it says how far it is, and from one time to the next, in milliseconds. */
const QUIET = 2000;

/** The seconds that a call may take, where it does not say it. */
export const TIME_LIMIT = 60;
export const MOST_TIME_LIMIT = 86_400;
export const TIME_LIMIT_USAGE = `  --time-limit N   seconds that the work may take (${TIME_LIMIT})`;

/**
 * Does a job as the server does it, in a process with limits; says on standard error how far it is where it takes long.
 * @param seconds how long it may take
 * @throws Refused with a sentence
 */
export async function worked<K extends JobName>(job: K, asked: Asked<K>, seconds: number): Promise<Made<K>> {
  let share = 0;
  const began = performance.now();
  const timer = setInterval(() => {
    const passed = Math.round((performance.now() - began) / 1000);
    const done = share > 0 ? `, ${Math.floor(100 * share)} % done` : '';
    console.error(`cyclogon: at work for ${passed} of ${seconds} seconds${done}.`);
  }, QUIET);
  try {
    return await aside(job, asked, { time: 1000 * seconds, progress: (now) => (share = now) });
  } finally {
    clearInterval(timer);
  }
}
