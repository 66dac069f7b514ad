import { compose, MIRROR, turnMap, type Affine } from '../curve/affine';
import { addTurns, multiplyTurn, turn, type Turn } from '../number/turn';

/** The largest fold; at it a wedge is half a degree. */
export const MOST_FOLD = 720;

/** How a motif is turned about the centre: `fold` copies a full turn, the first one turned by `start`. */
export interface TurnRule {
  readonly fold: number;
  /** Each copy also has its reflection about its own axis (the group D_n instead of C_n). */
  readonly mirror: boolean;
  readonly start: Turn;
}

/** One copy of a wedge's content: turned by `turn`, and first reflected about the axis where `mirrored`. */
export interface Placement {
  readonly turn: Turn;
  readonly mirrored: boolean;
}

export const isFold = (fold: number): boolean => Number.isInteger(fold) && fold >= 1 && fold <= MOST_FOLD;

/** The turn from one copy to the next. @throws RangeError for a fold that is none. */
export function stepOf(rule: TurnRule): Turn {
  if (!isFold(rule.fold)) throw new RangeError(`A fold is a whole number from 1 to ${MOST_FOLD}.`);
  return turn(1, rule.fold);
}

const turnsOfRules = new WeakMap<TurnRule, readonly Turn[]>();

/** The exact turns of all copies, first to last, clockwise; made once for each rule. */
export function turnsOf(rule: TurnRule): readonly Turn[] {
  const known = turnsOfRules.get(rule);
  if (known) return known;
  const step = stepOf(rule);
  const turns = Array.from({ length: rule.fold }, (_, k) => addTurns(rule.start, multiplyTurn(step, k)));
  turnsOfRules.set(rule, turns);
  return turns;
}

/** How many copies there are, mirrored ones counted. */
export const copyCount = (rule: TurnRule): number => rule.fold * (rule.mirror ? 2 : 1);

export const placementMap = (placement: Placement): Affine =>
  placement.mirrored ? compose(turnMap(placement.turn), MIRROR) : turnMap(placement.turn);
