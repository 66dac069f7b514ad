import Flatbush from 'flatbush';

import type { Bounds } from './bounds';

/** Pairs of boxes that meet or touch, by their places in the list, the lower first. Their number decides how long it takes, not that of all pairs. */
export function* meetingBoxes(boxes: readonly Bounds[]): Generator<readonly [number, number]> {
  if (boxes.length === 0) return;
  const index = new Flatbush(boxes.length);
  for (const { left, top, right, bottom } of boxes) index.add(left, top, right, bottom);
  index.finish();
  for (const [k, { left, top, right, bottom }] of boxes.entries())
    for (const other of index.search(left, top, right, bottom, (each) => each > k)) yield [k, other];
}
