import { applyTo, compose, MIRROR, type Point, turnMap } from '@/core/curve';
import type { Work } from '@/core/derive';
import {
  type Figure,
  NO_CELL_EDITS,
  paintsOfCells,
  paintSources,
  type Round,
  type RoundMerge,
  shownCells,
  startPaints,
  withStartPaints,
} from '@/core/figure';
import { type CellCopy, type CellGroup, insideOf, type MergeResult } from '@/core/merge';
import { addTurns } from '@/core/number';
import type { Paint } from '@/core/scene';

/** The cells of a divided round as they are drawn. */
export interface RoundCells {
  readonly round: Round;
  /** With the paint of all its cells in it. */
  readonly merge: RoundMerge;
  readonly groups: readonly CellGroup[];
  /** The paint of each copy of a group; null where it was removed. */
  readonly paints: (group: CellGroup) => readonly (Paint | null)[];
  /** A point inside a cell, in the figure's coordinates. */
  readonly insideOf: (group: CellGroup, copy: CellCopy) => Point;
}

/** The cells of a round; null where it is not divided, or its cells are not known. */
export function cellGroups(
  figure: Figure,
  round: Round,
  result: MergeResult | undefined,
  work: Work,
): RoundCells | null {
  const division = result?.division;
  if (!division || round.merge?.op !== 'divide') return null;
  const merge = withStartPaints(round.merge, startPaints(paintSources(figure, round), division, work));
  const middles = new Map<CellGroup, Point>();
  const middleIn = (group: CellGroup): Point => {
    const known = middles.get(group) ?? insideOf(group.loops, group.area);
    middles.set(group, known);
    return known;
  };
  const { groups } = shownCells(division, merge.cells ?? NO_CELL_EDITS, work);
  return {
    round,
    merge,
    groups,
    paints: (group) => paintsOfCells(group, merge),
    insideOf: (group, { turn, mirrored }) => {
      const map = turnMap(addTurns(turn, round.rule.start));
      return applyTo(mirrored ? compose(map, MIRROR) : map, middleIn(group));
    },
  };
}
