/**
 * A picture traced where it lies under the motif; of one that is a rosette only the wedge is kept, cut along its rays, so that the round,
 * its copies united, is whole again.
 *
 * @example
 * const areas = tracedWhereItLies(clean, options, map, { fold: 12, mirror: true });
 */
import {
  type Affine,
  type GreyPicture,
  mapPath,
  type Path,
  traced,
  type TraceOptions,
  turnMap,
} from '@/core/curve';
import { STRAIGHT } from '@/core/derive';
import { trimPaths } from '@/core/merge';
import { turn } from '@/core/number';
import type { ChosenFold } from './readPicture';
import type { ColourPicture } from './tone';

/**
 * A picture in grey: luma of ITU-R BT.709, on the encoded values, so that what looks dark is dark.
 * @param ground what is seen where it is not opaque, 0 black to 1 white
 */
function greyOf({ width, height, data }: ColourPicture, ground: number): GreyPicture {
  const values = new Float32Array(width * height);
  for (let k = 0; k < values.length; k += 1) {
    const opaque = (data[4 * k + 3] ?? 255) / 255;
    const [red = 0, green = 0, blue = 0] = [data[4 * k], data[4 * k + 1], data[4 * k + 2]];
    values[k] = ((0.2126 * red + 0.7152 * green + 0.0722 * blue) / 255) * opaque + ground * (1 - opaque);
  }
  return { width, height, values };
}

/** Turns what is to be the upper half of a twofold picture to the right of the axis. */
const UP_TO_RIGHT = turnMap(turn(1, 4));
const RIGHT_TO_UP = turnMap(turn(-1, 4));

/** What of an area lies in the wedge about the axis, or in its half at the right where a mirror makes the other one. */
function inWedge(area: readonly Path[], { fold, mirror }: ChosenFold): readonly Path[] {
  const wedge = { fold };
  if (mirror) return trimPaths(area, 'evenodd', wedge, STRAIGHT, 'right');
  if (fold > 2) return trimPaths(area, 'evenodd', wedge, STRAIGHT);
  const turned = area.map((path) => mapPath(path, UP_TO_RIGHT));
  const half = trimPaths(turned, 'evenodd', { fold: 1 }, STRAIGHT, 'right');
  return half.map((path) => mapPath(path, RIGHT_TO_UP));
}

/**
 * @param picture of which nothing is traced where it is transparent, whether what is dark is or what is light
 * @param map takes the picture's pixels to where they lie under the motif
 * @param wedge that is kept; null for all of it
 * @returns the outlines of each area
 */
export function tracedWhereItLies(
  picture: ColourPicture,
  options: TraceOptions,
  map: Affine,
  wedge: ChosenFold | null,
  progress: (share: number) => void = () => undefined,
): Path[][] {
  const areas = traced(greyOf(picture, options.light ? 0 : 1), options, (share) => progress(0.8 * share));
  return areas
    .map((area, k) => {
      progress(0.8 + (0.2 * k) / areas.length);
      const own = area.map((path) => mapPath(path, map));
      return wedge ? [...inWedge(own, wedge)] : own;
    })
    .filter((area) => area.length > 0);
}
