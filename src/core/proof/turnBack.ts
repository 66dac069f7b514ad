import { applyTo, type Point, turnMap } from '@/core/curve';
import { negateTurn, type Turn } from '@/core/number';

/** A point turned back about the centre. */
export const applyTurnBack = (p: Point, by: Turn): Point => applyTo(turnMap(negateTurn(by)), p);
