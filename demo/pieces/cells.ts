import { STRAIGHT } from '@/core/derive';
import { type Figure, mergeJobsOf, NO_CELL_EDITS, requestOf, shownCells } from '@/core/figure';
import type { Point } from '@/core/curve';
import { cellAt, divided, type Division, mergeNow } from '@/core/merge';

/** The cells of a divided round, as a worker would find them. */
export function divisionOf(figure: Figure, roundId: string): Division {
  const job = mergeJobsOf(figure, STRAIGHT).find((each) => each.roundId === roundId);
  const request = job && requestOf(job, {}, STRAIGHT);
  if (!request) throw new Error('This round is not divided.');
  return divided(mergeNow(request));
}

/** References of the cell at a point of a round. */
export function refsAt(figure: Figure, roundId: string, division: Division, at: Point): readonly string[] {
  const edits = figure.rounds.find(({ id }) => id === roundId)?.merge?.cells ?? NO_CELL_EDITS;
  return cellAt(shownCells(division, edits, STRAIGHT).groups, at)?.copy.refs ?? [];
}

/** All cells of the kind of the one at a point. */
export function kindAt(figure: Figure, roundId: string, division: Division, at: Point): readonly string[] {
  const edits = figure.rounds.find(({ id }) => id === roundId)?.merge?.cells ?? NO_CELL_EDITS;
  return (
    cellAt(shownCells(division, edits, STRAIGHT).groups, at)?.group.copies.flatMap(({ refs }) => refs) ?? []
  );
}
