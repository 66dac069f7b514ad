/**
 * One stroke that goes once round the centre and repeats there.
 *
 * @example
 * byRound(outlineOfFiveLobes); // { fold: 5, from: 'round', kept: [one step, from valley to valley], … }
 */
import { lengthOf, type Point } from '@/core/curve';
import { foldShare, harmonicsOf, meantFold } from '@/core/picture';
import {
  directionOf,
  evenAxis,
  FULL,
  MOST_FOLD,
  spread,
  within,
  type Found,
  type HandStroke,
} from './handStroke';

const SPOKES = 256;

/** How far a stroke that goes round is from the centre, in each direction. */
function radiiOf(points: readonly Point[]): Float32Array {
  const radii = new Float32Array(SPOKES);
  const counts = new Float32Array(SPOKES);
  points.forEach((p, k) => {
    const q = points[(k + 1) % points.length] ?? p;
    const from = directionOf(p);
    const way = within(directionOf(q) - from, FULL);
    const parts = Math.max(1, Math.ceil((2 * Math.abs(way) * SPOKES) / FULL));
    for (let part = 0; part < parts; part += 1) {
      const share = part / parts;
      const spoke = Math.floor((((from + way * share + FULL) % FULL) / FULL) * SPOKES) % SPOKES;
      radii[spoke] = (radii[spoke] ?? 0) + lengthOf(p) * (1 - share) + lengthOf(q) * share;
      counts[spoke] = (counts[spoke] ?? 0) + 1;
    }
  });
  return radii.map((sum, k) => sum / Math.max(1, counts[k] ?? 0));
}

/** A line that goes round is a circle by hand where it is no farther from one than this part of its radius. */
const CIRCLE = 0.04;
/** Points of one step of what goes round. */
const STEP_POINTS = 48;

/** One stroke that goes once round the centre, and repeats there. */
export function byRound(stroke: HandStroke): Found | null {
  const radii = radiiOf(stroke.points);
  const mean = radii.reduce((sum, r) => sum + r, 0) / SPOKES;
  const beside = radii.map((r) => r - mean);
  if (radii.some((r) => r <= 0) || spread([...beside]) < CIRCLE * mean) return null;
  const harmonics = harmonicsOf({
    reach: 1,
    rings: 1,
    spokes: SPOKES,
    values: beside,
    seen: Float32Array.of(1),
  });
  const shares = Array.from({ length: MOST_FOLD - 1 }, (_, k) => ({
    fold: k + 2,
    share: foldShare(harmonics, k + 2),
  }));
  const meant = meantFold(shares);
  if (!meant || meant.share < 0.5) return null;
  const { fold } = meant;
  const step = FULL / fold;
  const radiusAt = (angle: number): number => {
    let sum = 0;
    for (let k = 0; k < fold; k += 1) {
      const at = ((((angle + k * step) % FULL) + FULL) / FULL) * SPOKES;
      const [low, share] = [Math.floor(at), at - Math.floor(at)];
      sum += (radii[low % SPOKES] ?? 0) * (1 - share) + (radii[(low + 1) % SPOKES] ?? 0) * share;
    }
    return sum / fold;
  };
  const tries = Array.from({ length: SPOKES }, (_, k) => (k * step) / SPOKES);
  const valley = tries.reduce((a, b) => (radiusAt(b) < radiusAt(a) ? b : a));
  const axis = within(valley + step / 2, step);
  const points = Array.from({ length: STEP_POINTS + 1 }, (_, k) => {
    const aside = (k / STEP_POINTS - 0.5) * step;
    const r = radiusAt(axis + aside);
    return { x: r * Math.sin(aside), y: -r * Math.cos(aside) };
  });
  return {
    fold,
    mirror: false,
    axis: evenAxis(axis, fold),
    from: 'round',
    kept: [{ ...stroke, points, isRound: true }],
    alone: [],
  };
}
