import type { Point } from '@/core/curve';

/** A strand coming through a crossing. */
export interface Visit {
  readonly strand: number;
  /** The middle of it, from the strand's start; below 0 or past the length where a closed strand is gone round. */
  readonly along: number;
  /** From where to where the bands overlap; both `along` where that was not worked out, as nothing else is near. */
  readonly from: number;
  readonly to: number;
  /** How far past both ends it must reach to keep the gap free as well. */
  readonly more: number;
  readonly crossing: number;
  readonly role: 0 | 1;
}

export interface Crossing {
  readonly at: Point;
  readonly visits: readonly [Visit, Visit];
  /** The bands come to one another from one side and leave to the same: one lies over the other, and they do not cross. */
  readonly isShallow: boolean;
}
