import { proxy, releaseProxy, transfer, wrap, type Remote } from 'comlink';

import { buffersOf, type MergeRequest, packRequest } from '@/core/merge';
import type { MergeAnswer, MergeDoor } from './merge.worker';

/** One worker that merges for one round at a time. */
export interface Merger {
  /** Starts a merge; one that is still under way is stopped. Answers `stopped` where it was. */
  merge(request: MergeRequest, progress: (share: number) => void): Promise<MergeAnswer>;
  /** Ends what is under way at once, whatever it is doing. */
  stop(): void;
  close(): void;
}

export function createMerger(): Merger {
  let worker: Worker | null = null;
  let door: Remote<MergeDoor> | null = null;
  let endEarly: ((answer: MergeAnswer) => void) | null = null;

  const opened = (): Remote<MergeDoor> => {
    worker ??= new Worker(new URL('./merge.worker.ts', import.meta.url), { type: 'module' });
    door ??= wrap<MergeDoor>(worker);
    return door;
  };

  const stop = (): void => {
    door?.[releaseProxy]();
    worker?.terminate();
    worker = null;
    door = null;
    endEarly?.({ kind: 'stopped' });
    endEarly = null;
  };

  return {
    merge: (request, progress) =>
      new Promise((resolve) => {
        endEarly?.({ kind: 'stopped' });
        const mine = resolve;
        endEarly = mine;
        const packed = packRequest(request);
        opened()
          .merge(
            transfer(packed, buffersOf(packed)),
            proxy((share: number) => {
              if (endEarly === mine) progress(share);
            }),
          )
          .then(
            (answer) => {
              if (endEarly === mine) endEarly = null;
              resolve(answer);
            },
            () =>
              resolve({
                kind: 'failed',
                message: 'The merge ended unexpectedly; the copies were left as they are.',
              }),
          );
      }),
    stop,
    close: stop,
  };
}
