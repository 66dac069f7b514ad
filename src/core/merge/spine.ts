/**
 * The line in the middle of a closed band that is given by its two outlines.
 *
 * @example
 * spineOfBand([circleOf(20), circleOf(16)]); // { path: a circle of 18, width: 4 }
 */
import { boundsOfPaths, nearestOnPath, type Path, pathLength, signedArea, stationsAlong } from '@/core/curve';
import { remembered } from '../remembered';
import { bandsOf, offsetOf } from './band';
import { tried } from './merge';

export interface Spine {
  readonly path: Path;
  readonly width: number;
}

const SAMPLES = 60;
/** How much the width may differ along most of a band, and the area of the band that is found from the one that is given. */
const EVEN = 0.01;

const median = (list: readonly number[]): number =>
  [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)] ?? 0;

/**
 * @param paths two closed paths, one in the other
 * @returns null where they are no band of one width: checked by the area of the band that is found
 */
export const spineOfBand = remembered((paths: readonly Path[]): Spine | null => {
  const [a, b, another] = paths;
  if (!a || !b || another || !a.closed || !b.closed) return null;
  const size = (path: Path): number => Math.abs(signedArea([path]));
  const [outer, inner] = size(a) >= size(b) ? [a, b] : [b, a];
  const length = pathLength(inner);
  const lengths = Array.from({ length: SAMPLES }, (_, k) => ((k + 0.5) * length) / SAMPLES);
  const apart = stationsAlong(inner, lengths).map(({ point }) => nearestOnPath(outer, point)?.distance ?? 0);
  const width = median(apart);
  const even = apart.filter((each) => Math.abs(each - width) <= EVEN * width).length;
  const box = boundsOfPaths([outer]);
  const isThin = width > 0 && width < Math.min(box.right - box.left, box.bottom - box.top) / 2;
  // At corners the inner outline lies farther from the outer one.
  if (!isThin || even < 0.7 * SAMPLES) return null;
  const middle = tried(() => offsetOf([outer], 'nonzero', -width / 2, 'miter', 10));
  const [path, second] = middle.ok ? middle.value : [];
  if (!path || second) return null;
  const look = {
    width,
    side: 'middle',
    join: 'miter',
    limit: 10,
    cap: 'butt',
    widths: [],
    dashes: [],
  } as const;
  const made = tried(() => bandsOf([path], look));
  const area = size(outer) - size(inner);
  return made.ok && Math.abs(signedArea(made.value) - area) <= EVEN * area ? { path, width } : null;
});
