/** What the pointer does: a tool a file, and how a press becomes a step. */
export { heldStrip, type HeldStrip } from './bend';
export { canStretch, selectionBox } from './boxGrips';
export { hoverCells, worksOnCells } from './cells';
export { crosshairKeys } from './crosshair';
export type { Gesture } from './gesture';
export { type End, gradientRun, type GradientRun } from './gradientRun';
export type { GripBox } from './gripBox';
export { catchPoint } from './hover';
export { liesIn } from './lies';
export { dropLastNode, finishPath } from './path';
export {
  CATCH,
  MotifPointer,
  panePoint,
  type PanePoint,
  placementIn,
  ringStepOf,
  toMotif,
  viewOf,
} from './pointer';
export { TOOLS } from './registry';
export { seeRound } from './seeRound';
export { selectUnder } from './selectUnder';
export { dropSpots, turnArcOrder } from './spots';
export { partsOfShapes, setStamps } from './stamp';
export { takeTool } from './takeTool';
export { fitUnderlay } from './underlayFit';
export { underlayBox } from './underlayGrips';
