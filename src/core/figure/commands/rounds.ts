import type { Work } from '@/core/derive';
import { produce } from 'immer';

import { boundsOfPaths, ORIGIN, scaleMap } from '@/core/curve';
import { scaledForm } from '@/core/maker';
import { allShapes, withStripsMoved } from '../bent';
import { carriedShape, movedMotif } from '../carried';
import { addTurns, turn, type Turn, wrapTurn } from '@/core/number';
import { isFold } from '@/core/symmetry';
import { FIRST_CELLS } from '../cells';
import { firstWeave } from '../jobs';
import { reachOfMotif } from '../reach';
import { seenPaths } from '../seen';
import { renamedShapes } from '../inputs';
import { roundOf, withRound } from '../update';
import type { Edge, LowerAction, Figure, Round, RoundMerge, RoundId } from '../model';
import { START_PAINT } from '../start';

export { roundOf, withRound } from '../update';

/** Adds a round in front of another, or in front of all. */
export function addRound(figure: Figure, round: Round, afterId?: string): Figure {
  const after = figure.rounds.findIndex(({ id }) => id === afterId);
  const at = after < 0 ? figure.rounds.length : after + 1;
  return { ...figure, rounds: [...figure.rounds.slice(0, at), round, ...figure.rounds.slice(at)] };
}

export const removeRound = (figure: Figure, roundId: RoundId): Figure => ({
  ...figure,
  rounds: figure.rounds.filter(({ id }) => id !== roundId),
});

/** Puts a round at another place in the layer order, 0 at the back. */
export const moveRound = (figure: Figure, roundId: RoundId, to: number): Figure =>
  produce(figure, (draft) => {
    const from = draft.rounds.findIndex(({ id }) => id === roundId);
    if (from < 0) return;
    const [round] = draft.rounds.splice(from, 1);
    if (round) draft.rounds.splice(Math.max(0, Math.min(to, draft.rounds.length)), 0, round);
  });

export const renameRound = (figure: Figure, roundId: RoundId, name: string): Figure =>
  name.trim() === '' ? figure : withRound(figure, roundId, (round) => ({ ...round, name: name.trim() }));

export const showRound = (figure: Figure, roundId: RoundId, visible: boolean): Figure =>
  withRound(figure, roundId, (round) => ({ ...round, visible }));

export const lockRound = (figure: Figure, roundId: RoundId, locked: boolean): Figure =>
  withRound(figure, roundId, (round) => ({ ...round, locked }));

/** Sets how many copies fill the turn. @throws RangeError for a fold that is none. */
export function setFold(figure: Figure, roundId: RoundId, fold: number): Figure {
  if (!isFold(fold)) throw new RangeError('A fold is a whole number from 1 to 720.');
  return withRound(figure, roundId, ({ omitted, ...round }) => {
    const left = omitted?.filter((index) => index < fold) ?? [];
    return { ...round, rule: { ...round.rule, fold }, ...(left.length > 0 && { omitted: left }) };
  });
}

/** Turns the mirror on or off; a half motif that is being drawn stays as it is, without its mode. */
export const setMirror = (figure: Figure, roundId: RoundId, mirror: boolean): Figure =>
  withRound(figure, roundId, ({ half: _, ...round }) => {
    const { alternate: __, ...rule } = round.rule;
    return { ...round, rule: { ...rule, mirror } };
  });

/** What becomes of what reaches past the rays of the wedge. */
export const setEdge = (figure: Figure, roundId: RoundId, edge: Edge): Figure =>
  withRound(figure, roundId, ({ edge: _, ...round }) => (edge === 'overlap' ? round : { ...round, edge }));

/** Sets the turn of the first copy, kept within one full turn. */
export const setStart = (figure: Figure, roundId: RoundId, start: Turn): Figure =>
  withRound(figure, roundId, (round) => ({ ...round, rule: { ...round.rule, start: wrapTurn(start) } }));

/** Turns a round by half a step, so that its copies stand between where they stood. Twice is back again. */
export function toggleHalfStep(figure: Figure, roundId: RoundId): Figure {
  const { fold, start } = roundOf(figure, roundId).rule;
  const half = turn(1, 2 * fold);
  const shifted =
    start.num !== 0 && wrapTurn(addTurns(start, start)).num * fold === wrapTurn(addTurns(start, start)).den;
  return setStart(figure, roundId, shifted ? turn(0) : addTurns(start, half));
}

/** Sets what becomes of a round's copies (with the paint of its first filled shape), or lets them be separate. */
export function setMerge(
  figure: Figure,
  roundId: RoundId,
  op: RoundMerge['op'] | null,
  times?: number,
): Figure {
  return withRound(figure, roundId, (round) => {
    if (op === null) return { ...round, merge: null };
    const first = round.shapes.find(({ paint }) => paint.fill !== null);
    const { lines } = round.merge ?? {};
    const weave = round.merge?.weave ?? (op === 'weave' ? firstWeave(figure.page) : undefined);
    const cells = round.merge?.cells ?? (op === 'divide' ? FIRST_CELLS : undefined);
    return {
      ...round,
      merge: {
        op,
        ...(op === 'atLeast' && { times: times ?? round.merge?.times ?? 2 }),
        paint: round.merge?.paint ?? first?.paint ?? START_PAINT,
        ...(cells && { cells }),
        ...(weave && { weave }),
        ...(lines && { lines }),
      },
    };
  });
}

/** Draws the lines that lie over the cells or the outline of a merged round, or hides them; they bound cells all the same. */
export const showLines = (figure: Figure, roundId: RoundId, shown: boolean): Figure =>
  withRound(figure, roundId, (round) => {
    if (!round.merge) return round;
    const { lines: _, ...merge } = round.merge;
    return { ...round, merge: shown ? merge : { ...merge, lines: 'hidden' } };
  });

/** Sets what a round does to the rounds below it; null lets it lie on them. */
export const setLowerAction = (figure: Figure, roundId: RoundId, lowerAction: LowerAction | null): Figure =>
  withRound(figure, roundId, ({ lowerAction: _, ...round }) =>
    lowerAction ? { ...round, lowerAction } : round,
  );

/** A copy of a round and its rule in front of it, with new ids for itself and its shapes, and a motif of its own. */
export function duplicateRound(figure: Figure, roundId: RoundId, newId: () => string): Figure {
  const round = roundOf(figure, roundId);
  const { motif: _, detachedFrom: __, ...rest } = round;
  const copy: Round = {
    ...rest,
    id: newId(),
    name: `${round.name} copy`.slice(0, 120),
    shapes: renamedShapes(round.shapes, newId),
  };
  return addRound(figure, copy, roundId);
}

export { reachOfMotif as reachOfRound } from '../reach';

/** Moves a round's motif along the axis, outward for a positive distance. */
export const moveRoundOut = (figure: Figure, roundId: RoundId, by: number): Figure =>
  withRound(figure, roundId, (round) => movedMotif(round, { x: 0, y: -by }));

/**
 * Scales a round's motif so that one end of its reach stays and the other comes to `to`, measured from the
 * centre. Where the motif spans the centre it is scaled about the centre itself.
 */
export function scaleRoundReach(
  figure: Figure,
  roundId: RoundId,
  end: 'inner' | 'outer',
  to: number,
  work: Work,
): Figure {
  const round = roundOf(figure, roundId);
  const reach = reachOfMotif(round, work);
  if (!reach) return figure;
  const box = boundsOfPaths(seenPaths(round, work));
  const fixed = end === 'outer' ? reach.inner : reach.outer;
  const moving = end === 'outer' ? reach.outer : reach.inner;
  const about = box.bottom > 1e-9 && end === 'outer' ? ORIGIN : { x: 0, y: -fixed };
  const factor = (to - -about.y) / (moving - -about.y);
  if (!Number.isFinite(factor) || factor <= 1e-3) return figure;
  return withRound(figure, roundId, (before) => {
    const scale = { kind: 'scale', x: factor, y: factor, about } as const;
    const { round: each, left } = withStripsMoved(before, allShapes(before), scale);
    return {
      ...each,
      shapes: each.shapes.map((shape) =>
        left.has(shape.id)
          ? carriedShape(shape, scaledForm(shape.form, factor, about), scaleMap(factor, about), true)
          : shape,
      ),
    };
  });
}
