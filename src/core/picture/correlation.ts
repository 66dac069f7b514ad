/**
 * How well a picture in polar form is the same after a turn, by its harmonics: of a ring that repeats n times only every n-th is there.
 * The autocorrelation of a row is the transform of its power (N. Wiener, A. Khinchin, 1930–34); its mean over the n − 1 turns of a
 * fold is (n E − 1) / (n − 1), E being the share of the power in harmonics that n divides: 1 for what repeats, 0 by chance.
 *
 * @example
 * const harmonics = harmonicsOf(polar);
 * foldShare(harmonics, 12); // 0.97
 */
import FFT from 'fft.js';

import type { Polar } from './polar';

export interface Harmonics {
  readonly spokes: number;
  readonly rings: number;
  /** Of each ring: real and imaginary parts in turn, of harmonics 0 to spokes / 2, weighted as the ring's area is. */
  readonly parts: readonly Float64Array[];
  /** Power by harmonic, over all rings. */
  readonly power: Float64Array;
}

const transforms = new Map<number, FFT>();

/** Tables of sines, the same for all rows of a length. */
function transformOf(size: number): FFT {
  const known = transforms.get(size);
  if (known) return known;
  const made = new FFT(size);
  transforms.set(size, made);
  return made;
}

/** Rings of which less is in the picture than this are left out. */
const LEAST_SEEN = 0.75;

export function harmonicsOf({ values, rings, spokes, seen }: Polar): Harmonics {
  const transform = transformOf(spokes);
  const out = transform.createComplexArray();
  const count = spokes / 2;
  const power = new Float64Array(count);
  const parts = Array.from({ length: rings }, (_, ring) => {
    const own = new Float64Array(2 * count);
    if ((seen[ring] ?? 0) < LEAST_SEEN) return own;
    transform.realTransform(out, values.subarray(ring * spokes, (ring + 1) * spokes));
    const weight = Math.sqrt(ring + 0.5) / spokes;
    for (let k = 0; k < count; k += 1) {
      const re = (out[2 * k] ?? 0) * weight;
      const im = (out[2 * k + 1] ?? 0) * weight;
      own[2 * k] = re;
      own[2 * k + 1] = im;
      // Harmonic 0 is there once, all others twice.
      power[k] = (power[k] ?? 0) + (k === 0 ? 1 : 2) * (re * re + im * im);
    }
    return own;
  });
  return { spokes, rings, parts, power };
}

const sumFrom = (power: Float64Array, from: number, step: number): number => {
  let sum = 0;
  for (let k = from; k < power.length; k += step) sum += power[k] ?? 0;
  return sum;
};

/** All that differs round the rings, or with what is round by itself. */
export const totalPower = ({ power }: Harmonics, withRound: boolean): number =>
  sumFrom(power, withRound ? 0 : 1, 1);

/** The power that repeats with a fold beyond what would by chance. */
export function foldPower(harmonics: Harmonics, fold: number, withRound: boolean): number {
  const { power } = harmonics;
  const total = sumFrom(power, 1, 1);
  const repeated = (fold * sumFrom(power, fold, fold) - total) / (fold - 1);
  return repeated + (withRound ? (power[0] ?? 0) : 0);
}

/** The most power that repeats with one fold up to the highest, or is round. */
export function mostRepeated(harmonics: Harmonics, highest: number): number {
  const { power } = harmonics;
  const total = sumFrom(power, 1, 1);
  let most = 0;
  for (let fold = 2; fold <= highest; fold += 1)
    most = Math.max(most, (fold * sumFrom(power, fold, fold) - total) / (fold - 1));
  return most + (power[0] ?? 0);
}

/** The mean correlation of what goes round the rings with itself, over all turns of a fold: 1 for what repeats, about 0 by chance. */
export function foldShare(harmonics: Harmonics, fold: number): number {
  const total = totalPower(harmonics, false);
  return total > 0 ? foldPower(harmonics, fold, false) / total : 0;
}

/** An axis, and how well what repeats is the same on both sides of it. */
export interface AxisShare {
  /** Clockwise from straight up, in radians, from 0 to half a step of the fold. */
  readonly axis: number;
  /** Correlation of what repeats with its mirror image: 1 where that is the same. */
  readonly share: number;
}

/** Axes that are tried in half a step of the fold. */
const AXES = 180;

/** The axis in which what repeats with a fold is most its own mirror image. */
export function bestAxis(harmonics: Harmonics, fold: number): AxisShare {
  // The mirror image in an axis at φ has conjugate harmonics, turned by 2 k φ: their products, summed.
  const { parts, power } = harmonics;
  const count = power.length;
  const re: number[] = [];
  const im: number[] = [];
  let total = 0;
  for (let k = fold; k < count; k += fold) {
    let [a, b] = [0, 0];
    for (const own of parts) {
      const [x, y] = [own[2 * k] ?? 0, own[2 * k + 1] ?? 0];
      a += x * x - y * y;
      b += 2 * x * y;
    }
    re.push(a);
    im.push(b);
    total += (power[k] ?? 0) / 2;
  }
  if (total <= 0) return { axis: 0, share: 0 };
  const shareAt = (axis: number): number =>
    re.reduce((sum, a, m) => {
      const by = 2 * fold * (m + 1) * axis;
      return sum + a * Math.cos(by) - (im[m] ?? 0) * Math.sin(by);
    }, 0) / total;
  const step = Math.PI / fold / AXES;
  let best = { axis: 0, share: -Infinity };
  for (let k = 0; k < AXES; k += 1) {
    const share = shareAt(k * step);
    if (share > best.share) best = { axis: k * step, share };
  }
  for (let by = step / 2; by > step / 64; by /= 2)
    for (const axis of [best.axis - by, best.axis + by]) {
      const share = shareAt(axis);
      if (share > best.share) best = { axis, share };
    }
  return best;
}
