import { applyTo, turnMap } from '../curve/affine';
import type { Point } from '../curve/point';
import { negateTurn, type Turn } from '../number/turn';

/** A point turned back about the centre. */
export const applyTurnBack = (p: Point, by: Turn): Point => applyTo(turnMap(negateTurn(by)), p);
