/**
 * The rule by which a round is turned; wedges, frames, and what the pointer catches.
 *
 * @example
 * for (const { turn, mirrored } of turnsOf(round.rule)) draw(turn, mirrored);
 */
export {
  cornerRadius,
  cornersOf,
  DIAGONALS,
  type Frame,
  type FrameLine,
  frameLines,
  type FramePolygon,
  framePolygonProblem,
  type Guide,
  MOST_CORNERS_WITH_ALL,
  MOST_GUIDES,
  MOST_RINGS,
  NO_FRAME,
} from './frame';
export { heldDirection } from './held';
export { commonFold, isKeptByTurn } from './invariant';
export { type Reach, reachOf } from './reach';
export {
  isFold,
  MOST_FOLD,
  type Placement,
  placementMap,
  stepOf,
  sweepProblem,
  timesRound,
  type TurnRule,
  turnsOf,
} from './rule';
export {
  curveOf,
  footOnLine,
  ringStepFor,
  SNAP_KINDS,
  snapAlong,
  snapCandidates,
  type SnapCurve,
  type SnapKind,
  type Snapped,
  type SnapTargets,
  spacedPlaces,
} from './snap';
export { alongTurn, copyAt, halfWedge, isWide, pastRays, type Wedge } from './wedge';
