/**
 * What all copies in a picture have in common: their average, drawn anew as a whole, in which noise, damage, uneven light and
 * perspective have fallen away.
 *
 * @example
 * const clean = averaged(picture, averagingOf(read, { fold: 12, mirror: true }), 800); // 800 pixels wide, its axis straight up
 */
import { seenAt, UPRIGHT, type Seat } from './polar';
import { axisOf, type ChosenFold, type ReadPicture } from './readPicture';
import type { ColourPicture } from './tone';

/** What is averaged: a fold about a seat, and the middle of a copy. */
export interface Averaging {
  readonly seat: Seat;
  /** In pixels of the picture. */
  readonly reach: number;
  readonly fold: number;
  readonly mirror: boolean;
  /** Clockwise from straight up, in radians. */
  readonly axis: number;
}

/** A little more than the reach is kept, as what ends there is seldom cut sharply. */
const BEYOND = 1.04;
/** Of so many samples and more, the outermost quarters are left out of the mean: what is damaged is among them. */
const TRIMMED_FROM = 4;

/** The radius of an averaged picture beside the reach that was read. */
export const averagedReach = (reach: number): number => reach * BEYOND;

/** What of a picture that was read is averaged. */
export const averagingOf = (read: ReadPicture, chosen: ChosenFold): Averaging => ({
  ...chosen,
  seat: read.seat,
  reach: read.reach,
  axis: axisOf(read, chosen),
});

/** What is known of an average so many pixels wide without reading it: its one fold about its middle, the axis straight up. */
export const readOfAverage = (
  read: ReadPicture,
  { fold, mirror }: ChosenFold,
  side: number,
): ReadPicture => ({
  seat: { ...UPRIGHT, x: side / 2, y: side / 2 },
  reach: side / 2 / BEYOND,
  folds: read.folds
    .filter((each) => each.fold === fold)
    .map((each) => ({ ...each, mirror, axes: { mirror: 0, plain: 0 } })),
});

/** The mean of the middle half of some values, which are sorted; of few values, of all. */
function middleMean(values: Float64Array): number {
  const cut = values.length >= TRIMMED_FROM ? Math.floor(values.length / 4) : 0;
  if (cut > 0) values.sort();
  let sum = 0;
  for (let k = cut; k < values.length - cut; k += 1) sum += values[k] ?? 0;
  return sum / (values.length - 2 * cut);
}

/** A channel between pixels; the edge's beyond it. What is not opaque is on white. */
function channelAt({ width, height, data }: ColourPicture, x: number, y: number, channel: number): number {
  const [left, top] = [Math.floor(x - 0.5), Math.floor(y - 0.5)];
  const [right, down] = [x - 0.5 - left, y - 0.5 - top];
  const at = (column: number, row: number): number => {
    const i = Math.min(width - 1, Math.max(0, column));
    const j = Math.min(height - 1, Math.max(0, row));
    const pixel = 4 * (j * width + i);
    const opaque = (data[pixel + 3] ?? 255) / 255;
    return (data[pixel + channel] ?? 0) * opaque + 255 * (1 - opaque);
  };
  const upper = at(left, top) * (1 - right) + at(left + 1, top) * right;
  const lower = at(left, top + 1) * (1 - right) + at(left + 1, top + 1) * right;
  return upper * (1 - down) + lower * down;
}

/** One copy in polar form, three channels a sample: from its axis, or from its first ray where it has no mirror. */
interface WedgeRaster {
  readonly rings: number;
  readonly spokes: number;
  readonly values: Float32Array;
}

function wedgeRaster(
  picture: ColourPicture,
  { seat, reach, fold, mirror, axis }: Averaging,
  rings: number,
  progress: (share: number) => void,
): WedgeRaster {
  const step = (2 * Math.PI) / fold;
  const wide = mirror ? step / 2 : step;
  const from = mirror ? 0 : -step / 2;
  const spokes = Math.max(2, Math.ceil(wide * rings) + 1);
  const values = new Float32Array(rings * spokes * 3);
  const samples = [0, 1, 2].map(() => new Float64Array(mirror ? 2 * fold : fold));
  for (let ring = 0; ring < rings; ring += 1) {
    const radius = ((ring + 0.5) * averagedReach(reach)) / rings;
    for (let spoke = 0; spoke < spokes; spoke += 1) {
      const aside = from + (wide * spoke) / (spokes - 1);
      samples[0]?.forEach((_, k) => {
        const angle = axis + step * (k % fold) + (k < fold ? aside : -aside);
        const { x, y } = seenAt(seat, { x: radius * Math.sin(angle), y: -radius * Math.cos(angle) });
        for (const [channel, list] of samples.entries()) list[k] = channelAt(picture, x, y, channel);
      });
      for (const [channel, list] of samples.entries())
        values[3 * (ring * spokes + spoke) + channel] = middleMean(list);
    }
    progress(ring / rings);
  }
  return { rings, spokes, values };
}

/**
 * The average of all copies as a whole picture, its centre in the middle and the axis straight up, transparent beyond what was read.
 * @param side of the picture, in pixels
 * @param progress is told a share from 0 to 1
 */
export function averaged(
  picture: ColourPicture,
  averaging: Averaging,
  side: number,
  progress: (share: number) => void = () => undefined,
): ColourPicture {
  const { fold, mirror } = averaging;
  const rings = Math.max(2, Math.floor(side / 2));
  const wedge = wedgeRaster(picture, averaging, rings, progress);
  const step = (2 * Math.PI) / fold;
  const wide = mirror ? step / 2 : step;
  const data = new Uint8ClampedArray(4 * side * side);
  for (let row = 0; row < side; row += 1)
    for (let column = 0; column < side; column += 1) {
      const [x, y] = [column + 0.5 - side / 2, row + 0.5 - side / 2];
      const radius = Math.hypot(x, y);
      if (radius > rings) continue;
      const round = Math.atan2(x, -y) / step;
      // From −1/2 to 1/2 of a step beside the nearest axis.
      const aside = (round - Math.round(round)) * step;
      const across = mirror ? Math.abs(aside) : aside + step / 2;
      drawSample(data, 4 * (row * side + column), wedge, radius, (across / wide) * (wedge.spokes - 1));
    }
  return { width: side, height: side, data };
}

/** A pixel of what the wedge has between its rings and spokes. */
function drawSample(
  data: Uint8ClampedArray,
  at: number,
  { rings, spokes, values }: WedgeRaster,
  radius: number,
  across: number,
): void {
  const out = Math.min(rings - 1, Math.max(0, radius - 0.5));
  const ring = Math.min(rings - 2, Math.floor(out));
  const spoke = Math.min(spokes - 2, Math.max(0, Math.floor(across)));
  const [up, aside] = [out - ring, Math.min(1, across - spoke)];
  const value = (r: number, s: number, channel: number): number =>
    values[3 * (r * spokes + s) + channel] ?? 0;
  for (const channel of [0, 1, 2]) {
    const inner = value(ring, spoke, channel) * (1 - aside) + value(ring, spoke + 1, channel) * aside;
    const outer = value(ring + 1, spoke, channel) * (1 - aside) + value(ring + 1, spoke + 1, channel) * aside;
    data[at + channel] = inner * (1 - up) + outer * up;
  }
  // The rim is a pixel soft.
  data[at + 3] = 255 * Math.min(1, rings - radius);
}
