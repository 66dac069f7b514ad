import { expose } from 'comlink';

import type { Affine, Path, TraceOptions } from '@/core/curve';
import {
  averaged,
  type Averaging,
  type ChosenFold,
  type ColourPicture,
  readPicture,
  type ReadPicture,
  tracedWhereItLies,
} from '@/core/picture';

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
