import { applyTo, compose, MIRROR, turnMap } from '../curve/affine';
import { flatten } from '../curve/flatten';
import { applyTurnBack } from './turnBack';
import { cellAt, type CellCopy, type CellGroup } from '../merge/fused';
import { addTurns } from '../number/turn';
import { MOST_PLACES, type Place } from './check';
import type { RoundCells } from './cellGroups';
import type { Subject } from './subject';

/** Across, about, of what has an area. */
export const sizeOfArea = (area: number): number => 2 * Math.sqrt(area / Math.PI);

export const areaOf = ({ area }: CellGroup): number => area;

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
  const shared = new Map<CellCopy, { group: CellGroup; copy: CellCopy; long: number }>();
  for (const loop of group.loops) {
    const points = flatten(loop, picture.blur).map((p) => applyTo(map, p));
    points.forEach((to, k) => {
      const from = points[k - 1];
      if (!from) return;
      const long = Math.hypot(to.x - from.x, to.y - from.y);
      if (long === 0) return;
      const [outX, outY] = [((to.y - from.y) / long) * picture.blur, ((from.x - to.x) / long) * picture.blur];
      for (const side of [1, -1]) {
        const p = { x: (from.x + to.x) / 2 + side * outX, y: (from.y + to.y) / 2 + side * outY };
        const there = cellAt(groups, applyTurnBack(p, round.rule.start));
        if (!there || there.copy === copy) continue;
        const known = shared.get(there.copy);
        shared.set(there.copy, { ...there, long: (known?.long ?? 0) + long });
      }
    });
  }
  const [most] = [...shared.values()].sort((a, b) => b.long - a.long);
  return most ?? null;
}
