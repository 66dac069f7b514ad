import { proxy, wrap } from 'comlink';

import type { Figure } from '../core/figure/model';
import type { Picked, WallPlan } from '../core/trial/wall';
import type { Hung, TrialDoor } from './trial.worker';

export type { Hung } from './trial.worker';

/** Workers for one wall: as many as there are cores but one, and no more than these. */
const MOST_WORKERS = 4;

/**
 * Draws a wall of variants in other threads.
 * @param picks what it grows from
 * @param hang is given each, in the order in which they are done
 * @param done is told how many there are, once all are drawn; null where that failed
 * @returns ends it at once
 */
export function drawWall(
  figure: Figure,
  picks: readonly Picked[],
  plan: WallPlan,
  hang: (hung: Hung) => void,
  done: (count: number | null) => void,
): () => void {
  const of = Math.max(1, Math.min(MOST_WORKERS, navigator.hardwareConcurrency - 1));
  const workers = Array.from(
    { length: of },
    () => new Worker(new URL('./trial.worker.ts', import.meta.url), { type: 'module' }),
  );
  let isOn = true;
  const stop = (): void => {
    isOn = false;
    for (const worker of workers) worker.terminate();
  };
  const shares = workers.map((worker, own) =>
    wrap<TrialDoor>(worker).draw(
      figure,
      picks,
      plan,
      { own, of },
      proxy((hung: Hung) => {
        if (isOn) hang(hung);
        return Promise.resolve();
      }),
    ),
  );
  Promise.all(shares).then(
    (counts) => {
      if (isOn) done(Math.max(0, ...counts));
      stop();
    },
    () => {
      if (isOn) done(null);
      stop();
    },
  );
  return stop;
}
