import { applyTo, arcLength, compose, derivativeAt, MIRROR, pointAt, turnMap } from '@/core/curve';
import { applyTurnBack } from './turnBack';
import { finderOf } from './cellFinder';
import type { CellCopy, CellGroup } from '@/core/merge';
import { addTurns } from '@/core/number';
import { MOST_PLACES, type Place } from './check';
import type { RoundCells } from './cellGroups';
import type { Subject } from './subject';

/** Across, about, of what has an area. */
export const sizeOfArea = (area: number): number => 2 * Math.sqrt(area / Math.PI);

/** Where cells of a group are. */
export const placesOfCopies = (
  cells: RoundCells,
  group: CellGroup,
  copies: readonly CellCopy[],
  size: number,
): Place[] =>
  copies
    .slice(0, MOST_PLACES)
    .map((copy) => ({ at: cells.insideOf(group, copy), size, roundId: cells.round.id }));

/** The cell with which another one has most of its border in common; null where it has none with any. */
export function neighbourOf(
  { picture }: Subject,
  { round, groups }: RoundCells,
  group: CellGroup,
  copy: CellCopy,
): { readonly group: CellGroup; readonly copy: CellCopy } | null {
  const turned = turnMap(addTurns(copy.turn, round.rule.start));
  const map = copy.mirrored ? compose(turned, MIRROR) : turned;
  const finder = finderOf(groups);
  const shared = new Map<CellCopy, { group: CellGroup; copy: CellCopy; long: number }>();
  for (const loop of group.loops) {
    for (const segment of loop.segments) {
      const [from, way] = [applyTo(map, pointAt(segment, 0.5)), derivativeAt(segment, 0.5)];
      const long = arcLength(segment);
      const steep = Math.hypot(way.x, way.y);
      if (steep === 0) continue;
      const onward = applyTo({ ...map, e: 0, f: 0 }, way);
      const [outX, outY] = [(onward.y / steep) * picture.blur, (-onward.x / steep) * picture.blur];
      for (const side of [1, -1]) {
        const p = { x: from.x + side * outX, y: from.y + side * outY };
        const there = finder.at(applyTurnBack(p, round.rule.start));
        if (!there || there.copy === copy) continue;
        const known = shared.get(there.copy);
        shared.set(there.copy, { ...there, long: (known?.long ?? 0) + long });
      }
    }
  }
  const [most] = [...shared.values()].sort((a, b) => b.long - a.long);
  return most ?? null;
}
