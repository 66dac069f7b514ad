/**
 * The figure as it is saved, its check, and what follows from it. What changes one is in `commands`.
 *
 * @example
 * const scene = evaluate(figure, merges, work);
 */
export { type BentGroup, isBent, shapesOfGroup, straightOf, stripAround } from './bent';
export { brokenSentence } from './broken';
export { lostRefs, NO_CELL_EDITS, paintOfOne, paintsOfCells, shownCells, type ShownCells } from './cells';
export { isLine, isLive, resolvedMotif, resolvedShapes } from './combined';
export { copiesOf, copyMaps, followedTurn, seenFold, symmetryOf } from './copies';
export { differences } from './differences';
export { gapOfRound, gapOfRounds, nextOutward, sizeOfRound, touchingMoves, touchingWhirl } from './distance';
export { evaluate } from './evaluate';
export { evaluateWhole } from './evaluateWhole';
export { boundedFigure, excessOf } from './excess';
export { foundBy } from './foundBy';
export {
  deeper,
  freeName,
  freshName,
  groupOf,
  groupsAround,
  largestNodes,
  type Motif,
  type MotifNode,
  motifOfTree,
  motifTree,
  nodeKey,
  nodesOfGroup,
  regrouped,
  shapesIn,
  type Spot,
  treeProblem,
  usedGroups,
  wholeGroups,
} from './groups';
export { anchorOf, hitFigure, hitMotif, holdAt, pointsOfShape } from './hit';
export { holdsBox, shapesInBox } from './inBox';
export {
  handlesOfShape,
  inputChoices,
  inputFields,
  inputName,
  letGo,
  liesWithInput,
  renamedShapes,
} from './inputs';
export { isReshaped } from './reshaped';
export { edgeOf, type MergeJob, mergeJobsOf, requestOf, sameJob, START_WEAVE, swallowedRounds } from './jobs';
export {
  CELL_REACHES,
  type CellReach,
  factsOfCells,
  type KindFacts,
  kindsOf,
  nameOfKind,
  reachedCells,
  refsOfGroup,
} from './kinds';
export {
  type AxisSide,
  type GroupId,
  type RoundId,
  type ShapeId,
  type CellEdits,
  COMBINE_OPS,
  type CombineOp,
  type Ease,
  EASES,
  type Edge,
  type Figure,
  FIGURE_FORMAT,
  FIGURE_VERSION,
  type Formula,
  type Group,
  LIMITS,
  LOWER_ACTIONS,
  type LowerAction,
  type NthVariation,
  type OwnTarget,
  type Progression,
  type ProofSaid,
  type Round,
  ROUND_MERGES,
  type RoundMerge,
  type RoundWhirl,
  type Shape,
  type Slider,
  type Underlay,
} from './model';
export { askOutlines, outlineFinding } from './outline';
export { type FigurePart, partOfFigure, partOfWord, wordOfPart } from './part';
export { type Patch, patchBetween, patched, patchSteps, type StoredStep, wholeSteps } from './patches';
export { reachOfMotif } from './reach';
export {
  type ColourScope,
  coloursOfFigure,
  coloursOfShapes,
  inPalette,
  intoPalette,
  recoloured,
  swapColour,
} from './recolour';
export { figureSchema, groupSchema, ownTargetSchema, shapeSchema, takenAsSound } from './schema';
export { holdsCentre, seenBox, seenPaths, seenShapes } from './seen';
export { placeAt, usesOfFigure, usesOfRound } from './sources';
export { endsOfSpread, respread } from './spread';
export { handLength, newFigure, newRound, newShape, START_PAINT, startLine, startStroke } from './start';
export { paintSources, startPaints, type StartPaints, withStartPaints } from './startPaint';
export {
  averageLies,
  rosetteRadius,
  underlayBy,
  underlayMap,
  underlayRound,
  underlayThrough,
} from './underlay';
export { roundOf, withRound } from './update';
export { lostMotif, storedFigure } from './stored';
export { broughtUp } from './upgrade';
export { wovenShapes } from './woven';
export { kindKey, mappedPaints } from './cellPaints';
