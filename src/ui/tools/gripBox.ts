import type { Point } from '@/core/curve';

/** How far the handle that turns stands above a box, in pixels. */
export const STALK = 22;
/** With Shift a turn goes in steps of so many degrees; else it is a round number of tenths. */
const TURN_STEP = 15;
const TENTHS = 10;

/** A handle of a box: where it is of the middle, −1, 0 or 1 across and down; or the one that turns. */
interface BoxGrip {
  readonly name: string;
  /** In motif coordinates. */
  readonly at: Point;
  readonly side: Point | null;
}

/** A box with the handles that scale and turn what is in it. */
export interface GripBox {
  /** Its corners as they are drawn, clockwise from the upper left. */
  readonly corners: readonly Point[];
  readonly grips: readonly BoxGrip[];
  /** Where the stalk of the handle that turns begins. */
  readonly stalk: Point;
}

export const CORNERS: readonly (readonly [string, number, number])[] = [
  ['upper left', -1, -1],
  ['upper right', 1, -1],
  ['lower right', 1, 1],
  ['lower left', -1, 1],
];

/** How far a drag turns, in degrees. */
export const turnStep = (degrees: number, isStepped: boolean): number =>
  isStepped ? Math.round(degrees / TURN_STEP) * TURN_STEP : Math.round(degrees * TENTHS) / TENTHS;
