import { proxy, wrap, type Remote } from 'comlink';

import type { Figure } from '@/core/figure';
import type { Picked, WallPlan } from '@/core/trial';
import type { Hung, TrialDoor } from './trial.worker';

export type { Hung } from './trial.worker';

/** Workers for one wall: as many as there are cores but one, and no more than these. */
const MOST_WORKERS = 4;

interface Hand {
  readonly worker: Worker;
  readonly door: Remote<TrialDoor>;
}

function hired(): Hand {
  const worker = new Worker(new URL('./trial.worker.ts', import.meta.url), { type: 'module' });
  return { worker, door: wrap<TrialDoor>(worker) };
}

/**
 * Draws walls of variants in other threads, one wall after another: what has read its code once draws the next wall at once.
 *
 * @example
 * const drawer = new WallDrawer();
 * const stop = drawer.draw(figure, [], plan, hang, done);
 * drawer.end();
 */
export class WallDrawer {
  private hands: Hand[] = [];

  /**
   * Draws a wall. One is drawn at a time: the one before has to be done or stopped.
   * @param picks what it grows from
   * @param hang is given each, in the order in which they are done
   * @param done is told how many there are, once all are drawn; null where that failed
   * @returns ends it at once
   */
  draw(
    figure: Figure,
    picks: readonly Picked[],
    plan: WallPlan,
    hang: (hung: Hung) => void,
    done: (count: number | null) => void,
  ): () => void {
    this.hire();
    let state: 'drawn' | 'done' | 'stopped' = 'drawn';
    const end = (count: number | null): void => {
      if (state !== 'drawn') return;
      state = 'done';
      // After a failure nobody knows what is left in them.
      if (count === null) this.end();
      done(count);
    };
    const told = proxy((hung: Hung) => {
      if (state === 'drawn') hang(hung);
      return Promise.resolve();
    });
    const shares = this.hands.map(({ worker, door }, own) => {
      worker.onerror = () => end(null);
      return door.draw(figure, picks, plan, { own, of: this.hands.length }, told);
    });
    Promise.all(shares).then(
      (counts) => end(Math.max(0, ...counts)),
      () => end(null),
    );
    return () => {
      if (state !== 'drawn') return;
      state = 'stopped';
      // What is at work is ended, and others begin to read their code for the next wall.
      this.end();
      this.hire();
    };
  }

  /** Gives all threads back. */
  end(): void {
    for (const { worker } of this.hands) worker.terminate();
    this.hands = [];
  }

  private hire(): void {
    if (this.hands.length > 0) return;
    const of = Math.max(1, Math.min(MOST_WORKERS, navigator.hardwareConcurrency - 1));
    this.hands = Array.from({ length: of }, hired);
  }
}
