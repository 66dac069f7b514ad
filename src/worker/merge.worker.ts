import { expose, transfer } from 'comlink';

import {
  buffersOf,
  mergedFully,
  MergeFailed,
  MergeStopped,
  type PackedRequest,
  type PackedResult,
  packResult,
  unpackRequest,
} from '@/core/merge';

export type MergeAnswer =
  | { readonly kind: 'done'; readonly result: PackedResult }
  | { readonly kind: 'stopped' }
  | { readonly kind: 'failed'; readonly message: string };

/** A breath in which messages come in; setTimeout would be held back to 4 ms after a few in a row. */
const breath = (): Promise<void> =>
  new Promise((resolve) => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = () => {
      port1.close();
      resolve();
    };
    port2.postMessage(null);
  });

/** The browser's door to the merge: the newest request wins, an older one ends as stopped. */
class MergeDoor {
  private newest = 0;

  async merge(request: PackedRequest, progress: (share: number) => void): Promise<MergeAnswer> {
    this.newest += 1;
    const mine = this.newest;
    try {
      const merged = await mergedFully(unpackRequest(request), {
        progress,
        pause: breath,
        stopped: () => mine !== this.newest,
      });
      const result = packResult(merged);
      return transfer({ kind: 'done', result }, buffersOf(result));
    } catch (error) {
      if (error instanceof MergeStopped) return { kind: 'stopped' };
      if (error instanceof MergeFailed) return { kind: 'failed', message: error.message };
      return {
        kind: 'failed',
        message: 'These shapes could not be merged; the copies were left as they are.',
      };
    }
  }
}

export type { MergeDoor };

expose(new MergeDoor());
