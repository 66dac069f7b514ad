/**
 * Artwork from elsewhere, whatever its format.
 *
 * @example
 * const answer = await worker.do(readingTask(text), progress); // a Result<Drawing>
 */
export { type Drawing, type DrawnGroup, type DrawnNode, type DrawnShape, shapesOfNodes } from './drawing';
export { figureAbout, figureOfDrawing, type FigureTaken, groundOf } from './figureOfDrawing';
export type { LeftOut } from './leftOut';
export { linesOf } from './lines';
export { readArtwork, readingTask } from './readFile';
export {
  amountProblem,
  leftWith,
  mappedPaint,
  motifOfDrawing,
  nodesTaken,
  TAKEN_BY,
  type TakenBy,
  takingMap,
} from './taken';
