/**
 * A part of a figure by itself, where it is: one round, its motif once, or some of its shapes.
 *
 * @example
 * const alone = partOfFigure(figure, { of: 'motif', roundId: 'r' });
 */
import { usedGroups, withShapesAndGroups } from './groups';
import { roundsBelow } from './jobs';
import type { Figure, Round } from './model';

/** Which part: all of it, a round with all its copies, its motif once, or shapes of it once. */
export type FigurePart =
  | { readonly of: 'all' }
  | { readonly of: 'round'; readonly roundId: string }
  | { readonly of: 'motif'; readonly roundId: string }
  | { readonly of: 'shapes'; readonly roundId: string; readonly shapeIds: readonly string[] };

/** A round once and upright, unmerged: its motif where its first copy stands. */
function once(round: Round): Round {
  const { variation: _, whirl: __, progression: ___, omitted: ____, half: _____, ...rest } = round;
  const { start } = round.rule;
  return { ...rest, rule: { fold: 1, mirror: false, start }, merge: null };
}

/** Whether a round cuts another, or keeps it inside, and so belongs to how it is seen. */
const cuts = (figure: Figure, upper: Round, lower: Round): boolean =>
  (upper.lowerAction?.how === 'cut' || upper.lowerAction?.how === 'inside') &&
  upper.visible &&
  roundsBelow(figure, upper).some(({ id }) => id === lower.id);

/** What each kind of part has of its round. */
function partOfRound(round: Round, part: Exclude<FigurePart, { of: 'all' }>): Round {
  if (part.of === 'round') return round;
  if (part.of === 'motif') return once(round);
  const ids = new Set(part.shapeIds);
  const shapes = round.shapes.filter(({ id }) => ids.has(id));
  return withShapesAndGroups(once(round), shapes, usedGroups(round.groups ?? [], shapes));
}

/**
 * The figure with nothing but a part of it drawn; the page and where things are stay. What cuts a round or keeps it inside is there with all
 * of it, not with its motif.
 * @returns the figure itself where its round is not there
 */
export function partOfFigure(figure: Figure, part: FigurePart): Figure {
  if (part.of === 'all') return figure;
  const round = figure.rounds.find(({ id }) => id === part.roundId);
  if (!round) return figure;
  const above = part.of === 'round' ? figure.rounds.filter((upper) => cuts(figure, upper, round)) : [];
  const own = { ...partOfRound(round, part), visible: true };
  return { ...figure, rounds: [own, ...above] };
}

/** A part as a word of an address. */
export const wordOfPart = (part: FigurePart): string =>
  part.of === 'all'
    ? 'all'
    : [part.of, part.roundId, ...(part.of === 'shapes' ? [part.shapeIds.join(',')] : [])].join(':');

/** The part that a word stands for; null where it is none. */
export function partOfWord(word: string): FigurePart | null {
  const [of, roundId = '', ids = ''] = word.split(':');
  if (of === 'all') return { of };
  if (roundId === '') return null;
  if (of === 'round' || of === 'motif') return { of, roundId };
  return of === 'shapes' && ids !== '' ? { of, roundId, shapeIds: ids.split(',') } : null;
}
