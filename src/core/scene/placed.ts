/**
 * A scene's items where they stand: the one way through a scene for whatever draws, counts or keeps all of it.
 *
 * @example
 * for (const { item, map } of scene.layers.flatMap(placedItems)) draw(item.paths, map);
 */
import type { Affine, Point } from '@/core/curve';
import { placementMap } from '@/core/symmetry';
import type { SceneCopy, SceneItem, SceneLayer, ScenePage } from './scene';

/** The figure's centre from the page's upper left corner. */
export const centreOnPage = ({ width, height, centre }: ScenePage): Point => ({
  x: width / 2 + centre.x,
  y: height / 2 + centre.y,
});

/** One item at one of its places. */
interface PlacedItem {
  readonly item: SceneItem;
  readonly copy: SceneCopy;
  /** From the item's own coordinates to the figure's. */
  readonly map: Affine;
}

/** What a copy shows. */
export const itemsAt = (layer: SceneLayer, copy: SceneCopy): readonly SceneItem[] =>
  copy.items ?? layer.items;

/** The items of one copy of a layer, back to front. */
export const placedAt = (layer: SceneLayer, copy: SceneCopy): PlacedItem[] =>
  itemsAt(layer, copy).map((item) => ({
    item,
    copy,
    map: placementMap({ turn: copy.turn, transform: copy.transform ?? null, mirrored: item.mirrored }),
  }));

/** All items of a layer in all their places, in the order in which they are drawn. */
export const placedItems = (layer: SceneLayer): PlacedItem[] =>
  layer.copies.flatMap((copy) => placedAt(layer, copy));
