import { proxy, wrap, type Remote } from 'comlink';

import type { Affine, Path, TraceOptions } from '@/core/curve';
import type { Averaging, ChosenFold, ColourPicture, ReadPicture } from '@/core/picture';
import type { PictureDoor } from './picture.worker';

type Progress = (share: number) => void;

/** What was found, or that it was stopped. */
type Answer<T> = { readonly found: T } | 'stopped';

export interface PictureWork<T> {
  readonly done: Promise<Answer<T>>;
  /** Ends it at once. */
  readonly stop: () => void;
}

/** Asks a worker of its own, which is given back when it has answered or is stopped. */
function asked<T>(ask: (door: Remote<PictureDoor>) => Promise<T>): PictureWork<T> {
  const worker = new Worker(new URL('./picture.worker.ts', import.meta.url), { type: 'module' });
  let stop = (): void => undefined;
  const stopped = new Promise<'stopped'>((resolve) => {
    stop = () => {
      worker.terminate();
      resolve('stopped');
    };
  });
  const failed = new Promise<never>((_, reject) => {
    worker.onerror = () => reject(new Error('The picture could not be read.'));
  });
  const answer = ask(wrap<PictureDoor>(worker)).then((found) => ({ found }));
  const done = Promise.race([answer, stopped, failed]).finally(() => worker.terminate());
  return { done, stop };
}

/** Traces a picture where it lies under the motif; the outlines of each area. */
export const trace = (
  picture: ColourPicture,
  options: TraceOptions,
  lies: { readonly map: Affine; readonly wedge: ChosenFold | null },
  progress: Progress,
): PictureWork<Path[][]> =>
  asked((door) => door.trace(picture, options, lies.map, lies.wedge, proxy(progress)));

/** The symmetry of a picture; null where it has none. */
export const readSymmetryOf = (picture: ColourPicture, progress: Progress): PictureWork<ReadPicture | null> =>
  asked((door) => door.read(picture, proxy(progress)));

/** The average of all copies in a picture, so many pixels wide. */
export const average = (
  picture: ColourPicture,
  averaging: Averaging,
  side: number,
  progress: Progress,
): PictureWork<ColourPicture> => asked((door) => door.average(picture, averaging, side, proxy(progress)));
