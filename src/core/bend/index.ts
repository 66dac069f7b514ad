/**
 * Strips wrapped or bowed on a ring.
 *
 * @example
 * const bend = { ...plainBend({ left: 0, right: 40, top: -10, bottom: 0 }, turn(1, 5)), radius: 50 };
 */
export {
  type Bend,
  BEND_WAYS,
  bendMap,
  bendProblem,
  bentLength,
  fittingRadius,
  fittingUnits,
  MOST_SWELL,
  MOST_TWIST,
  MOST_UNITS,
  MOST_WAVES,
  plainBend,
  stretchOf,
  type Strip,
  stripLength,
  withInner,
  withOuter,
} from './bend';
export { BENT } from './bentPaths';
export { type BendHandle, bendHandles, draggedBend } from './handles';
