/**
 * Exact turns, units of length, arithmetic of fields, roots.
 *
 * @example
 * degreesOf(addTurns(turn(1, 12), turn(1, 8)));   // 75, exactly
 */
export { readCount, type Reading, readLength, readList, readShare, readTurn } from './arithmetic';
export { joining } from './joining';
export { polynomialRoots, quadraticRoots, rootBetween, signChange } from './roots';
export { bisected } from './solve';
export {
  addTurns,
  cosSin,
  degreesOf,
  divideTurn,
  equalTurns,
  gcd,
  MOST_DEN,
  multiplyTurn,
  negateTurn,
  NO_TURN,
  radiansOf,
  turn,
  type Turn,
  turnFromDegrees,
  wrapTurn,
} from './turn';
export { convertLength, fromPixels, isLengthUnit, LENGTH_UNITS, type LengthUnit } from './units';
