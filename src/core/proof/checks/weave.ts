import { applyTo, type Point, turnMap } from '@/core/curve';
import { check, found, shown, type ProofFinding } from '../check';
import type { Round } from '@/core/figure';
import type { Subject } from '../subject';

/** A point of a merge's frame in the figure. */
const inFigure = ({ rule }: Round, p: Point): Point => applyTo(turnMap(rule.start), p);

function crossingsOf(subject: Subject, round: Round) {
  const weave = round.merge?.op === 'weave' ? subject.merge(round.id)?.weave : undefined;
  return weave ?? null;
}

/** Bands that pass over twice in a row, or under. */
export const alternation = check({
  id: 'alternation',
  title: 'Crossings that do not alternate',
  group: 'Weave',
  limits: [],
  find: (subject) =>
    subject.rounds.flatMap((round): ProofFinding[] => {
      const weave = crossingsOf(subject, round);
      const wrong = weave?.crossings.filter(({ alternates, isShallow }) => !alternates && !isShallow) ?? [];
      if (wrong.length === 0) return [];
      const isSwapped = (round.merge?.weave?.swapped.length ?? 0) > 0;
      return [
        found('alternation', {
          severity: 'warning',
          title: `${round.name} does not alternate`,
          sentence: isSwapped
            ? 'A band passes over twice in a row, or under, where crossings were changed by hand.'
            : 'A band passes over twice in a row, or under: these lines cannot alternate everywhere.',
          where: wrong.map(({ at }) => ({
            at: inFigure(round, at),
            size: subject.figure.page.width / 50,
            roundId: round.id,
          })),
          mends: isSwapped ? [{ label: 'Let all alternate', command: 'alternate', args: [round.id] }] : [],
        }),
      ];
    }),
});

/** Woven bands that leave too little between what passes over and what passes under. */
export const bandsTouch = check({
  id: 'bandsTouch',
  title: 'Bands that touch',
  group: 'Weave',
  limits: [{ key: 'gap', label: 'At least', unit: 'length', start: 0.25, least: 0.01, most: 20 }],
  find: (subject, { gap }) =>
    subject.rounds.flatMap((round): ProofFinding[] => {
      const weave = crossingsOf(subject, round);
      const own = round.merge?.weave?.gap ?? 0;
      const least = gap * subject.mm;
      if (!weave || weave.crossings.length === 0 || own >= least * (1 - 1e-9)) return [];
      return [
        found('bandsTouch', {
          severity: 'warning',
          title: `Bands of ${round.name} hardly part`,
          sentence: `What passes under stays ${shown(own / subject.mm)} mm away from what passes over; at least ${shown(gap)} mm is asked.`,
          where: weave.crossings.map(({ at }) => ({
            at: inFigure(round, at),
            size: subject.figure.page.width / 50,
            roundId: round.id,
          })),
          mends: [{ label: `Leave ${shown(gap)} mm`, command: 'weaveGap', args: [round.id, least] }],
        }),
      ];
    }),
});
