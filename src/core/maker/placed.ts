import {
  applyTo,
  compose,
  inverse,
  mapPath,
  moveMap,
  type Path,
  type Point,
  polarOf,
  subtract,
  turnMap,
} from '@/core/curve';
import { type Turn, turnFromDegrees } from '@/core/number';

/** Where a construction stands in the motif: its own origin, and how far it is turned clockwise about that. */
export interface Placed {
  readonly at: Point;
  readonly rotation: Turn;
}

/** A point that a person drags to change a construction's numbers. */
export interface MakerHandle {
  readonly id: string;
  readonly point: Point;
  /** The field whose curves it is a node of. */
  readonly field?: string;
}

export const mapOf = (placed: Placed) => compose(moveMap(placed.at), turnMap(placed.rotation));

/** A path from the construction's own coordinates (its origin at 0, 0, upright) to the motif's. */
export const placePath = (placed: Placed, path: Path): Path => mapPath(path, mapOf(placed));

export const placePoint = (placed: Placed, p: Point): Point => applyTo(mapOf(placed), p);

/** A point of the motif in the construction's own coordinates. */
export const ownPoint = (placed: Placed, p: Point): Point => applyTo(inverse(mapOf(placed)), p);

/** The turn that points from one point to another, to a millionth of a degree. */
export const directionTo = (from: Point, to: Point): Turn =>
  turnFromDegrees(polarOf(subtract(to, from)).degrees);
