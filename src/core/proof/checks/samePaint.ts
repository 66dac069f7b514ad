import { neighbourOf, placesOfCopies, sizeOfArea } from '../cellPlaces';
import { check, found, type ProofFinding } from '../check';
import { isGradient, nameOfPaint } from '@/core/paint';

/** Cells side by side that no border and no colour tells apart. */
export const samePaint = check({
  id: 'samePaint',
  title: 'Neighbours with the same paint',
  group: 'Colour',
  limits: [],
  find: (subject) =>
    subject.cells.flatMap((cells) =>
      cells.groups.flatMap((group): ProofFinding[] => {
        const paints = cells.paints(group);
        const [paint] = paints;
        const [copy] = group.copies;
        if (!paint?.fill || !copy || paint.stroke || isGradient(paint.fill)) return [];
        const other = neighbourOf(subject, cells, group, copy);
        if (!other) return [];
        const there = cells.paints(other.group)[other.group.copies.indexOf(other.copy)];
        // Of two kinds that lie so one tells it: the one that is farther in.
        const isTold =
          other.group !== group && cells.groups.indexOf(other.group) < cells.groups.indexOf(group);
        if (!there || isTold || nameOfPaint(there) !== nameOfPaint(paint)) return [];
        return [
          found('samePaint', {
            severity: 'note',
            title: `Neighbours with the same paint in ${cells.round.name}`,
            sentence: 'No one sees the border between them. Fused they are one shape, with fewer nodes.',
            where: placesOfCopies(cells, group, group.copies, sizeOfArea(group.area)),
            mends: [
              {
                label: 'Fuse them',
                command: 'fuse',
                args: [cells.round.id, [...copy.refs, ...other.copy.refs]],
              },
            ],
          }),
        ];
      }),
    ),
});
