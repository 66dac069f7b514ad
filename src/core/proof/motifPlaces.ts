import { applyTo, type Point } from '@/core/curve';
import { copyMaps, type Round } from '@/core/figure';
import { NO_TURN } from '@/core/number';
import { MOST_PLACES, type Place } from './check';
import type { Subject } from './subject';

/** Where points of a motif are in the whole, all copies of them. */
export function placesInRound(
  { work, figure }: Subject,
  round: Round,
  points: readonly Point[],
  shapeIds: readonly string[],
): Place[] {
  const size = figure.page.width / 100;
  const maps = copyMaps(round, NO_TURN, work);
  return points
    .slice(0, MOST_PLACES)
    .flatMap((p) => maps.map((map) => ({ at: applyTo(map, p), size, roundId: round.id, shapeIds })));
}
