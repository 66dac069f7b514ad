/**
 * The symmetry that is seen in a picture of pixels.
 *
 * @example
 * const read = readPicture(picture); // { folds: [{ fold: 12, mirror: true, share: 0.96, … }], … }
 */
export { averaged, averagedReach, type Averaging, averagingOf, readOfAverage } from './average';
export { foldShare, harmonicsOf } from './correlation';
export { frameSeen, type FrameSeenLine } from './frameSeen';
export {
  axisOf,
  type ChosenFold,
  type FoldSeen,
  meantFold,
  readPicture,
  type ReadPicture,
  SURE_SHARE,
} from './readPicture';
export type { ColourPicture } from './tone';
export { tracedWhereItLies } from './traceWedge';
