/**
 * A part of a figure by itself: one round, its motif once, or some of its shapes.
 *
 * @example
 * const alone = partOfFigure(figure, { of: 'motif', roundId: 'r' });
 */
import { boundsOfPaths, mapPath, turnMap } from '@/core/curve';
import { STRAIGHT } from '@/core/derive';
import { pathsOfForm } from '@/core/maker';
import { MITER_LIMIT } from '@/core/paint';
import { resolvedShapes } from './combined';
import { usedGroups, withShapesAndGroups } from './groups';
import { roundsBelow } from './jobs';
import type { Figure, Round, Shape, RoundId } from './model';

/** Which part: all of it, a round with all its copies, its motif once, or shapes of it once. */
export type FigurePart =
  | { readonly of: 'all' }
  | { readonly of: 'round'; readonly roundId: RoundId }
  | { readonly of: 'motif'; readonly roundId: RoundId }
  | { readonly of: 'shapes'; readonly roundId: RoundId; readonly shapeIds: readonly string[] };

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

/** How far a stroke may reach from its line: at sharp corners as far as its miters go. */
const reachOf = ({ paint: { stroke } }: Shape): number =>
  stroke ? (stroke.width / 2) * (stroke.join === 'miter' ? (stroke.limit ?? MITER_LIMIT) : 1) : 0;

/** A page as large as what a round of one copy draws; the page as it was where that is nothing. */
function pageAround(page: Figure['page'], round: Round): Figure['page'] {
  const map = turnMap(round.rule.start);
  const boxes = resolvedShapes(round, STRAIGHT)
    .filter(({ visible }) => visible)
    .map((shape) => {
      const box = boundsOfPaths(pathsOfForm(shape.form, STRAIGHT).map((path) => mapPath(path, map)));
      const by = reachOf(shape);
      return { left: box.left - by, right: box.right + by, top: box.top - by, bottom: box.bottom + by };
    });
  const [left, top] = [Math.min(...boxes.map((box) => box.left)), Math.min(...boxes.map((box) => box.top))];
  const [right, bottom] = [
    Math.max(...boxes.map((box) => box.right)),
    Math.max(...boxes.map((box) => box.bottom)),
  ];
  const [width, height] = [right - left, bottom - top];
  if (!(width > 0 && height > 0)) return page;
  return { ...page, width, height, bleed: 0, centre: { x: -(left + right) / 2, y: -(top + bottom) / 2 } };
}

/**
 * The figure with nothing but a part of it drawn: of a round the page and where things are stay, around a motif and shapes the page is as large
 * as they are. What cuts a round or keeps it inside is there with all
 * of it, not with its motif.
 * @returns the figure itself where its round is not there
 */
export function partOfFigure(figure: Figure, part: FigurePart): Figure {
  if (part.of === 'all') return figure;
  const round = figure.rounds.find(({ id }) => id === part.roundId);
  if (!round) return figure;
  const above = part.of === 'round' ? figure.rounds.filter((upper) => cuts(figure, upper, round)) : [];
  const own = { ...partOfRound(round, part), visible: true };
  const page = part.of === 'round' ? figure.page : pageAround(figure.page, own);
  return { ...figure, page, rounds: [own, ...above] };
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
