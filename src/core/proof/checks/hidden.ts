import { applyTo, IDENTITY, middleOf } from '@/core/curve';
import { edgesOf } from '../flat';
import type { DrawnPicture } from '../picture';
import { check, found, type ProofFinding } from '../check';
import { doubledShapes } from './doubled';
import { placesInRound } from '../motifPlaces';
import { pathsOfForm } from '@/core/maker';
import type { Subject } from '../subject';

/** Places along an edge to the radius of what it is of: few first, as most of what is seen is seen at one of them. */
const STEPS = [4, 100];

/** True where a piece is seen on one side of a stretch of its edge, in the piece's own coordinates. */
function showsBeside(
  picture: DrawnPicture,
  piece: number,
  x: number,
  y: number,
  halfX: number,
  halfY: number,
): boolean {
  const map = picture.pieces[piece]?.map ?? IDENTITY;
  const long = Math.hypot(halfX, halfY);
  return [1, -1].some((side) => {
    const at = applyTo(map, {
      x: x - (side * halfY * picture.blur) / long,
      y: y + (side * halfX * picture.blur) / long,
    });
    return picture.shows(piece, at.x, at.y);
  });
}

/** Shapes that are seen at some edge, or whose edge is seen. */
function seenShapes(subject: Subject): Set<string> {
  const { picture } = subject;
  const { pieces } = picture;
  const seen = new Set<string>();
  const idsOf = (piece: number): readonly string[] => {
    const origin = pieces[piece]?.item.origin;
    if (origin?.of === 'shape') return [origin.shapeId];
    return origin?.of === 'outline' ? origin.shapeIds : [];
  };
  const take = (piece: number): void => idsOf(piece).forEach((id) => seen.add(id));
  const seams = subject.seams(subject.figure.page.width / 100);
  for (let k = 0; k < 2 * seams.count; k += 1) take(seams.top[k] ?? -1);
  // What is seen through others is seen; each that is not yet is looked for all along its edge, at few places before at many.
  for (const steps of STEPS)
    pieces.forEach(({ item, flat }, piece) => {
      if (idsOf(piece).every((id) => seen.has(id))) return;
      const step = Math.max(picture.blur, flat.radius / steps);
      edgesOf(flat, item.paint.fill !== null, step, (x, y, halfX, halfY) => {
        if (showsBeside(picture, piece, x, y, halfX, halfY)) take(piece);
      });
    });
  return seen;
}

/** Shapes that others hide wholly: they are in the file, and no one sees them. */
export const hidden = check({
  id: 'hidden',
  title: 'Shapes that nobody sees',
  group: 'Geometry',
  limits: [],
  find: (subject) => {
    const plain = subject.rounds.filter(({ merge, lowerAction }) => merge === null && !lowerAction);
    if (plain.length === 0) return [];
    const seen = seenShapes(subject);
    const drawn = new Set(
      subject.picture.pieces.flatMap(({ item: { origin } }) =>
        origin.of === 'shape' ? [origin.shapeId] : [],
      ),
    );
    return plain.flatMap((round) => {
      // What lies exactly under another one is told as that.
      const twice = doubledShapes(subject, round);
      return round.shapes.flatMap((shape): ProofFinding[] => {
        if (twice.includes(shape) || !shape.visible || !drawn.has(shape.id) || seen.has(shape.id)) return [];
        const at = middleOf(pathsOfForm(shape.form, subject.work));
        return [
          found('hidden', {
            severity: 'note',
            title: `Nobody sees ${shape.name}`,
            sentence:
              'All its copies lie under what is in front of them. The picture is the same without it.',
            where: placesInRound(subject, round, [at], [shape.id]),
            mends: [{ label: 'Take it away', command: 'removeShapes', args: [round.id, [shape.id]] }],
          }),
        ];
      });
    });
  },
});
