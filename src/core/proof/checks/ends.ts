import { type Contour, distance, pathsOfContours, type Point } from '@/core/curve';
import { check, found, shown, type ProofFinding } from '../check';
import { placesInRound } from '../motifPlaces';
import type { Shape } from '@/core/figure';

interface OpenEnds {
  readonly contours: readonly Contour[];
  /** Nodes of the open contours, counted through all of the shape. */
  readonly nodes: readonly number[];
  readonly starts: readonly Point[];
  /** How far the ends of the contour that is closest to closed are apart. */
  readonly apart: number;
}

/** The open contours of a path; null where it has none. */
function openEnds({ form }: Shape): OpenEnds | null {
  if (form.kind !== 'path') return null;
  const [nodes, starts]: [number[], Point[]] = [[], []];
  let apart = Infinity;
  let before = 0;
  for (const contour of form.contours) {
    const [first] = contour.nodes;
    const last = contour.nodes[contour.nodes.length - 1];
    if (!contour.closed && first && last && contour.nodes.length > 2) {
      nodes.push(before);
      starts.push(first);
      apart = Math.min(apart, distance(first, last));
    }
    before += contour.nodes.length;
  }
  return nodes.length > 0 ? { contours: form.contours, nodes, starts, apart } : null;
}

/** Filled shapes whose outline is open: filled as if closed, cut and stroked as open. */
export const openFilled = check({
  id: 'openFilled',
  title: 'Open paths in filled shapes',
  group: 'Geometry',
  limits: [],
  find: (subject) =>
    subject.rounds.flatMap((round) =>
      round.shapes.flatMap((shape): ProofFinding[] => {
        const open = shape.visible && shape.paint.fill !== null ? openEnds(shape) : null;
        if (!open) return [];
        return [
          found('openFilled', {
            severity: 'error',
            title: `${shape.name} is filled and open`,
            sentence: 'It is filled as if it were closed; a cutter and a stroke leave its last side out.',
            where: placesInRound(subject, round, open.starts, [shape.id]),
            mends: [{ label: 'Close it', command: 'close', args: [round.id, shape.id, open.nodes] }],
          }),
        ];
      }),
    ),
});

/** Ends of lines that nearly meet: meant to be one. */
export const nearEnds = check({
  id: 'nearEnds',
  title: 'Ends that nearly meet',
  group: 'Geometry',
  limits: [{ key: 'apart', label: 'Nearer than', unit: 'length', start: 0.1, least: 0.0001, most: 10 }],
  find: (subject, { apart }) =>
    subject.rounds.flatMap((round) =>
      round.shapes.flatMap((shape): ProofFinding[] => {
        const { form } = shape;
        if (!shape.visible || form.kind !== 'path') return [];
        const near = pairsOfEnds(form.contours, apart * subject.mm);
        const [first] = near;
        if (!first) return [];
        return [
          found('nearEnds', {
            severity: 'warning',
            title: `Ends of ${shape.name} nearly meet`,
            sentence: `They are ${shown(first.apart / subject.mm)} mm apart. Joined they are one line.`,
            where: placesInRound(
              subject,
              round,
              near.map(({ at }) => at),
              [shape.id],
            ),
            mends: [
              {
                label: 'Join them',
                command: 'tidy',
                args: [round.id, [shape.id], 1.01 * Math.max(...near.map((each) => each.apart))],
              },
            ],
          }),
        ];
      }),
    ),
});

/** Ends of open contours that are nearer to one another than a width, of one contour or of two. */
function pairsOfEnds(contours: readonly Contour[], width: number): { at: Point; apart: number }[] {
  const ends = pathsOfContours(contours).flatMap(({ closed, segments }, of) => {
    const [first, last] = [segments[0], segments[segments.length - 1]];
    if (closed || !first || !last || segments.length < 2) return [];
    return [
      { at: first.from, of },
      { at: last.to, of },
    ];
  });
  return ends.flatMap((one, k) =>
    ends.slice(k + 1).flatMap((other) => {
      const apart = distance(one.at, other.at);
      return apart <= width ? [{ at: one.at, apart }] : [];
    }),
  );
}
