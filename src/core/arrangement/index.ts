/**
 * All lines of a round in one sector of its symmetry: what its copies divide the plane into (docs/engine.md).
 *
 * @example
 * const steps = arrange(request);   // yields how far it is; returns an Arrangement, which outlinesOf reads
 */
export { arrange, type ArrangedPath, Arrangement, FULL_TOLERANCE } from './arrange';
export { Inconsistent, TooMuchWork } from './errors';
export type { Symmetry } from './group';
export { keysOf } from './keys';
export { valueAt } from './lists';
export { type OutlinedRegion, outlinesOf, type OutlineStep } from './outline';
export { Restorer } from './restore';
