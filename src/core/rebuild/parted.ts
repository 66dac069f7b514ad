import { boundsOfPaths, hullOfPaths, hullsMeet, meetingBoxes, type Path } from '@/core/curve';
import { joining } from '@/core/number';
import type { DrawnShape } from '@/core/format/drawing';

/** Contours beyond this number are taken as they are: they are a texture, and none of them is drawn for itself. */
const MOST_CONTOURS = 4000;

/** Contours that may cover one another belong together, by their places. */
function bunches(paths: readonly Path[]): number[][] {
  const hulls = paths.map((path) => hullOfPaths([path]));
  const boxes = paths.map((path) => boundsOfPaths([path]));
  const { find, join } = joining(paths.length);
  for (const [a, b] of meetingBoxes(boxes))
    if (find(a) !== find(b) && hullsMeet(hulls[a] ?? [], hulls[b] ?? [])) join(a, b);
  const found = new Map<number, number[]>();
  for (const k of paths.keys()) found.set(find(k), [...(found.get(find(k)) ?? []), k]);
  return [...found.values()];
}

/** A shape as one for each contour that can be drawn for itself: all that is not filled, and what is filled with its holes. */
export function partedShape(shape: DrawnShape): DrawnShape[] {
  const { paths, paint } = shape;
  if (paths.length < 2 || paths.length > MOST_CONTOURS) return [shape];
  if (!paint.fill) return paths.map((path) => ({ ...shape, paths: [path] }));
  return bunches(paths).map((bunch) => ({ ...shape, paths: bunch.map((k) => paths[k] as Path) }));
}
