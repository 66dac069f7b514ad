import { applyTo } from '@/core/curve';
import { check, found, MOST_PLACES, type Place, type ProofFinding } from '../check';
import type { Round } from '@/core/figure';
import type { Subject } from '../subject';

/** A place in an area is told as this share of the page at most. */
const SPOT = 1 / 60;

/** Where areas of a round are filled, all copies of them, each place once. */
function filledPlaces(subject: Subject, round: Round): Place[] {
  const places = new Map<string, Place>();
  // As large as what shows that it is filled; a mark round all of it would hide what a mend comes to.
  const most = subject.figure.page.width * SPOT;
  for (const { layer, item, flat, map } of subject.picture.pieces) {
    if (layer.roundId !== round.id || item.paint.fill === null) continue;
    const shapeIds = item.origin.of === 'shape' ? [item.origin.shapeId] : [];
    for (const at of subject.copies(applyTo(map, flat.middle)))
      places.set([at.x, at.y, flat.radius].map((each) => each.toFixed(3)).join(' '), {
        at,
        size: Math.min(flat.radius, most),
        roundId: round.id,
        shapeIds,
      });
  }
  return [...places.values()];
}

/** What a tool that follows single lines cannot do: fill an area. */
export const areas = check({
  id: 'areas',
  title: 'Areas where lines are asked',
  group: 'Cutting',
  limits: [],
  find: (subject) =>
    subject.rounds.flatMap((round): ProofFinding[] => {
      const where = filledPlaces(subject, round);
      if (where.length === 0) return [];
      const canBeLines = round.shapes.every(({ form }) => form.kind !== 'drawing');
      return [
        found('areas', {
          severity: 'error',
          title: `${round.name} has areas`,
          sentence:
            'The tool goes along lines: of an area it would follow the outline, and leave the colour in it out.',
          where: where.slice(0, MOST_PLACES),
          count: where.length,
          mends: canBeLines ? [{ label: 'Draw their outlines', command: 'outlines', args: [round.id] }] : [],
        }),
      ];
    }),
});
