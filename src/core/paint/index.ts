/**
 * Colours, gradients, light, inks, and how a paint is drawn.
 *
 * @example
 * const { fill, stroke, isStrokeFirst } = styleOf(item.paint, item.rule);
 */
export {
  adjustedColour,
  type Adjustment,
  colourOfOklch,
  contrastOf,
  contrastWords,
  HARMONIES,
  harmonyOf,
  isInSrgb,
  NO_ADJUSTMENT,
  notationsOf,
  type Oklch,
  oklchOf,
} from './adjust';
export { blended } from './blend';
export { fadedColour, opacityOf, readColour } from './colour';
export { colourName } from './colourName';
export { calledColour, carriedNames, type ColourNames, MOST_COLOUR_NAME, namedColours } from './colourNames';
export {
  coloursOfFill,
  coloursOfPaint,
  firstColour,
  isGradient,
  mapFill,
  mapFills,
  mapPaint,
  nameOfPaint,
  sameFill,
} from './fills';
export {
  carriedPaint,
  endsOver,
  isRound,
  placedPaint,
  plainStops,
  reversedStops,
  stopsProblem,
  turnedPaint,
  withSettledGradients,
  withStop,
} from './gradient';
export { inkAt, type Tint, tintOf } from './inkAt';
export { type Cmyk, type ColourInks, type Inks, inksOf, lookOf, MOST_SPOT_NAME, opaque } from './inks';
export { type Light, withLight } from './light';
export { mixedColour, mixedPaint } from './mix';
export { isOpaque, meanColour } from './opaque';
export { type Palette, STOCK_PALETTES, trialPalettes } from './palettes';
export { picturesIn, runsLaid } from './pictures';
export { grey, greyOf, inkAlone, inOne, type PixelChange, seenBy } from './pixelChanges';
export { type Relief, reliefFilter, START_LIGHT } from './relief';
export { acrossOf, mappedRun, movedRun, withRun } from './run';
export {
  COLOUR_BY,
  type ColourPlan,
  coloursOfPlaces,
  directionOf,
  type PlacedRegion,
  rampColour,
  ringsOfPlaces,
} from './sequence';
export {
  cssColour,
  type FlatInk,
  type GradientInk,
  type Ink,
  inksOfPaint,
  MITER_LIMIT,
  styleOf,
} from './style';
export { variedPaint } from './vary';
export { coloursApart, seenAs, VISIONS } from './vision';
