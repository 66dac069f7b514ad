/**
 * Items whose outlines alone change, as with most moves of a drag: then all that is drawn stays as it is, and gets new outlines.
 *
 * @example
 * const now = retraced(partsInHand(before, hand), partsInHand(after, hand));
 * now?.get(item); // what an item of before has become, undefined where it stayed; null for now where anything else changed
 */
import type { SceneItem, SceneLayer } from './scene';
import type { ScenePart } from './still';

/** What of a shape and of how it looks an item shows, its outline aside. */
const isSameLook = (a: SceneItem, b: SceneItem): boolean =>
  a.origin.of === 'shape' &&
  b.origin.of === 'shape' &&
  a.origin.shapeId === b.origin.shapeId &&
  a.paint === b.paint &&
  a.rule === b.rule &&
  a.mirrored === b.mirrored &&
  a.laid === b.laid &&
  a.shown === b.shown;

const isSameLayer = (a: SceneLayer, b: SceneLayer): boolean =>
  a.roundId === b.roundId &&
  a.copies === b.copies &&
  a.blend === b.blend &&
  a.relief === b.relief &&
  a.items.length === b.items.length;

/**
 * The items that have other outlines, as they were and as they are, where what a pane draws is the same otherwise: the same parts, layers,
 * copies and looks, in the same order. Null where it is not.
 */
export function retraced(
  before: readonly ScenePart[],
  after: readonly ScenePart[],
): ReadonlyMap<SceneItem, SceneItem> | null {
  if (before.length !== after.length) return null;
  const now = new Map<SceneItem, SceneItem>();
  for (const [k, part] of before.entries()) {
    const other = after[k];
    if (other?.still !== part.still || other.layers.length !== part.layers.length) return null;
    for (const [n, layer] of part.layers.entries()) {
      const next = other.layers[n];
      if (layer === next) continue;
      // The picture of what stands still is kept as it is.
      if (!next || part.still || !isSameLayer(layer, next)) return null;
      for (const [i, item] of layer.items.entries()) {
        const become = next.items[i];
        if (item === become) continue;
        if (!become || !isSameLook(item, become)) return null;
        now.set(item, become);
      }
    }
  }
  return now;
}
