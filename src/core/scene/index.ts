/**
 * The display list: what is drawn, once, and the exact turns at which it stands.
 *
 * @example
 * for (const { item, map } of scene.layers.flatMap(placedItems)) draw(item.paths, map);
 */
export { centreOnPage, itemsAt, placedAt, placedItems } from './placed';
export {
  BLEND_MODES,
  type BlendMode,
  type Colour,
  type Fill,
  type FillRule,
  type Gradient,
  type GradientStop,
  type Laid,
  type LayerRelief,
  layersOf,
  type Neighbours,
  type Origin,
  type Paint,
  type Scene,
  type SceneCopy,
  type SceneItem,
  type SceneLayer,
  type ScenePage,
  type Shown,
  type Spread,
  SPREADS,
  type Stroke,
  STROKE_CAPS,
  STROKE_JOINS,
} from './scene';
export { retraced } from './retraced';
export { type InHand, isMuch, partsInHand, type ScenePart } from './still';
