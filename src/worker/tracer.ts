import { proxy, transfer, wrap } from 'comlink';

import type { Path } from '../core/curve/path';
import type { GreyPicture, TraceOptions } from '../core/curve/trace';
import type { TraceDoor } from './trace.worker';

interface Tracing {
  /** The outlines of each area; null where it was stopped. */
  readonly done: Promise<Path[][] | null>;
  /** Ends it at once. */
  readonly stop: () => void;
}

/** Traces a picture in a worker of its own. The picture is handed over and cannot be used again. */
export function trace(
  picture: GreyPicture,
  options: TraceOptions,
  progress: (share: number) => void,
): Tracing {
  const worker = new Worker(new URL('./trace.worker.ts', import.meta.url), { type: 'module' });
  const door = wrap<TraceDoor>(worker);
  let stop = (): void => undefined;
  const stopped = new Promise<null>((resolve) => {
    stop = () => {
      worker.terminate();
      resolve(null);
    };
  });
  const failed = new Promise<never>((_, reject) => {
    worker.onerror = () => reject(new Error('The picture could not be traced.'));
  });
  const work = door.trace(
    transfer(picture, [picture.values.buffer as ArrayBuffer]),
    options,
    proxy(progress),
  );
  const done = Promise.race([work, stopped, failed]).finally(() => worker.terminate());
  return { done, stop };
}
