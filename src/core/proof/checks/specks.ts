import { type Contour, pathsOfContours, signedArea } from '@/core/curve';
import { check, found, shown, type ProofFinding } from '../check';
import { placesInRound } from '../motifPlaces';

const areaOf = (contour: Contour): number => Math.abs(signedArea(pathsOfContours([contour])));

/** True for a closed contour that encloses less than an area. */
export const isSpeck = (contour: Contour, area: number): boolean => contour.closed && areaOf(contour) < area;

/** Holes and islands of filled shapes that are so small that they fill up, or drop out. */
export const specks = check({
  id: 'specks',
  title: 'Specks and pinholes',
  group: 'Geometry',
  limits: [{ key: 'area', label: 'At least', unit: 'area', start: 0.05, least: 0.0001, most: 10_000 }],
  find: (subject, { area }) =>
    subject.rounds.flatMap((round) =>
      round.shapes.flatMap((shape): ProofFinding[] => {
        if (!shape.visible || shape.paint.fill === null || shape.form.kind !== 'path') return [];
        const least = area * subject.mm ** 2;
        const small = shape.form.contours.filter((contour) => isSpeck(contour, least));
        const [first] = small;
        if (!first) return [];
        return [
          found('specks', {
            severity: 'warning',
            title: `Specks in ${shape.name}`,
            sentence: `Outlines of ${shown(areaOf(first) / subject.mm ** 2)} mm²: they fill up or drop out.`,
            where: placesInRound(
              subject,
              round,
              small.flatMap(({ nodes }) => nodes.slice(0, 1)),
              [shape.id],
            ),
            mends: [{ label: 'Take them away', command: 'specks', args: [round.id, shape.id, least] }],
          }),
        ];
      }),
    ),
});
