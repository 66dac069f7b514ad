/**
 * The browser's workers: merges, other work, pictures of many cells.
 *
 * @example
 * const answer = await createTaskWorker().do(task, (share) => show(share));   // null where it was stopped
 */
export type { CanvasFrame } from './cellDrawing';
export { type CellPainter, createCellPainter, isDrawnAsCells } from './cellPainter';
export { createMerger, type Merger } from './merger';
export { average, readSymmetryOf, trace } from './picturer';
export { createProver, type Prover } from './prover';
export { createTaskWorker, type TaskWorker } from './taskWorker';
export { WallDrawer } from './trialDrawer';
