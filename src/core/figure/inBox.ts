/**
 * What lies in a box drawn over a figure.
 *
 * @example
 * for (const { roundId, ids } of shapesInBox(figure, box, active, STRAIGHT)) console.log(roundId, ids.size);
 */
import { type Affine, applyTo, type Bounds, boundsOfPaths, compose, mapPath, turnMap } from '@/core/curve';
import type { Work } from '@/core/derive';
import { equalTurns, negateTurn, NO_TURN, type Turn } from '@/core/number';
import { type Placement, placementMap } from '@/core/symmetry';
import { copiesOf } from './copies';
import { swallowedRounds } from './jobs';
import type { Figure, Round, RoundId } from './model';
import { seenShapes } from './seen';

/** Shapes of a round that one of its copies has in a box, and that copy. */
export interface InBox {
  readonly roundId: RoundId;
  readonly ids: ReadonlySet<string>;
  readonly placement: Placement;
}

export const holdsBox = (outer: Bounds, inner: Bounds): boolean =>
  inner.left >= outer.left &&
  inner.right <= outer.right &&
  inner.top >= outer.top &&
  inner.bottom <= outer.bottom;

const isSame = (a: Placement, b: Placement): boolean =>
  a.mirrored === b.mirrored && a.transform === b.transform && equalTurns(a.turn, b.turn);

const placementsOf = (round: Round, work: Work): Placement[] =>
  copiesOf(round, work).flatMap(({ turn, transform }) =>
    [false, ...(round.rule.mirror ? [true] : [])].map((mirrored) => ({
      turn,
      mirrored,
      ...(transform && { transform }),
    })),
  );

/** The shapes of a round that its copy has most of in a box; of the one that is preferred, where none has more. */
function ofRound(round: Round, box: Bounds, prefer: Placement, up: Affine, work: Work): InBox | null {
  const seen = seenShapes(round, work)
    .filter(({ shape }) => !shape.locked)
    .map((each) => ({ ...each, own: boundsOfPaths(each.paths) }));
  const inside = (placement: Placement): string[] => {
    const map = compose(up, placementMap(placement));
    return seen.flatMap(({ ids, paths, own }) => {
      // Looked at closely only where its middle is in the box.
      const middle = applyTo(map, { x: (own.left + own.right) / 2, y: (own.top + own.bottom) / 2 });
      const point = { left: middle.x, right: middle.x, top: middle.y, bottom: middle.y };
      const isIn =
        holdsBox(box, point) && holdsBox(box, boundsOfPaths(paths.map((path) => mapPath(path, map))));
      return isIn ? ids : [];
    });
  };
  const all = placementsOf(round, work);
  const first = all.find((each) => isSame(each, prefer));
  const order = first ? [first, ...all.filter((each) => each !== first)] : all;
  let best: InBox | null = null;
  for (const placement of order) {
    const ids = inside(placement);
    if (ids.length > (best?.ids.size ?? 0)) best = { roundId: round.id, ids: new Set(ids), placement };
    if (best?.ids.size === seen.length) break;
  }
  return best;
}

/**
 * Shapes of all rounds that lie whole in a box, in whichever copy has most of them there; locked, hidden and swallowed ones are left out.
 * @param box in the figure's coordinates, or in those that have another direction of it upright
 * @param prefer the copy that is taken where others have as many
 * @param upright the direction that is upright for the box
 */
export function shapesInBox(
  figure: Figure,
  box: Bounds,
  prefer: Placement,
  work: Work,
  upright: Turn = NO_TURN,
): InBox[] {
  const up = turnMap(negateTurn(upright));
  const swallowed = swallowedRounds(figure);
  return figure.rounds
    .filter(({ id, visible, locked }) => visible && !locked && !swallowed.has(id))
    .flatMap((round) => ofRound(round, box, prefer, up, work) ?? []);
}
