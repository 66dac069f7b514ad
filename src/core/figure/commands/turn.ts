import type { Work } from '@/core/derive';
import { finding, type Finding } from '@/core/finding';
import { determinant, mapPath } from '@/core/curve';
import { closureOf, formOfPaths, pathsOfForm, plainForms } from '@/core/maker';
import { mixedPaint } from '@/core/paint';
import { turn, type Turn } from '@/core/number';
import { MOST_FOLD, sweepProblem, type TurnRule } from '@/core/symmetry';
import type { BlendMode } from '@/core/scene';
import type { NthVariation, Figure, Round, RoundWhirl, Shape, Progression, RoundId } from '../model';
import { copiesOf, type RoundCopy } from '../copies';
import { withMotif } from '../update';
import { addRound, removeRound, roundOf, withRound } from './rounds';

/** Whether copies are mirrored: not at all, each with its reflection, or every second one reflected. */
export type Mirroring = 'none' | 'halves' | 'alternate';

export const mirroringOf = ({ mirror, alternate }: TurnRule): Mirroring =>
  mirror ? 'halves' : alternate ? 'alternate' : 'none';

export const setMirroring = (figure: Figure, roundId: RoundId, how: Mirroring): Figure =>
  withRound(figure, roundId, ({ half: _, ...round }) => {
    const { alternate: __, ...rule } = round.rule;
    return {
      ...round,
      rule: { ...rule, mirror: how === 'halves', ...(how === 'alternate' && { alternate: true as const }) },
    };
  });

/** Spreads the copies over a part of the turn, or several turns; null goes back to one whole turn. */
export function setSweep(
  figure: Figure,
  roundId: RoundId,
  sweep: { readonly turn: Turn; readonly ends: boolean } | null,
): Figure {
  if (sweep && sweepProblem(sweep.turn) !== null) return figure;
  return withRound(figure, roundId, (round) => {
    const { sweep: _, ...rule } = round.rule;
    return { ...round, rule: sweep ? { ...rule, sweep } : rule };
  });
}

/** What a step from copy to copy leads to: a fold where it closes in one turn, or copies over several turns, or a gap. */
export interface StepChoice {
  readonly label: string;
  readonly fold: number;
  readonly sweep: { readonly turn: Turn; readonly ends: boolean } | null;
}

/**
 * The ways in which copies can stand a step apart: exactly the step, closing after one turn or several, or open with what is left of
 * the turn; and the nearest folds that close in one turn. None for a step of nothing, or one that needs too many copies.
 */
export function stepChoices(step: Turn): StepChoice[] {
  const closure = closureOf(step);
  if (!closure) return [];
  const { copies, rounds, fit, left } = closure;
  if (rounds === 1 && copies <= MOST_FOLD)
    return [{ label: `${copies} copies close, exactly`, fold: copies, sweep: null }];
  const choices: StepChoice[] = [];
  const size = { num: Math.abs(step.num), den: step.den };
  const over = sweepProblem(turn(rounds, 1)) === null && copies <= MOST_FOLD;
  if (over)
    choices.push({
      label: `${copies} copies close after ${rounds} turns`,
      fold: copies,
      sweep: { turn: turn(rounds, 1), ends: false },
    });
  if (fit >= 1 && fit <= MOST_FOLD)
    choices.push({
      label: `${fit} copies leave a gap of ${Number(left.toPrecision(6))}°`,
      fold: fit,
      sweep: { turn: turn(size.num * fit, size.den), ends: false },
    });
  for (const fold of new Set([fit, fit + 1]))
    if (fold >= 1 && fold <= MOST_FOLD && rounds !== 1)
      choices.push({
        label: `${fold} close in one turn, ${Number((360 / fold).toPrecision(6))}° each`,
        fold,
        sweep: null,
      });
  return choices;
}

/** Takes one of the ways that a step can be kept, or come near to. */
export const takeStep = (figure: Figure, roundId: RoundId, { fold, sweep }: StepChoice): Figure =>
  setSweep(
    withRound(figure, roundId, (round) => ({ ...round, rule: { ...round.rule, fold } })),
    roundId,
    sweep,
  );

type Changes = Pick<Round, 'variation' | 'progression' | 'whirl' | 'blend' | 'opacity' | 'motif' | 'omitted'>;

/** Sets some of what a round may have, or takes it away where it is undefined. */
const withOption = <K extends keyof Changes>(
  figure: Figure,
  roundId: RoundId,
  key: K,
  value: Changes[K] | undefined,
): Figure =>
  withRound(figure, roundId, (round) => {
    const { [key]: _, ...rest } = round;
    return value === undefined ? (rest as Round) : { ...round, [key]: value };
  });

export const START_VARIATION: NthVariation = { nth: 2, halfStep: false, out: 0, size: 0.7, tint: null };
export const START_PROGRESSION: Progression = {
  out: 0,
  size: 0.4,
  twist: 0,
  fade: 1,
  tint: null,
  ease: 'even',
};

export const setVariation = (figure: Figure, roundId: RoundId, variation: NthVariation | null): Figure =>
  withOption(figure, roundId, 'variation', variation ?? undefined);

export const setProgression = (figure: Figure, roundId: RoundId, progression: Progression | null): Figure =>
  withOption(figure, roundId, 'progression', progression ?? undefined);

export const START_WHIRL: RoundWhirl = { angle: turn(1, 36), factor: 0.85, count: 6 };

export const setRoundWhirl = (figure: Figure, roundId: RoundId, whirl: RoundWhirl | null): Figure =>
  withOption(figure, roundId, 'whirl', whirl ?? undefined);

export const setBlend = (figure: Figure, roundId: RoundId, blend: BlendMode): Figure =>
  withOption(figure, roundId, 'blend', blend === 'normal' ? undefined : blend);

export const setOpacity = (figure: Figure, roundId: RoundId, opacity: number): Figure =>
  withOption(figure, roundId, 'opacity', opacity >= 1 ? undefined : Math.max(0, opacity));

/** The rounds that share their motif with one. */
export const linkedRounds = (figure: Figure, { id, motif }: Round): Round[] =>
  motif === undefined ? [] : figure.rounds.filter((round) => round.motif === motif && round.id !== id);

/** Why one round cannot have the motif of another, or null where it can. */
export const linkProblem = (roundId: RoundId, otherId: RoundId): Finding | null =>
  roundId === otherId ? finding('link.itself') : null;

/** Gives a round the motif of another: from then on a change to one is a change to both. */
export function linkRound(figure: Figure, roundId: RoundId, otherId: RoundId, newMotif: string): Figure {
  if (linkProblem(roundId, otherId) !== null) return figure;
  const other = roundOf(figure, otherId);
  const motif = other.motif ?? newMotif;
  const named = withRound(figure, otherId, (round) => ({ ...round, motif }));
  return withRound(named, roundId, (round) => withMotif({ ...round, motif }, other));
}

/** Lets a round have its motif for itself; what shares a motif with nothing else is no longer linked. */
export function unlinkRound(figure: Figure, roundId: RoundId): Figure {
  const round = roundOf(figure, roundId);
  const others = linkedRounds(figure, round);
  const alone = withOption(figure, roundId, 'motif', undefined);
  const [last, another] = others;
  return last && !another ? withOption(alone, last.id, 'motif', undefined) : alone;
}

/** A shape as it is on a copy that differs from the motif: there it is plain paths, in the copy's colours. */
function asOnCopy(shape: Shape, { transform, tint }: RoundCopy, newId: () => string, work: Work): Shape[] {
  const tinted = tint ? mixedPaint(shape.paint, tint.colour, tint.share) : shape.paint;
  if (!transform) return [{ ...shape, id: newId(), paint: tinted }];
  const scale = Math.sqrt(Math.abs(determinant(transform)));
  const stroke = tinted.stroke && { ...tinted.stroke, width: tinted.stroke.width * scale };
  return plainForms(shape.form, work).map((form) => ({
    ...shape,
    id: newId(),
    paint: { ...tinted, stroke },
    form: formOfPaths(pathsOfForm(form, work).map((path) => mapPath(path, transform))),
  }));
}

/**
 * Sets one copy of a round free: it is left out there and becomes a round of its own in front, to be drawn as it likes.
 * The figure as it is where there is no such copy.
 */
export function freeCopy(
  figure: Figure,
  roundId: RoundId,
  index: number,
  newId: () => string,
  work: Work,
): Figure {
  const round = roundOf(figure, roundId);
  const copy =
    index < round.rule.fold ? copiesOf(round, work).find((each) => each.index === index) : undefined;
  if (!copy) return figure;
  const {
    variation: _,
    progression: __,
    motif: ___,
    half: ____,
    omitted: _____,
    detachedFrom: ______,
    whirl: _______,
    ...rest
  } = round;
  const own: Round = {
    ...rest,
    id: newId(),
    name: `${round.name}, copy ${index + 1}`.slice(-120),
    rule: { fold: 1, mirror: round.rule.mirror, start: copy.turn },
    shapes: round.shapes.flatMap((shape) => asOnCopy(shape, copy, newId, work)),
    ...(copy.opacity < 1 && { opacity: (round.opacity ?? 1) * copy.opacity }),
    merge: null,
    detachedFrom: { roundId, index },
  };
  const left = withOption(
    figure,
    roundId,
    'omitted',
    [...(round.omitted ?? []), index].sort((a, b) => a - b),
  );
  return addRound(left, own, roundId);
}

/** Takes a free copy back: it is a copy again like the others. */
export function takeCopyBack(figure: Figure, freeRoundId: string): Figure {
  const { detachedFrom } = roundOf(figure, freeRoundId);
  if (!detachedFrom) return figure;
  const left = removeRound(figure, freeRoundId);
  const home = left.rounds.find(({ id }) => id === detachedFrom.roundId);
  if (!home) return figure;
  const omitted = (home.omitted ?? []).filter((index) => index !== detachedFrom.index);
  return withOption(left, home.id, 'omitted', omitted.length > 0 ? omitted : undefined);
}
