import {
  cross,
  derivativeAt,
  dot,
  lengthOf,
  type Path,
  type Point,
  signedArea,
  subtract,
} from '@/core/curve';
import { centreOnPage, type Scene } from '@/core/scene';
import { type Outline, outlinesOf } from '@/core/format/dxf';
import { remembered } from '../../remembered';
import { check, found, MOST_PLACES, shown, type Place } from '../check';
import { narrowFindings } from './narrow';
import type { Subject } from '../subject';

/** What a tool follows, each line once. */
export const cutsOf = remembered((scene: Scene): readonly Outline[] => outlinesOf(scene));

const fromCentre = ({ scene }: Subject, p: Point): Point => subtract(p, centreOnPage(scene.page));

/** Lines that do not close: a cutter cuts no piece out along them. */
export const openCuts = check({
  id: 'openCuts',
  title: 'Cuts that do not close',
  group: 'Cutting',
  limits: [],
  find: (subject) => {
    const rounds = new Map<string, Place[]>();
    for (const { path, kind, roundId } of cutsOf(subject.scene)) {
      const [first] = path.segments;
      if (kind !== 'line' || path.closed || !first) continue;
      const place = { at: fromCentre(subject, first.from), size: subject.figure.page.width / 100, roundId };
      rounds.set(roundId, [...(rounds.get(roundId) ?? []), place]);
    }
    return [...rounds].map(([roundId, where]) => {
      const round = subject.figure.rounds.find(({ id }) => id === roundId);
      const ids =
        round?.shapes.filter(({ paint }) => paint.fill === null && paint.stroke).map(({ id }) => id) ?? [];
      return found('openCuts', {
        severity: 'error',
        title: `Lines of ${round?.name ?? 'a round'} do not close`,
        sentence: 'A cutter goes along them and cuts nothing out. As bands they have an outline that closes.',
        where: where.slice(0, MOST_PLACES),
        count: where.length,
        mends:
          ids.length > 0 && !round?.merge
            ? [{ label: 'Make bands of them', command: 'bands', args: [roundId, ids] }]
            : [],
      });
    });
  },
});

/** Cuts so near to one another that the tool takes away what is between them. */
export const toolWidth = check({
  id: 'toolWidth',
  title: 'Cuts nearer than the tool is wide',
  group: 'Cutting',
  limits: [{ key: 'tool', label: 'Tool', unit: 'length', start: 0.3, least: 0.01, most: 20 }],
  find: (subject, { tool }) =>
    narrowFindings(
      subject,
      'toolWidth',
      'line',
      tool * subject.mm,
      (run) =>
        `${shown(run.width / subject.mm)} mm are left between two cuts, the tool is ${shown(tool)} mm wide: nothing stays.`,
    ),
});

interface Inner {
  readonly at: Point;
  readonly degrees: number;
}

/** Corners of a closed path that a round tool cannot reach: those that turn into what is kept. */
function innerCorners(path: Path): Inner[] {
  const way = Math.sign(signedArea([path]));
  return path.segments.flatMap((segment, k): Inner[] => {
    const next = path.segments[(k + 1) % path.segments.length];
    if (!next) return [];
    const [into, out] = [derivativeAt(segment, 1), derivativeAt(next, 0)];
    if (lengthOf(into) * lengthOf(out) === 0) return [];
    const bend = (Math.atan2(cross(into, out), dot(into, out)) * 180) / Math.PI;
    return bend * way < -1 ? [{ at: segment.to, degrees: 180 - Math.abs(bend) }] : [];
  });
}

/** Inside corners, which come out as round as the tool is. */
export const sharpInside = check({
  id: 'sharpInside',
  title: 'Sharp inside corners',
  group: 'Cutting',
  limits: [{ key: 'degrees', label: 'Sharper than degrees', unit: 'number', start: 60, least: 1, most: 179 }],
  find: (subject, { degrees }) => {
    const rounds = new Map<string, { where: Place[]; sharpest: number }>();
    for (const { path, kind, roundId } of cutsOf(subject.scene)) {
      if (kind !== 'area' || !path.closed) continue;
      for (const corner of innerCorners(path)) {
        if (corner.degrees >= degrees) continue;
        const known = rounds.get(roundId) ?? { where: [], sharpest: 180 };
        known.where.push({
          at: fromCentre(subject, corner.at),
          size: subject.figure.page.width / 100,
          roundId,
        });
        rounds.set(roundId, { ...known, sharpest: Math.min(known.sharpest, corner.degrees) });
      }
    }
    return [...rounds].map(([roundId, { where, sharpest }]) =>
      found('sharpInside', {
        severity: 'note',
        title: `Sharp inside corners in ${subject.figure.rounds.find(({ id }) => id === roundId)?.name ?? 'a round'}`,
        sentence: `Down to ${shown(sharpest)}°: they come out as round as the tool is, or tear.`,
        where: where.slice(0, MOST_PLACES),
        count: where.length,
      }),
    );
  },
});
