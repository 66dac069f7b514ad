import { STRAIGHT } from '../../src/core/derive';
import { NO_CELL_EDITS, shownCells } from '../../src/core/figure/cells';
import { mergeJobsOf, requestOf } from '../../src/core/figure/jobs';
import type { Figure } from '../../src/core/figure/model';
import type { Point } from '../../src/core/curve/point';
import { divided } from '../../src/core/merge/cells';
import { mergeNow } from '../../src/core/merge/engine';
import { cellAt } from '../../src/core/merge/fused';
import type { Division } from '../../src/core/merge/merge';

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
