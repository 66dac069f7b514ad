import { derivativeAt, dot, lengthOf, type Path, type Point } from '@/core/curve';
import { MITER_LIMIT } from '@/core/paint';
import { pathsOfForm } from '@/core/maker';
import { check, found, shown, type ProofFinding } from '../check';
import { placesInRound } from '../motifPlaces';

interface Corner {
  readonly at: Point;
  /** How many widths its miter is long. */
  readonly long: number;
}

/** Corners of a path with the length of their miter in widths: 1 / sin of half the angle (SVG 2, section 13.5.4). */
function cornersOf({ closed, segments }: Path): Corner[] {
  return segments.flatMap((segment, k): Corner[] => {
    const next = segments[k + 1] ?? (closed ? segments[0] : undefined);
    if (!next || next === segment) return [];
    const [into, out] = [derivativeAt(segment, 1), derivativeAt(next, 0)];
    const long = lengthOf(into) * lengthOf(out);
    if (long === 0) return [];
    const cos = Math.max(-1, Math.min(1, -dot(into, out) / long));
    const sinHalf = Math.sqrt((1 - cos) / 2);
    return sinHalf < 1 - 1e-9 ? [{ at: segment.to, long: 1 / Math.max(1e-9, sinHalf) }] : [];
  });
}

/** Corners of strokes that run out into long points. */
export const spikes = check({
  id: 'spikes',
  title: 'Spikes of strokes',
  group: 'Geometry',
  source: 'SVG 2, section 13.5.4: the miter length',
  limits: [{ key: 'widths', label: 'Longer than widths', unit: 'number', start: 3, least: 1.5, most: 100 }],
  find: (subject, { widths }) =>
    subject.rounds.flatMap((round) =>
      round.shapes.flatMap((shape): ProofFinding[] => {
        const { stroke } = shape.paint;
        if (!shape.visible || !stroke || stroke.join !== 'miter' || shape.form.kind === 'drawing') return [];
        const { limit = MITER_LIMIT } = stroke;
        const long = pathsOfForm(shape.form, subject.work)
          .flatMap(cornersOf)
          .filter((corner) => corner.long > widths && corner.long <= limit);
        if (long.length === 0) return [];
        const most = Math.max(...long.map((corner) => corner.long));
        const take = (label: string, join: string) => ({
          label,
          command: 'join',
          args: [round.id, [shape.id], join],
        });
        return [
          found('spikes', {
            severity: 'warning',
            title: `Spikes on ${shape.name}`,
            sentence: `Corners run out to points ${shown(most)} times as long as the stroke is wide.`,
            where: placesInRound(
              subject,
              round,
              long.map(({ at }) => at),
              [shape.id],
            ),
            mends: [take('Round the corners', 'round'), take('Cut them off', 'bevel')],
          }),
        ];
      }),
    ),
});
