/**
 * The rounds that finished artwork, or what a hand drew, is made of.
 *
 * @example
 * const rebuilt = await worker.do(rebuildTask({ drawing, name, ids: 'k3', options: {}, choices: AS_IT_IS }), progress);
 */
export { AS_IT_IS, type ReadChoices } from './figureOfRead';
export type { StrokeSymmetry } from './handStroke';
export { canBeRead, drawingOfShapes, withRoundsOf } from './inFigure';
export type { MotifBy } from './motif';
export { offerOf, takeOffer } from './offered';
export type { ReadOptions } from './read';
export { type Differing, REBUILD, rebuildTask, type Rebuilt, type ToldReading } from './rebuild';
