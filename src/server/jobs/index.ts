/**
 * Files, proofs and pictures, made in processes with limits of time and memory.
 *
 * @example
 * const { bytes, mediaType } = await aside('makeFile', { figure, to: 'png', options: { size: 512, background: true } });
 */
export { MOST_TIME } from './limits';
export { type MotifRequest, OPERATIONS } from './mergeMotif';
export { aside, type Asked, endProcesses, type JobName, type Made, startProcesses, type Took } from './pool';
export type { ProofMade } from './proofFigure';
export type { TakenDrawing } from './takeDrawing';
