import { applyTo, type Point, pointAt, samePath } from '@/core/curve';
import { check, found, MOST_PLACES, type ProofFinding } from '../check';
import { withLinesOnce } from '../linesOnce';
import { placesInRound } from '../motifPlaces';
import { pathsOfForm } from '@/core/maker';
import type { Round, Shape, RoundId } from '@/core/figure';
import type { Subject } from '../subject';

/** Lines nearer than this share of the page's width are one. */
const ONE_LINE = 1e-6;

/** Shapes that lie exactly on another one in front of them, in their round. */
export function doubledShapes(subject: Subject, round: Round): Shape[] {
  const tolerance = ONE_LINE * subject.figure.page.width;
  const seen = round.shapes.filter(({ visible, form }) => visible && form.kind !== 'drawing');
  const paths = new Map(seen.map((shape) => [shape, pathsOfForm(shape.form, subject.work)]));
  return seen.filter((shape, k) =>
    seen.slice(k + 1).some((other) => {
      const [a, b] = [paths.get(shape) ?? [], paths.get(other) ?? []];
      const isSame =
        a.length > 0 &&
        a.length === b.length &&
        a.every((path, j) => b[j] && samePath(path, b[j], tolerance));
      return isSame && (shape.paint.fill === null || other.paint.fill !== null);
    }),
  );
}

const spot = ({ x, y }: Point, near: number): string => `${Math.round(x / near)} ${Math.round(y / near)}`;

/** Places at which strokes of different rounds, or of copies, run along the same line. */
function doubledStrokes({ picture, figure }: Subject): Map<string, Point[]> {
  const near = 10 * ONE_LINE * figure.page.width;
  const lines = new Map<string, { piece: number; at: Point; roundId: RoundId }[]>();
  picture.pieces.forEach(({ item, map, layer }, piece) => {
    if (item.origin.of === 'cells' || item.paint.fill !== null) return;
    for (const path of item.paths)
      for (const segment of path.segments) {
        const [from, middle, to] = [0, 0.5, 1].map((t) => applyTo(map, pointAt(segment, t)));
        if (!from || !middle || !to) continue;
        const key = [spot(middle, near), ...[spot(from, near), spot(to, near)].sort()].join('|');
        const own = lines.get(key) ?? [];
        lines.set(key, [...own, { piece, at: middle, roundId: layer.roundId }]);
      }
  });
  const rounds = new Map<string, Point[]>();
  for (const own of lines.values()) {
    if (new Set(own.map(({ piece }) => piece)).size < 2) continue;
    const [first] = own;
    if (!first) continue;
    const at = picture.folded(first.at);
    const known = rounds.get(first.roundId) ?? [];
    if (!known.some((p) => Math.hypot(p.x - at.x, p.y - at.y) < near))
      rounds.set(first.roundId, [...known, at]);
  }
  return rounds;
}

/** Lines and outlines that are there more than once: cut twice, printed darker. */
export const doubled = check({
  id: 'doubled',
  title: 'Doubled lines',
  group: 'Geometry',
  limits: [],
  find: (subject) => {
    const shapes = subject.rounds.flatMap((round) =>
      doubledShapes(subject, round).map((shape): ProofFinding => {
        const [first] = pathsOfForm(shape.form, subject.work);
        const at = first?.segments[0]?.from ?? { x: 0, y: 0 };
        return found('doubled', {
          severity: 'error',
          title: `${shape.name} is there twice`,
          sentence: 'Another shape of its round lies exactly on it. Nothing is lost without this one.',
          where: placesInRound(subject, round, [at], [shape.id]),
          mends: [{ label: 'Take one away', command: 'removeShapes', args: [round.id, [shape.id]] }],
        });
      }),
    );
    const width = ONE_LINE * subject.figure.page.width;
    const lines = [...doubledStrokes(subject)].flatMap(([roundId, points]): ProofFinding[] => {
      const round = subject.figure.rounds.find(({ id }) => id === roundId);
      if (!round) return [];
      const once = withLinesOnce(subject.figure, roundId, width, () => 'apart', subject.work);
      return [
        found('doubled', {
          severity: 'error',
          title: `Lines of ${round.name} lie on one another`,
          sentence: 'They are cut twice and look heavier than the others.',
          where: points
            .slice(0, MOST_PLACES / subject.picture.fold + 1)
            .flatMap((p) =>
              subject.copies(p).map((at) => ({ at, size: subject.figure.page.width / 100, roundId })),
            ),
          count: points.length * subject.picture.fold,
          mends: once ? [{ label: 'Draw them once', command: 'linesOnce', args: [roundId, width] }] : [],
        }),
      ];
    });
    return [...shapes, ...lines];
  },
});
