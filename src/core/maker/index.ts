/**
 * Constructions: petals, polygons, stars, bands and all that is made of numbers.
 *
 * @example
 * const paths = pathsOfForm(shape.form, work);
 */
export { band, bandOfStroke, type BandParams } from './band';
export { circlePath } from './circle';
export {
  type Field,
  type MakerFact,
  type Params,
  polygonOf,
  scaledParams,
  type ShapePaint,
  type Value,
} from './construction';
export {
  type DrawingParams,
  drawingProblem,
  laidParts,
  mapAt,
  MOST_PARTS,
  MOST_PLACES,
  radiusOfParts,
} from './drawing';
export type { DrawnPart, Place } from './drawn';
export {
  type FitBy,
  fitNeighbours,
  fittedForm,
  grownForm,
  type Growth,
  growthToTouch,
  neighbourGap,
} from './fit';
export {
  dragFormHandle,
  factsOfForm,
  type Form,
  formFinding,
  formOfPaths,
  formProblem,
  handlesOfForm,
  isBuilt,
  isPlacing,
  isSolved,
  isStretchable,
  middleOfBand,
  movedForm,
  partsOfForm,
  pathForm,
  pathsOfForm,
  type PlacedFigure,
  plainForms,
  scaledForm,
  widenedForm,
  withPlaces,
} from './form';
export { handParams, type HandParams } from './hand';
export { withReflectedHand } from './handHalf';
export { BUILT_KINDS, type BuiltForm, type BuiltKind, makerOf, MAKERS, withParams } from './makers';
export { NEST } from './nest';
export { offset } from './offset';
export { petal, petalOfCircles, petalOfSize } from './petal';
export { directionTo, type MakerHandle, mapOf, placePath } from './placed';
export { MOST_SIDES, polygon } from './polygon';
export { rectangle } from './rectangle';
export { scattered } from './scatter';
export type { StampParams } from './stamp';
export { innerRadius, star } from './star';
export { contoursAbout, STOCK_IDS, stockContours, type StockId, stockName } from './stock';
export { closureOf, type Transform, transformedForms, transformMap, transformProblem } from './transform';
