import { STRAIGHT } from '@/core/derive';
import { addRound, pictureOf, placeDrawing } from '@/core/figure/commands';
import { evaluate, type Figure, mergeJobsOf, requestOf } from '@/core/figure';
import { mergeNow } from '@/core/merge';
import { scattered } from '@/core/maker';
import { emptyPiece, emptyRound, TIDE } from './piece';
import { frostFlake } from './frostFlake';
import { valueOf } from './valueOf';

/** How far a flake reaches from its centre. */
const REACH = 82;

/** Piece 6 placed at many sizes: flakes over a page, the larger ones first, each with room around it. */
export function frostField(): Figure {
  const flake = frostFlake();
  const jobs = mergeJobsOf(flake, STRAIGHT);
  const merges = new Map(
    jobs.flatMap((job) => {
      const request = requestOf(job, { outlineOnly: true }, STRAIGHT);
      return request ? [[job.key, mergeNow(request)] as const] : [];
    }),
  );
  const picture = pictureOf(evaluate(flake, merges, STRAIGHT));
  const places = scattered({
    width: 240,
    height: 160,
    middle: { x: 0, y: 0 },
    radius: REACH,
    smallest: 0.06,
    largest: 0.34,
    gap: 3,
    count: 40,
    seed: 6,
    turned: true,
  });
  const page = { ...emptyPiece('Frost field', 240, TIDE.kelp), rounds: [] };
  const field = addRound({ ...page, page: { ...page.page, height: 160 } }, emptyRound('field', 'Field', 1));
  return valueOf(placeDrawing(field, 'field', 'Flakes', picture, places, 'flakes')).figure;
}
