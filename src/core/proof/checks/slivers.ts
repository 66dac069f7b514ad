import { neighbourOf, placesOfCopies, sizeOfArea } from '../cellPlaces';
import { check, found, shown, type ProofFinding } from '../check';
import type { RoundCells } from '../cellGroups';
import type { Subject } from '../subject';

function inRound(subject: Subject, cells: RoundCells, least: number): ProofFinding[] {
  return cells.groups.flatMap((group): ProofFinding[] => {
    const paints = cells.paints(group);
    const drawn = group.copies.filter((_, k) => paints[k]?.fill);
    const [first] = drawn;
    if (!first || group.area >= least) return [];
    const other = neighbourOf(subject, cells, group, first);
    const area = shown(group.area / subject.mm ** 2);
    return [
      found('slivers', {
        severity: 'warning',
        title: `Slivers in ${cells.round.name}`,
        sentence: `Cells of ${area} mm² each.${other ? ' Fused with the neighbour they vanish.' : ''}`,
        where: placesOfCopies(cells, group, drawn, sizeOfArea(group.area)),
        mends: other
          ? [
              {
                label: 'Fuse with the neighbour',
                command: 'fuse',
                args: [cells.round.id, [...first.refs, ...other.copy.refs]],
              },
            ]
          : [],
      }),
    ];
  });
}

/** Cells so small that no one sees, prints or cuts them. */
export const slivers = check({
  id: 'slivers',
  title: 'Slivers',
  group: 'Geometry',
  limits: [{ key: 'area', label: 'At least', unit: 'area', start: 0.1, least: 0.0001, most: 10_000 }],
  find: (subject, { area }) =>
    subject.cells.flatMap((cells) => inRound(subject, cells, area * subject.mm ** 2)),
});
