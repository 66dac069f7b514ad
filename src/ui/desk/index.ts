/** What every part of the editor stands on: its state as hooks, and what is done to what is selected. */
export {
  PanelState,
  useDrawnState,
  usePanelState,
  useEditor,
  useEditorState,
  useProof,
  usePictureState,
  useRestState,
  useWorkshop,
  type Workshop,
  WorkshopContext,
} from './EditorContext';
export { changeToUse, DRAGGED, keepInDrawer, takeMotif } from './motifUse';
export { paintInUse, type PaintInUse } from './paintInUse';
export { nestWhole, placeFigure } from './placeFigure';
export { chooseSeen, layAverage, laySeen, readUnderlay, seenHere, traceAverage } from './seenPicture';
export { deleteSelection, duplicateSelection, makeGroup, reorderSelection } from './onSelection';
export { selectionActions } from './selectionActions';
export { traceUnderlay, type Watch } from './traceUnderlay';
export { layPicture } from './underlay';
export { useCalmState } from './useCalmState';
export { useWork } from './useWork';
export { common, notYet, plural } from './words';
