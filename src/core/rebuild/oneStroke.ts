/**
 * One stroke beside the centre: how many copies of it would meet, end to end or side by side.
 *
 * @example
 * byEnds([arch]); // { fold: 5, from: 'ends', … } where its ends are about 72 degrees apart, equally far out
 */
import { lengthOf } from '@/core/curve';
import { directionOf, evenAxis, FULL, meanOf, within, type Found, type HandStroke } from './handStroke';

/** How near to a whole number of steps an angle has to be, as a part of it. */
const NEAR = 0.12;
/** Ends are equally far from the centre where they differ by less than this part. */
const LEVEL = 0.12;

/** One open line whose ends are equally far from the centre, and as far apart as those of copies that join end to end. */
export function byEnds(strokes: readonly HandStroke[]): Found | null {
  const [stroke, other] = strokes;
  if (!stroke || other || stroke.closed) return null;
  const { points } = stroke;
  const [from, to] = [points[0], points[points.length - 1]];
  if (!from || !to) return null;
  const [a, b] = [lengthOf(from), lengthOf(to)];
  const most = Math.max(...points.map(lengthOf));
  if (Math.abs(a - b) > LEVEL * Math.max(a, b) || Math.min(a, b) < 0.15 * most) return null;
  const way = within(directionOf(to) - directionOf(from), FULL);
  const fold = Math.round(FULL / Math.abs(way));
  if (!(fold >= 3 && fold <= 24) || Math.abs((Math.abs(way) * fold) / FULL - 1) > NEAR) return null;
  const middle = directionOf(from) + way / 2;
  const step = FULL / fold;
  const level = (a + b) / 2;
  // The line is bent a little, so that its ends are on the rays and meet those of the copies.
  const kept = points.map((p, k) => {
    const share = k / (points.length - 1);
    const aside = within(directionOf(p) - middle, FULL) * (step / Math.abs(way));
    const r = lengthOf(p) * (level / (a * (1 - share) + b * share));
    return { x: r * Math.sin(aside), y: -r * Math.cos(aside) };
  });
  return {
    fold,
    mirror: false,
    axis: evenAxis(middle, fold),
    from: 'ends',
    kept: [{ ...stroke, points: kept }],
    alone: [],
  };
}

/** One closed line beside the centre, as wide from there as a step of a fold: copies stand side by side. */
export function byWidth(strokes: readonly HandStroke[]): Found | null {
  const [stroke, other] = strokes;
  if (!stroke || other || !stroke.closed) return null;
  const middle = directionOf(meanOf(stroke.points));
  const far = Math.max(...stroke.points.map(lengthOf));
  // What is at the centre is seen from there in any direction.
  const asides = stroke.points
    .filter((p) => lengthOf(p) > 0.15 * far)
    .map((p) => within(directionOf(p) - middle, FULL));
  const width = Math.max(...asides) - Math.min(...asides);
  const fold = Math.round(FULL / width);
  if (!(fold >= 3 && fold <= 24) || Math.abs((width * fold) / FULL - 1) > NEAR) return null;
  const axis = middle + (Math.max(...asides) + Math.min(...asides)) / 2;
  return {
    fold,
    mirror: false,
    axis: evenAxis(axis, fold),
    from: 'width',
    kept: [],
    alone: [{ id: stroke.id, by: -axis }],
  };
}
