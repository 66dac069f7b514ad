/**
 * Operations on overlapping copies: union to divide, bands, offsets, weaves.
 *
 * @example
 * const merged = mergeNow({ op: 'union', among: 'copies', operands });   // its paths, or why there are none
 */
export { areaAboutAxis, linesAboutAxis } from './axis';
export { type BandCap, type BandJoin, type BandLook, dashCount, MOST_DASHES } from './band';
export { cellsOf, divided, mergedFully } from './cells';
export { insideOf } from './inside';
export { type Merged, mergeNow } from './engine';
export { cellAt, type CellCopy, type CellGroup, groupsOf, isInside, shortRefs } from './fused';
export {
  type Cells,
  type Division,
  type MergeControl,
  MergeFailed,
  type MergeOperand,
  type MergeOperation,
  type MergePart,
  type MergeFacts,
  type MergeRequest,
  type MergeResult,
  type MergeRole,
  type MergeShape,
  MergeStopped,
  type WeaveFacts,
  type WovenCrossing,
} from './merge';
export { type Nested, NESTED } from './nested';
export {
  buffersOf,
  type PackedRequest,
  type PackedResult,
  packRequest,
  packResult,
  unpackRequest,
  unpackResult,
} from './pack';
export { placedLoops } from './placed';
export { slitPath } from './slit';
export { spineOfBand } from './spine';
export { type PlacedShape, STACKED } from './stacked';
export { BANDS, MERGED, OFFSET, type Outlines } from './tasks';
export { totalFacts } from './totalFacts';
export { type Side, trimPaths } from './trim';
