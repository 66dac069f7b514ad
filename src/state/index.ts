/**
 * The editor without what is seen: figure, selection, history, view, saving.
 *
 * @example
 * const editor = createEditor(saved);
 * actOnRound(editor, 'Fold', (figure, id) => setFold(figure, id, 12));
 */
export { followCopy } from './active';
export { areaAtHand, drawsLines, lineAtHand } from './atHand';
export { followCells } from './carry';
export { chosenHandle, chosenIn } from './chosen';
export { followCoats, isFinest } from './coats';
export {
  act,
  actAndSelect,
  actOnRound,
  commit,
  createEditor,
  dropRound,
  type Made,
  startRound,
} from './editor';
export {
  activeRound,
  chooseKinds,
  select,
  selectedShapes,
  selectNodes,
  selectRound,
  shownLevel,
} from './selecting';
export { type Editor, type EditorState, shownFigure } from './editorState';
export {
  type GuideStart,
  type Importing,
  type Level,
  LINES,
  type RereadShapes,
  type SeenPicture,
  WHOLE,
} from './slices/session';
export type { PaneId } from './slices/view';
export type { SaveState } from './slices/saving';
export type { TransformOptions } from './slices/tools';
export { figureOf, redoLabel, undoLabel } from './history';
export { newId } from './ids';
export { keepView } from './keepView';
export { bentIds, isLaid, laneRound, laneStrip, laneView, measuredRound, paneRound, withDrawn } from './lane';
export { LET_GO, noticeLetGo } from './letGo';
export {
  cellsOfRound,
  divisionOf,
  followMerges,
  isAllMerged,
  mergeOf,
  mergeResults,
  hasNothingToMerge,
  mergesOfRound,
  weaveOfRound,
} from './merges';
export { type Offered, offeredNow, refuseOffered, takeOffered } from './offer';
export { followOpen } from './openElsewhere';
export {
  copiedParts,
  frameOf,
  isOverRounds,
  mapOfPart,
  movedParts,
  overParts,
  partMap,
  promote,
  type SelectedPart,
  selectedParts,
  selectionOf,
  selectOver,
  selectParts,
  shapesOfParts,
  toggleOther,
  transformedParts,
} from './parts';
export {
  askedTarget,
  chooseTarget,
  createProofing,
  dropTarget,
  endPreview,
  type FindingGroup,
  groupsOf,
  leave,
  type Lit,
  look,
  mend,
  previewMend,
  type Proofing,
  type ProofState,
  type ProofStore,
  saveTarget,
  zoomTo,
} from './proof';
export { pictureOf } from './picture';
export { drawnOf, restOf, seatedOf } from './rest';
export { whenCalm } from './whenCalm';
export { followSaves, type Notices, type Saver } from './saver';
export { layersOnBench, partsShown, sceneOf } from './scene';
export {
  createWithPictures,
  exportAddress,
  motifPicture,
  pictureAddress,
  proofAddress,
  server,
} from './server';
export { followTasks, perform, preview, stopWork } from './settle';
export { type Stage, STAGE_NAMES, STAGES } from './stages';
export { followPage } from './toolLengths';
export { MORE_KEY, type ToolId, toolOnKey, toolsBeyond, TRAY_KEYS, TRAYS } from './tools';
export { benchRadius, benchView, laneHeight, viewForRound, wholeView } from './view';
export { fromScreen, panned, toScreen, type View, zoomed } from './viewport';
export { workOf } from './work';
