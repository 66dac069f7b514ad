import {
  type Affine,
  compose,
  IDENTITY,
  isIdentity,
  MIRROR,
  moveMap,
  ORIGIN,
  type Point,
  scaleMap,
} from '@/core/curve';
import { addTurns, equalTurns, multiplyTurn, negateTurn, turn, type Turn, wrapTurn } from '@/core/number';
import type { Colour } from '@/core/scene';
import { placementMap, type Reach, stepOf, timesRound, type TurnRule, turnsOf } from '@/core/symmetry';
import type { Ease, Round } from './model';
import { reachOfMotif } from './reach';
import { rememberedWith, type Work } from '@/core/derive';
import { remembered } from '../remembered';

/** One copy of a round's motif: where it stands, and how it differs. */
export interface RoundCopy {
  /** Its place in the row of copies, 0 first. */
  readonly index: number;
  readonly turn: Turn;
  /** From the upright motif to the upright copy, before it is turned about the centre; null where it is the motif. */
  readonly transform: Affine | null;
  readonly opacity: number;
  readonly tint: { readonly colour: Colour; readonly share: number } | null;
}

/** How far a way has gone at a share of its length: evenly, slowly at first, slowly at last, or both. */
export function eased(share: number, ease: Ease): number {
  switch (ease) {
    case 'even':
      return share;
    case 'in':
      return share * share;
    case 'out':
      return 1 - (1 - share) ** 2;
    case 'both':
      return share * share * (3 - 2 * share);
  }
}

/** Turned clockwise by degrees, scaled, and moved outward, about a point of the axis. */
function shiftMap(middle: Point, out: number, size: number, degrees: number): Affine {
  const radians = (degrees * Math.PI) / 180;
  const [cos, sin] = [Math.cos(radians), Math.sin(radians)];
  const turned: Affine = { a: cos, b: sin, c: -sin, d: cos, e: 0, f: 0 };
  const about = compose(moveMap(middle), compose(turned, moveMap({ x: -middle.x, y: -middle.y })));
  return compose(moveMap({ x: 0, y: -out }), compose(about, scaleMap(size, middle)));
}

type CopyRule = Pick<Round, 'rule' | 'variation' | 'progression' | 'omitted'>;

/** @param reach of the motif, where copies differ by it */
function makeCopies(round: CopyRule, reach: Reach | null): readonly RoundCopy[] {
  const { rule, variation, progression } = round;
  const gone = new Set(round.omitted ?? []);
  const turns = turnsOf(rule);
  const middle = { x: 0, y: reach ? -(reach.inner + reach.outer) / 2 : 0 };
  const last = Math.max(1, turns.length - 1);
  return turns.flatMap((t, index): RoundCopy[] => {
    if (gone.has(index)) return [];
    let transform = IDENTITY;
    let tint: RoundCopy['tint'] = null;
    let opacity = 1;
    let own = t;
    if (progression) {
      const share = eased(index / last, progression.ease);
      transform = shiftMap(
        middle,
        progression.out * share,
        1 + (progression.size - 1) * share,
        progression.twist * share,
      );
      opacity = 1 + (progression.fade - 1) * share;
      if (progression.tint) tint = { colour: progression.tint, share };
    }
    if (variation && index % variation.nth === variation.nth - 1) {
      transform = compose(transform, shiftMap(middle, variation.out, variation.size, 0));
      if (variation.tint) tint = { colour: variation.tint, share: 0.5 };
      if (variation.halfStep) own = addTurns(own, turn(1, 2 * rule.fold));
    }
    if (rule.alternate && index % 2 === 1) transform = compose(transform, MIRROR);
    return [{ index, turn: own, transform: isIdentity(transform) ? null : transform, opacity, tint }];
  });
}

/**
 * The copies with those of a whirl: each level is the one before it, scaled about the centre and turned. Scaling and turning about
 * one point may come in either order, so that a level is a shift before the turn. Levels are counted on after the fold.
 */
function whirled(copies: readonly RoundCopy[], { rule, whirl }: Round): readonly RoundCopy[] {
  if (!whirl) return copies;
  const levels = Array.from({ length: whirl.count - 1 }, (_, k) => k + 1);
  return [
    ...copies,
    ...levels.flatMap((level) =>
      copies.map((copy) => ({
        ...copy,
        index: copy.index + level * rule.fold,
        turn: addTurns(copy.turn, multiplyTurn(whirl.angle, level)),
        transform: compose(scaleMap(whirl.factor ** level, ORIGIN), copy.transform ?? IDENTITY),
      })),
    ),
  ];
}

/**
 * From the upright motif to each copy, its reflection behind it, in the order in which they are drawn, as they stand with a direction
 * turned straight up.
 * @param up that direction; a round's first copy stands upright with the round's start
 */
export const copyMaps = (round: Round, up: Turn, work: Work): Affine[] =>
  copiesOf(round, work).flatMap(({ turn: own, transform }) =>
    (round.rule.mirror ? [true, false] : [false]).map((mirrored) =>
      placementMap({ turn: addTurns(own, negateTurn(up)), transform, mirrored }),
    ),
  );

/** Where a copy of a round stands once the round is another: the copy of the same place in the row, or the last that there is. */
export function followedTurn(before: Round, after: Round, at: Turn, work: Work): Turn {
  const own = wrapTurn(at);
  const index = copiesOf(before, work).find(({ turn }) => equalTurns(wrapTurn(turn), own))?.index ?? 0;
  const copies = copiesOf(after, work);
  const copy = copies.find((each) => each.index === index) ?? copies[copies.length - 1];
  return wrapTurn(copy?.turn ?? after.rule.start);
}

const copiesOfRule = remembered((rule: TurnRule) => makeCopies({ rule }, null));

/** The copies of a round, first to last; the same list as long as the round is, or the rule by which alone they go. */
export const copiesOf = rememberedWith((round: Round, work): readonly RoundCopy[] => {
  const { rule, variation, progression, omitted, whirl } = round;
  const differ = Boolean(variation || progression);
  if (!differ && !omitted && !whirl) return copiesOfRule(rule);
  return whirled(makeCopies(round, differ ? reachOfMotif(round, work) : null), round);
});

/**
 * How many times the same stretch of copies fills the turn: the fold of the symmetry that the copies have together. Every second
 * copy different leaves half of the fold, a way, a sweep or a copy left out leaves none.
 */
export function symmetryOf({ rule, variation, progression, omitted }: Round): number {
  if (progression || rule.sweep || (omitted?.length ?? 0) > 0) return 1;
  const period = variation && variation.nth > 1 ? variation.nth : 1;
  const both = rule.alternate ? (period % 2 === 0 ? period : 2 * period) : period;
  return rule.fold % both === 0 ? rule.fold / both : 1;
}

/** The fold of what is seen: that of the copies together, also where those of a sweep stand in all of so many even directions. */
export function seenFold(round: Round): number {
  const { rule, progression, omitted } = round;
  const isEven =
    rule.sweep && Number.isInteger(timesRound(rule)) && stepOf(rule).den === rule.fold && !progression;
  return isEven && !omitted?.length ? rule.fold : symmetryOf(round);
}
