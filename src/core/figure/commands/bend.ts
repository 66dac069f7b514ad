/**
 * Strips: shapes that lie straight and are drawn bent on a ring (see core/bend).
 *
 * @example
 * const made = bendShapes(figure, 'rope', new Set(['strand']), newId, work);
 * if (made.ok) show(setBend(made.value.figure, 'rope', made.value.groupId, { span: turn(1, 5), units: 3 }));
 */
import { type Bend, bendProblem } from '@/core/bend';
import type { Work } from '@/core/derive';
import { failed, finding, ok, type Result } from '@/core/finding';
import { firstBend, shapesOfGroup, straightPaths, stripOf, withBends } from '../bent';
import { withGroup, withGroupOf } from '../grouping';
import type { Figure, RoundId, GroupId, ShapeId } from '../model';
import { roundOf, withRound } from './rounds';

/** Makes a strip of shapes, in a group of their own, bent to one step of the round. What is one already stays as it is. */
export function bendShapes(
  figure: Figure,
  roundId: RoundId,
  shapeIds: ReadonlySet<ShapeId>,
  newId: () => string,
  work: Work,
): Result<{ figure: Figure; groupId: GroupId }> {
  const round = roundOf(figure, roundId);
  const grouped = withGroupOf(round, shapeIds, newId);
  if (!grouped) return failed(finding('bend.strip'));
  const { groupId } = grouped;
  const before = grouped.round.groups?.find(({ id }) => id === groupId);
  if (before?.bend) return ok({ figure, groupId });
  const bend = firstBend(round, straightPaths(shapesOfGroup(grouped.round, groupId), work));
  if (!bend) return failed(finding('bend.strip'));
  return ok({
    figure: withRound(figure, roundId, () => withGroup(grouped.round, groupId, { bend })),
    groupId,
  });
}

/** Changes how a strip is bent; the figure as it was where there is no such bend. */
export const setBend = (figure: Figure, roundId: RoundId, groupId: GroupId, part: Partial<Bend>): Figure =>
  withRound(figure, roundId, (round) =>
    withBends(round, new Set([groupId]), (bend) => {
      const made = { ...bend, ...part };
      return bendProblem(made) === null ? made : bend;
    }),
  );

/** Takes the box of what is drawn now as the strip's unit; it stays as high in proportion as it was. */
export const fitStrip = (figure: Figure, roundId: RoundId, groupId: GroupId, work: Work): Figure =>
  withRound(figure, roundId, (round) => {
    const strip = stripOf(straightPaths(shapesOfGroup(round, groupId), work));
    if (!strip) return round;
    return withBends(round, new Set([groupId]), (bend) => {
      const grown = (strip.bottom - strip.top) / (bend.strip.bottom - bend.strip.top);
      const made = { ...bend, strip, height: bend.height * grown };
      return bendProblem(made) === null ? made : { ...bend, strip };
    });
  });

/** Lets a strip be straight again, as the group that it is. */
export const straighten = (figure: Figure, roundId: RoundId, groupId: GroupId): Figure =>
  withRound(figure, roundId, (round) => {
    if (!round.groups?.some(({ id, bend }) => id === groupId && bend)) return round;
    const groups = round.groups.map(({ bend, ...group }) =>
      group.id === groupId || !bend ? group : { ...group, bend },
    );
    return { ...round, groups };
  });
