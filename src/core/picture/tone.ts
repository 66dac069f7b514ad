/**
 * What of a picture its symmetry is read from: one value a pixel, whatever the light is like.
 *
 * @example
 * const tone = evened(toneOf(picture, 400));
 */
import { blur2 } from 'd3-array';

/** A picture in colours: red, green, blue and how opaque, 0 to 255, rows from the top. */
export interface ColourPicture {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8ClampedArray;
}

/** A picture of one value a pixel, smaller than the one it was made of. */
export interface Tone {
  readonly width: number;
  readonly height: number;
  readonly values: Float32Array;
  /** How many pixels of the picture one of its own is wide. */
  readonly scale: number;
}

type Colour = readonly [number, number, number];

/** Red, green and blue of pixels one after the other, 0 to 1, on white where the picture is not opaque. */
interface Colours {
  readonly width: number;
  readonly height: number;
  readonly values: Float32Array;
}

/** The picture made smaller by averages of whole blocks of pixels. */
function inBlocks({ width, height, data }: ColourPicture, scale: number): Colours {
  const [columns, rows] = [Math.floor(width / scale), Math.floor(height / scale)];
  const values = new Float32Array(3 * columns * rows);
  const share = 1 / (255 * scale * scale);
  for (let y = 0; y < rows * scale; y += 1)
    for (let x = 0; x < columns * scale; x += 1) {
      const from = 4 * (y * width + x);
      const to = 3 * (Math.floor(y / scale) * columns + Math.floor(x / scale));
      const opaque = (data[from + 3] ?? 255) / 255;
      for (let channel = 0; channel < 3; channel += 1)
        values[to + channel] =
          (values[to + channel] ?? 0) + ((data[from + channel] ?? 0) * opaque + 255 * (1 - opaque)) * share;
    }
  return { width: columns, height: rows, values };
}

function meanOf({ values }: Colours): Colour {
  const sums = [0, 0, 0] as [number, number, number];
  for (let k = 0; k < values.length; k += 3)
    for (const channel of [0, 1, 2] as const) sums[channel] += values[k + channel] ?? 0;
  const count = Math.max(1, values.length / 3);
  return [sums[0] / count, sums[1] / count, sums[2] / count];
}

/** Steps of the power iteration; the direction need not be exact. */
const STEPS = 24;

/** The direction in which colours differ most: the first principal component (K. Pearson, 1901), by power iteration. */
function widestDirection({ values }: Colours, mean: Colour): Colour {
  // Variances and covariances: xx, xy, xz, yy, yz, zz.
  let [xx, xy, xz, yy, yz, zz] = [0, 0, 0, 0, 0, 0];
  for (let k = 0; k < values.length; k += 3) {
    const x = (values[k] ?? 0) - mean[0];
    const y = (values[k + 1] ?? 0) - mean[1];
    const z = (values[k + 2] ?? 0) - mean[2];
    xx += x * x;
    xy += x * y;
    xz += x * z;
    yy += y * y;
    yz += y * z;
    zz += z * z;
  }
  let axis: Colour = [0.5774, 0.5774, 0.5774];
  for (let step = 0; step < STEPS; step += 1) {
    const [x, y, z] = axis;
    const next: Colour = [xx * x + xy * y + xz * z, xy * x + yy * y + yz * z, xz * x + yz * y + zz * z];
    const length = Math.hypot(...next);
    if (length < 1e-12) return axis;
    axis = [next[0] / length, next[1] / length, next[2] / length];
  }
  return axis;
}

/**
 * The picture in the one direction of colour in which its pixels differ most, so that red on green of the same lightness is seen too.
 * @param longest of its sides, in pixels, at most
 */
export function toneOf(picture: ColourPicture, longest: number): Tone {
  const scale = Math.max(1, Math.ceil(Math.max(picture.width, picture.height) / longest));
  const colours = inBlocks(picture, scale);
  const { width, height } = colours;
  const mean = meanOf(colours);
  const axis = widestDirection(colours, mean);
  const values = new Float32Array(width * height);
  for (let k = 0; k < values.length; k += 1)
    for (const channel of [0, 1, 2] as const)
      values[k] = (values[k] ?? 0) + ((colours.values[3 * k + channel] ?? 0) - mean[channel]) * axis[channel];
  return { width, height, values, scale };
}

const blurred = ({ width, height, values }: Tone, radius: number): Float32Array =>
  blur2({ data: Float32Array.from(values), width, height }, radius).data as Float32Array;

/** Light changes over a picture by no shorter way than this share of its longer side. */
const LIGHT = 0.12;
/** What is even is not made to differ: so much of the whole picture's spread is taken for noise. */
const CALM = 0.15;

/**
 * A tone in which every neighbourhood is as light and as rich in contrast as others, so that light from one side does not tell
 * one copy of a motif from another; a little blurred, as noise says nothing.
 */
export function evened(tone: Tone): Tone {
  const { width, height } = tone;
  const radius = LIGHT * Math.max(width, height);
  const smooth = blurred(tone, Math.max(0.5, Math.max(width, height) / 400));
  const local = blurred({ ...tone, values: smooth }, radius);
  const flat = smooth.map((value, k) => value - (local[k] ?? 0));
  const square = blurred({ ...tone, values: flat.map((value) => value * value) }, radius);
  const whole = square.reduce((sum, value) => sum + value, 0) / Math.max(1, square.length);
  const values = flat.map((value, k) => value / Math.sqrt((square[k] ?? 0) + CALM * whole + 1e-12));
  return { ...tone, values };
}

/** Half as many pixels each way. */
export function halved(tone: Tone): Tone {
  const [width, height] = [Math.floor(tone.width / 2), Math.floor(tone.height / 2)];
  const values = new Float32Array(width * height);
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      const at = 2 * y * tone.width + 2 * x;
      const [a = 0, b = 0, c = 0, d = 0] = [
        tone.values[at],
        tone.values[at + 1],
        tone.values[at + tone.width],
        tone.values[at + tone.width + 1],
      ];
      values[y * width + x] = (a + b + c + d) / 4;
    }
  return { width, height, values, scale: tone.scale * 2 };
}
