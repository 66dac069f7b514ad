/**
 * What is told of runs that are narrow is how narrow they are at most: edges are gone along in steps, and between two of them it may be
 * less. Of the narrowest of each round, which is what people read, it is looked again, closely.
 *
 * @example
 * const told = withNarrowest(picture, narrowRuns(places, width, picture), width, step);
 */
import { applyTo, type Point, turnMap } from '@/core/curve';
import { turn } from '@/core/number';
import type { DrawnPicture } from './picture';
import { seamsOf } from './seams';
import { Squares } from './squares';
import { endsAt, narrowPlaces, type Narrow, type NarrowRun } from './widths';

/** Steps are so many times shorter. */
const CLOSER = 12;

/** The narrowest line and the narrowest gap of each round. */
function toldOf(picture: DrawnPicture, runs: readonly NarrowRun[]): NarrowRun[] {
  const told = new Map<string, NarrowRun>();
  for (const run of runs) {
    const key = `${picture.pieces[run.piece]?.layer.roundId ?? ''} ${run.tone === picture.page}`;
    if (!told.has(key)) told.set(key, run);
  }
  return [...told.values()];
}

/** Where a place may be met in the sector: a run that goes on over its edge is told on either side of it. */
const metAt = (picture: DrawnPicture, p: Point): Point[] => {
  const own = picture.folded(p);
  return picture.fold === 1 ? [own] : [0, 1, -1].map((by) => applyTo(turnMap(turn(by, picture.fold)), own));
};

/**
 * Runs with those that are told as narrow as they are, the narrowest first.
 * @param runs the narrowest first, of edges in stretches of a step
 * @param width below which they were looked for
 */
export function withNarrowest(
  picture: DrawnPicture,
  runs: readonly NarrowRun[],
  width: number,
  step: number,
): readonly NarrowRun[] {
  const told = toldOf(picture, runs);
  if (told.length === 0) return runs;
  const places = told.flatMap((run) => metAt(picture, run).map((at) => ({ at, run })));
  const [x, y] = [places.map(({ at }) => at.x), places.map(({ at }) => at.y)];
  const squares = new Squares(x, y, 2 * width);
  // All edges that discs there may touch.
  const reach = 1.5 * width + 2 * step;
  const isNear = (atX: number, atY: number): boolean =>
    squares.some(
      atX,
      atY,
      reach,
      (k) => ((x[k] ?? 0) - atX) ** 2 + ((y[k] ?? 0) - atY) ** 2 <= reach * reach,
    );
  const close = narrowPlaces(picture, seamsOf(picture, step / CLOSER, isNear), width);
  const least = new Map<NarrowRun, Narrow>();
  for (const each of close)
    for (const { at, run } of places) {
      const isOfRun =
        each.tone === run.tone && Math.hypot(each.x - at.x, each.y - at.y) <= run.width / 2 + step;
      const isLess = isOfRun && each.width < (least.get(run)?.width ?? run.width);
      if (isLess && !endsAt(picture, each)) least.set(run, each);
    }
  return runs
    .map((run): NarrowRun => {
      const found = least.get(run);
      return found ? { ...run, width: found.width, x: found.x, y: found.y } : run;
    })
    .sort((a, b) => a.width - b.width);
}
