/**
 * The rule by which a round is turned, and the turns that follow from it.
 *
 * @example
 * turnsOf({ fold: 12, mirror: false, start: NO_TURN });   // twelve turns, 0 to 11/12, exactly
 */
import { finding, type Finding } from '@/core/finding';
import { type Affine, compose, MIRROR, turnMap } from '@/core/curve';
import { addTurns, divideTurn, multiplyTurn, turn, type Turn } from '@/core/number';
import { remembered } from '../remembered';

/** The largest fold; at it a wedge is half a degree. */
export const MOST_FOLD = 720;

/** How a motif is turned about the centre: `fold` copies a full turn, the first one turned by `start`. */
export interface TurnRule {
  readonly fold: number;
  /** Each copy also has its reflection about its own axis (the group D_n instead of C_n). */
  readonly mirror: boolean;
  readonly start: Turn;
  /** Every second copy is the reflection of the motif. */
  readonly alternate?: true;
  /** The copies go round only a part of the turn, or more than one: how much, and whether one stands at either end of it. */
  readonly sweep?: { readonly turn: Turn; readonly ends: boolean };
}

/**
 * One copy of a wedge's content: first reflected about the axis where `mirrored`, then moved by `shift` where the copy differs
 * from the motif, then turned by `turn`.
 */
export interface Placement {
  readonly turn: Turn;
  readonly mirrored: boolean;
  readonly transform?: Affine | null;
}

export const isFold = (fold: number): boolean => Number.isInteger(fold) && fold >= 1 && fold <= MOST_FOLD;

/** A sweep goes at most so many times round. */
export const MOST_SWEEP_TURNS = 40;

/** Why a sweep cannot be, or null where it can. */
export function sweepProblem(sweep: Turn): Finding | null {
  if (sweep.num === 0) return finding('sweep.nothing');
  return Math.abs(sweep.num) > MOST_SWEEP_TURNS * sweep.den ? finding('sweep.turns', MOST_SWEEP_TURNS) : null;
}

/** The turn from one copy to the next. @throws RangeError for a fold that is none. */
export function stepOf(rule: Pick<TurnRule, 'fold' | 'sweep'>): Turn {
  if (!isFold(rule.fold)) throw new RangeError(`A fold is a whole number from 1 to ${MOST_FOLD}.`);
  if (!rule.sweep) return turn(1, rule.fold);
  const { turn: whole, ends } = rule.sweep;
  const steps = ends ? Math.max(1, rule.fold - 1) : rule.fold;
  return divideTurn(whole, steps);
}

/** How often the steps of all copies go round together: where it is whole, the copy after the last would be the first. */
export function timesRound(rule: Pick<TurnRule, 'fold' | 'sweep'>): number {
  const { num, den } = stepOf(rule);
  return Math.abs(num * rule.fold) / den;
}

/** The exact turns of all copies, first to last, clockwise; made once for each rule. */
export const turnsOf = remembered((rule: TurnRule): readonly Turn[] => {
  const step = stepOf(rule);
  return Array.from({ length: rule.fold }, (_, k) => addTurns(rule.start, multiplyTurn(step, k)));
});

/** How many copies there are, mirrored ones counted. */
export const copyCount = (rule: TurnRule): number => rule.fold * (rule.mirror ? 2 : 1);

export function placementMap({ turn: by, mirrored, transform }: Placement): Affine {
  const own = transform ? compose(turnMap(by), transform) : turnMap(by);
  return mirrored ? compose(own, MIRROR) : own;
}
