/**
 * Where the middle of a copy is best taken in what repeats: a mirror's axis where there is most to see, and rays, where there is
 * no mirror, where there is least, so that they cut few things.
 *
 * @example
 * const axis = calmAxis(paintRound(polar, 12, 80)); // 0.21, in radians from straight up
 */
import type { Polar } from './polar';

/** How much there is to see in each direction of a copy, beside the ground that shows between what is drawn. */
export interface PaintRound {
  readonly fold: number;
  /** For directions evenly over one step, from straight up clockwise. */
  readonly amounts: Float64Array;
}

/** Directions in a step. */
const DIRECTIONS = 256;

/** What there is to see over one step of a fold, in the inner rings: the ground is what the ring beyond them shows. */
export function paintRound({ values, spokes, rings }: Polar, fold: number, inner: number): PaintRound {
  const rim = Math.min(rings - 1, inner);
  const ground = values.subarray(rim * spokes, (rim + 1) * spokes).toSorted()[spokes / 2] ?? 0;
  const amounts = new Float64Array(DIRECTIONS);
  for (let ring = 0; ring < inner; ring += 1)
    for (let k = 0; k < DIRECTIONS; k += 1) {
      let sum = 0;
      for (let copy = 0; copy < fold; copy += 1) {
        const at = Math.round((spokes * (copy + k / DIRECTIONS)) / fold) % spokes;
        sum += Math.abs((values[ring * spokes + at] ?? 0) - ground);
      }
      amounts[k] = (amounts[k] ?? 0) + ((ring + 0.5) * sum) / fold;
    }
  return { fold, amounts };
}

const stepOf = ({ fold }: PaintRound): number => (2 * Math.PI) / fold;

/** Along rays a little is seen of what is beside them. */
const BESIDE = 3;

function amountAt(paint: PaintRound, axis: number): number {
  const at = Math.round((axis / stepOf(paint)) * DIRECTIONS);
  let sum = 0;
  for (let by = -BESIDE; by <= BESIDE; by += 1)
    sum += paint.amounts[(((at + by) % DIRECTIONS) + DIRECTIONS) % DIRECTIONS] ?? 0;
  return sum;
}

/** Of the two axes of a mirror in each step, the one with more to see along it. */
export function fullAxis(paint: PaintRound, axis: number): number {
  const other = axis + stepOf(paint) / 2;
  return amountAt(paint, other) > amountAt(paint, axis) ? other : axis;
}

/** The middle between two rays along which there is least to see. */
export function calmAxis(paint: PaintRound): number {
  const step = stepOf(paint);
  let least = { axis: 0, amount: Infinity };
  for (let k = 0; k < DIRECTIONS; k += 1) {
    const axis = (k * step) / DIRECTIONS;
    const amount = amountAt(paint, axis + step / 2);
    if (amount < least.amount) least = { axis, amount };
  }
  return least.axis;
}
