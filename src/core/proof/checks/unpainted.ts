import { placesOfCopies, sizeOfArea } from '../cellPlaces';
import { check, found, type ProofFinding } from '../check';
import type { RoundCells } from '../cellGroups';
import type { Paint } from '@/core/scene';

const isBare = (paint: Paint | null | undefined): boolean =>
  paint !== null && paint !== undefined && paint.fill === null && paint.stroke === null;

/** The paint that most cells of a round have. */
function usualPaint({ groups, paints, merge }: RoundCells): Paint {
  const counts = new Map<string, { paint: Paint; count: number }>();
  for (const group of groups)
    for (const paint of paints(group)) {
      if (!paint?.fill) continue;
      const name = JSON.stringify(paint);
      counts.set(name, { paint, count: (counts.get(name)?.count ?? 0) + 1 });
    }
  const [most] = [...counts.values()].sort((a, b) => b.count - a.count);
  return most?.paint ?? merge.paint;
}

/** Cells that lie among painted ones and have no paint: the page shows through. */
export const unpainted = check({
  id: 'unpainted',
  title: 'Cells without paint',
  group: 'Colour',
  limits: [],
  find: ({ cells }) =>
    cells.flatMap((round) =>
      round.groups.flatMap((group): ProofFinding[] => {
        const paints = round.paints(group);
        const bare = group.copies.filter((_, k) => isBare(paints[k]));
        if (bare.length === 0) return [];
        const refs = bare.flatMap(({ refs: own }) => own);
        return [
          found('unpainted', {
            severity: 'note',
            title: `Cells without paint in ${round.round.name}`,
            sentence: 'What lies below shows through. They can be painted as most others are, or be removed.',
            where: placesOfCopies(round, group, bare, sizeOfArea(group.area)),
            count: bare.length,
            mends: [
              { label: 'Paint them', command: 'paintCells', args: [round.round.id, refs, usualPaint(round)] },
              { label: 'Remove them', command: 'removeCells', args: [round.round.id, refs] },
            ],
          }),
        ];
      }),
    ),
});
