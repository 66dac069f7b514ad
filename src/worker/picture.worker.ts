import { expose } from 'comlink';

import type { Affine } from '../core/curve/affine';
import type { Path } from '../core/curve/path';
import type { TraceOptions } from '../core/curve/trace';
import { averaged, type Averaging } from '../core/picture/average';
import { readPicture, type ChosenFold, type ReadPicture } from '../core/picture/readPicture';
import type { ColourPicture } from '../core/picture/tone';
import { tracedWhereItLies } from '../core/picture/traceWedge';

type Progress = (share: number) => void;

/** The browser's door to what is made of pictures. */
class PictureDoor {
  trace(
    picture: ColourPicture,
    options: TraceOptions,
    map: Affine,
    wedge: ChosenFold | null,
    progress: Progress,
  ): Path[][] {
    return tracedWhereItLies(picture, options, map, wedge, progress);
  }

  read(picture: ColourPicture, progress: Progress): ReadPicture | null {
    return readPicture(picture, progress);
  }

  average(picture: ColourPicture, averaging: Averaging, side: number, progress: Progress): ColourPicture {
    return averaged(picture, averaging, side, progress);
  }
}

export type { PictureDoor };

expose(new PictureDoor());
