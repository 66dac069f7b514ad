/**
 * Lines that part a cell by its neighbours: from a point in its middle to where one neighbour ends and another begins, so that each piece
 * has one of them beside it. What reaches under a cell from one side then ends in the middle, and is not seen at the other sides.
 *
 * @example
 * const lines = fansOf(division, (kind) => ranks[kind]);
 */
import { type OutlinedRegion, outlinesOf, type OutlineStep, Restorer, valueAt } from '@/core/arrangement';
import { applyTo, line, type Path, type Point, signedArea } from '@/core/curve';
import { insideOf } from './inside';
import type { Divided } from './engine';

/** The rank of what is not painted: the page, and cells that something is seen through. */
export const BARE = -1;

/** Beside a cell lies nothing that reaches under it. */
const NOTHING = -2;

/** True where what lies beside a cell here must not be seen there: two that reach under it, or the page and anything else. */
const isToBeParted = (beside: ReadonlySet<number>): boolean =>
  beside.size > (beside.has(NOTHING) && !beside.has(BARE) ? 2 : 1);

/**
 * @param rankOf the place of a kind in the order of painting; `BARE` for what is not painted
 * @returns lines in the whole, one of each kind under the division's symmetry
 */
export function fansOf({ arrangement }: Divided, rankOf: (kind: number) => number): Path[] {
  const classes = Int32Array.from({ length: arrangement.kindCount }, (_, kind) =>
    kind === arrangement.outside ? -1 : kind,
  );
  const restorer = new Restorer(arrangement);
  const { subdivision } = arrangement;
  const { vertices } = subdivision;

  const kindOf = (face: number): number =>
    face < 0 ? arrangement.outside : valueAt(arrangement.kinds.of, face);
  /** What reaches under a cell of a rank across a step of its outline, or must not be reached at. */
  const beside = ({ half }: OutlineStep, rank: number): number => {
    const across = kindOf(subdivision.across(half));
    const other = across === arrangement.outside ? BARE : rankOf(across);
    return other < rank ? other : NOTHING;
  };
  const startOf = ({ half, element }: OutlineStep): Point => {
    const v = subdivision.origin(half);
    return applyTo(restorer.mapOf(element), { x: vertices.xs.at(v), y: vertices.ys.at(v) });
  };

  const fanOf = ({ outlines }: OutlinedRegion): Path[] => {
    const first = outlines[0]?.steps[0];
    const rank = first ? rankOf(arrangement.kindAt(first.half)) : BARE;
    // The first coat lies under all: nothing reaches under what is painted with it.
    if (rank <= 0) return [];
    const around = outlines.map(({ steps }) => steps.map((step) => beside(step, rank)));
    if (!isToBeParted(new Set(around.flat()))) return [];
    const corners = outlines.flatMap(({ steps }, k) => {
      const own = around[k] ?? [];
      return steps.filter((_, at) => own[at] !== own[(at + steps.length - 1) % steps.length]).map(startOf);
    });
    if (corners.length === 0) return [];
    const loops = outlines.flatMap((outline) => restorer.paths(outline));
    const middle = insideOf(loops, signedArea(loops));
    return corners.map((corner) => ({ closed: false, segments: [line(middle, corner)] }));
  };
  return outlinesOf(arrangement, classes, true).flatMap(fanOf);
}
