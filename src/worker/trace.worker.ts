import { expose } from 'comlink';

import type { Path } from '../core/curve/path';
import { traced, type GreyPicture, type TraceOptions } from '../core/curve/trace';

/** The browser's door to the tracing of pictures. */
class TraceDoor {
  trace(picture: GreyPicture, options: TraceOptions, progress: (share: number) => void): Path[][] {
    return traced(picture, options, progress);
  }
}

export type { TraceDoor };

expose(new TraceDoor());
