import { fromPolar } from '@/core/curve';
import { reachOfMotif } from '@/core/figure';
import { degreesOf } from '@/core/number';
import { stepOf } from '@/core/symmetry';
import { check, found, type ProofFinding } from '../check';
import { isStacked } from '../stacking';

/** Copies that overlap in several colours, each over the one before: the last lies over the first, and one sees where it begins. */
export const stacked = check({
  id: 'stacked',
  title: 'The last copy over the first',
  group: 'Symmetry',
  limits: [],
  find: ({ rounds, scene, figure, work }) =>
    rounds.flatMap((round): ProofFinding[] => {
      const layers = scene.layers.filter(({ roundId }) => roundId === round.id);
      if (round.rule.fold < 2 || round.rule.sweep || !layers.some(isStacked)) return [];
      const reach = reachOfMotif(round, work)?.outer ?? figure.page.width / 4;
      const before = degreesOf(round.rule.start) - degreesOf(stepOf(round.rule)) / 2;
      return [
        found('stacked', {
          severity: 'note',
          title: `${round.name} begins and ends`,
          sentence:
            'Each copy lies over the one before it, and the last one over the first: the round is not the same all the way. Merged or divided into cells it is.',
          where: [{ at: fromPolar(0.7 * reach, before), size: reach / 6, roundId: round.id }],
        }),
      ];
    }),
});
