/**
 * Changing a figure so that what must hold of its rounds goes on holding: rounds that share a motif have the same one, every group has a
 * shape in it, and constructions follow the shapes that they are made of.
 *
 * @example
 * const wider = withRound(figure, 'petals', (round) => ({ ...round, rule: { ...round.rule, fold: 12 } }));
 */
import { usedGroups, withShapesAndGroups, type Motif } from './groups';
import { withInputsInStep } from './inputs';
import type { Figure, Round, RoundId } from './model';

/** The round with this id. @throws RangeError where the figure has none */
export function roundOf(figure: Figure, roundId: RoundId): Round {
  const round = figure.rounds.find(({ id }) => id === roundId);
  if (!round) throw new RangeError('This round is no longer in the figure.');
  return round;
}

/** A round with another's motif. */
export function withMotif(round: Round, { shapes, groups }: Motif): Round {
  if (round.shapes === shapes && round.groups === groups) return round;
  const { groups: _, ...rest } = round;
  return { ...rest, shapes, ...(groups && { groups }) };
}

/** A round without groups that nothing lies in any more. */
function withUsedGroups(round: Round): Round {
  const { shapes, groups } = round;
  if (!groups) return round;
  return usedGroups(groups, shapes) === groups ? round : withShapesAndGroups(round, shapes, groups);
}

/** The figure with one round put in place of its former self; rounds that share its motif get it too. */
export function withRound(figure: Figure, roundId: RoundId, change: (round: Round) => Round): Figure {
  const before = figure.rounds.find(({ id }) => id === roundId);
  if (!before) return figure;
  const after = withInputsInStep(before, withUsedGroups(change(before)));
  if (after === before) return figure;
  return {
    ...figure,
    rounds: figure.rounds.map((round) => {
      if (round === before) return after;
      return after.motif !== undefined && round.motif === after.motif ? withMotif(round, after) : round;
    }),
  };
}

/** The figure with every round changed; a motif that rounds share is changed once, as that of the first of them. */
export function withRounds(figure: Figure, change: (round: Round) => Round): Figure {
  const shared = new Map<string, Motif>();
  const rounds = figure.rounds.map((round) => {
    const after = withInputsInStep(round, withUsedGroups(change(round)));
    if (after.motif === undefined) return after;
    const motif = shared.get(after.motif) ?? after;
    shared.set(after.motif, motif);
    return withMotif(after, motif);
  });
  return { ...figure, rounds };
}
