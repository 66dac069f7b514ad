import { boundsOfSegment, crossingsOf, distance, monotoneParts, type Path, type Point } from '@/core/curve';
import { pathsOfForm } from '@/core/maker';
import { remembered } from '../../remembered';
import { check, found, type ProofFinding } from '../check';
import { placesInRound } from '../motifPlaces';

/** Paths of more pieces than this are not looked at: all pairs of them are compared. */
const MOST_PIECES = 1500;

/** Where a path crosses itself, its corners left out. */
const ownCrossings = remembered((path: Path): readonly Point[] => {
  const parts = path.segments.flatMap(monotoneParts).map((part) => ({ part, box: boundsOfSegment(part) }));
  if (parts.length > MOST_PIECES) return [];
  const size = parts.reduce((most, { box }) => Math.max(most, box.right - box.left, box.bottom - box.top), 0);
  const found: Point[] = [];
  parts.forEach((one, k) => {
    parts.slice(k + 1).forEach((other) => {
      const isApart =
        one.box.left > other.box.right ||
        other.box.left > one.box.right ||
        one.box.top > other.box.bottom ||
        other.box.top > one.box.bottom;
      if (isApart) return;
      for (const { point, touching } of crossingsOf(one.part, other.part)) {
        const ends = [one.part.from, one.part.to, other.part.from, other.part.to];
        const isEnd = ends.filter((end) => distance(end, point) < 1e-6 * size).length > 1;
        if (!touching && !isEnd && !found.some((known) => distance(known, point) < 1e-6 * size))
          found.push(point);
      }
    });
  });
  return found;
});

/** Outlines that cross themselves: what is inside depends on a rule, and a cutter cuts loose bits. */
export const selfCrossing = check({
  id: 'selfCrossing',
  title: 'Outlines that cross themselves',
  group: 'Geometry',
  limits: [],
  find: (subject) =>
    subject.rounds
      .filter(({ merge }) => merge === null)
      .flatMap((round) =>
        round.shapes.flatMap((shape): ProofFinding[] => {
          if (!shape.visible || shape.paint.fill === null || shape.form.kind === 'drawing') return [];
          const points = pathsOfForm(shape.form, subject.work)
            .filter(({ closed }) => closed)
            .flatMap(ownCrossings);
          if (points.length === 0) return [];
          return [
            found('selfCrossing', {
              severity: 'warning',
              title: `${shape.name} crosses itself`,
              sentence:
                'What is inside depends on the fill rule, and a cutter cuts through it. United, its outline goes round it once.',
              where: placesInRound(subject, round, points, [shape.id]),
              mends: [{ label: 'Unite the outline', command: 'unite', args: [round.id, shape.id] }],
            }),
          ];
        }),
      ),
});
