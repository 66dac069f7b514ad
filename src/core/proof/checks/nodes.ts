import { nodesOfContours, type Point, tidied } from '@/core/curve';
import { check, found, type ProofFinding } from '../check';
import { placesInRound } from '../motifPlaces';

/** Nodes nearer than this share of the page's width are one. */
const ONE_PLACE = 1e-6;

const spot = ({ x, y }: Point): string => `${x.toFixed(6)} ${y.toFixed(6)}`;

/** Nodes that change nothing: on one another, or on a line, an arc or a curve that goes on. */
export const needlessNodes = check({
  id: 'needlessNodes',
  title: 'Nodes that change nothing',
  group: 'Geometry',
  limits: [],
  find: (subject) =>
    subject.rounds.flatMap((round) =>
      round.shapes.flatMap((shape): ProofFinding[] => {
        if (shape.form.kind !== 'path') return [];
        const { contours } = shape.form;
        const width = ONE_PLACE * subject.figure.page.width;
        const { report, contours: clean } = tidied(contours, width);
        const count = report.doubled + report.needless;
        if (count === 0) return [];
        const left = new Set(nodesOfContours(clean).map(spot));
        const gone = nodesOfContours(contours).filter((node) => !left.has(spot(node)));
        const at = gone.length > 0 ? gone : nodesOfContours(contours).slice(0, 1);
        return [
          found('needlessNodes', {
            severity: 'note',
            title: `${count === 1 ? 'A node changes' : `${count} nodes change`} nothing in ${shape.name}`,
            sentence: 'Without them the form is the same, and easier to edit.',
            where: placesInRound(subject, round, at, [shape.id]),
            count: count * round.rule.fold * (round.rule.mirror ? 2 : 1),
            mends: [{ label: 'Tidy', command: 'tidy', args: [round.id, [shape.id], width] }],
          }),
        ];
      }),
    ),
});
