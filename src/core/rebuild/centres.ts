/**
 * Points about which marks may be turned. Two marks that are the same but for a turn are that about one point; where very many say the
 * same point, it is a centre.
 *
 * @example
 * for (const centre of likelyCentres(classes, 0.05)) …
 */
import { circleThrough, distance, type Point } from '@/core/curve';
import { turnsBetween } from './match';
import { meanOf, type Mark } from './mark';

/** Marks that may be copies of one another: with one key, and about as long. */
export type Alike = readonly Mark[];

/** Pairs that are asked of each class of marks, and centres that are gone on with. */
const PAIRS = 48;
const MOST_CENTRES = 8;
/** A turn by less than this, as a sine, says too little of its centre. */
const LEAST_TURN = 0.02;

interface Vote {
  readonly at: Point;
  readonly weight: number;
}

/**
 * Marks by what no turn changes.
 * @param keyOf what has to be the same
 * @param within how far points may be from where they would be
 */
export function classesOf(marks: readonly Mark[], keyOf: (mark: Mark) => string, within: number): Alike[] {
  const byKey = new Map<string, Mark[]>();
  for (const mark of marks) {
    const list = byKey.get(keyOf(mark));
    if (list) list.push(mark);
    else byKey.set(keyOf(mark), [mark]);
  }
  return [...byKey.values()].flatMap((list) => {
    const sorted = [...list].sort((a, b) => a.length - b.length);
    const classes: Mark[][] = [];
    for (const mark of sorted) {
      const open = classes[classes.length - 1];
      const last = open?.[open.length - 1];
      const segments = mark.layers.reduce((sum, { outlines }) => sum + outlines.length, 0);
      // Each point may be off, and so may be each side.
      if (open && last && mark.length - last.length <= within * (8 + 2 * segments)) open.push(mark);
      else classes.push([mark]);
    }
    return classes.map((each) => each.sort((a, b) => a.index - b.index));
  });
}

/** The point that a turn by an angle leaves where it is, when it takes one point to another. */
function fixedPoint(from: Point, to: Point, angle: number): Point {
  const half = Math.tan(angle / 2);
  const middle = { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 };
  return { x: middle.x - (to.y - from.y) / (2 * half), y: middle.y + (to.x - from.x) / (2 * half) };
}

/** Pairs of a class: neighbours in the file, and what is a half and a third of the list apart, spread over all of it. */
function pairsOf(count: number): [number, number][] {
  const steps = [...new Set([1, Math.floor(count / 3), Math.floor(count / 2), Math.floor(count / 5)])].filter(
    (step) => step > 0 && step < count,
  );
  const each = Math.max(1, Math.floor((count * steps.length) / PAIRS));
  return steps.flatMap((step) =>
    Array.from({ length: Math.ceil(count / each) }, (_, k): [number, number] => [
      (k * each) % count,
      (k * each + step) % count,
    ]),
  );
}

function votesOfPair(a: Mark, b: Mark, within: number): Vote[] {
  return turnsBetween(a, b, within).flatMap((angle) => {
    const weight = Math.abs(Math.sin(angle / 2));
    return weight < LEAST_TURN ? [] : [{ at: fixedPoint(a.middle, b.middle, angle), weight }];
  });
}

/** What looks the same in every direction says where its circle's middle is, three at a time. */
function votesOfThree([a, b, c]: readonly [Mark, Mark, Mark], size: number): Vote[] {
  const at = circleThrough(a.middle, b.middle, c.middle)?.centre;
  return at && distance(at, a.middle) < size ? [{ at, weight: 0.5 }] : [];
}

function votesOf(alike: Alike, within: number, size: number): Vote[] {
  const pairs = pairsOf(alike.length);
  const turns = pairs.flatMap(([a, b]) => votesOfPair(alike[a] as Mark, alike[b] as Mark, within));
  if (turns.length > 0) return turns;
  return pairs.flatMap(([a, b]) => {
    const c = (2 * b - a + alike.length) % alike.length;
    if (new Set([a, b, c]).size < 3) return [];
    return votesOfThree([alike[a], alike[b], alike[c]] as [Mark, Mark, Mark], size);
  });
}

/** Votes in one cell of a grid: their weight, and the sum of their places by it. */
interface Cell extends Point {
  readonly weight: number;
}

const withVote = (cell: Cell | undefined, { at, weight }: Vote): Cell => ({
  x: (cell?.x ?? 0) + weight * at.x,
  y: (cell?.y ?? 0) + weight * at.y,
  weight: (cell?.weight ?? 0) + weight,
});

/** Votes for one point together, the most wanted first. */
function gathered(votes: readonly Vote[], within: number): Vote[] {
  const near = 6 * within;
  const cells = new Map<string, Cell>();
  const columnOf = (x: number): number => Math.floor(x / near);
  const keyOf = (column: number, row: number): string => `${column} ${row}`;
  for (const vote of votes) {
    const key = keyOf(columnOf(vote.at.x), columnOf(vote.at.y));
    cells.set(key, withVote(cells.get(key), vote));
  }
  const sums = [...cells.values()].map(({ x, y, weight }): Vote => {
    const [column, row] = [columnOf(x / weight), columnOf(y / weight)];
    let sum: Cell = { x: 0, y: 0, weight: 0 };
    for (const dx of [-1, 0, 1])
      for (const dy of [-1, 0, 1]) {
        const cell = cells.get(keyOf(column + dx, row + dy));
        if (cell) sum = { x: sum.x + cell.x, y: sum.y + cell.y, weight: sum.weight + cell.weight };
      }
    return { at: { x: sum.x / sum.weight, y: sum.y / sum.weight }, weight: sum.weight };
  });
  const found: Vote[] = [];
  for (const vote of sums.sort((a, b) => b.weight - a.weight)) {
    if (found.length >= MOST_CENTRES) break;
    if (found.every(({ at }) => distance(at, vote.at) > near))
      found.push({ ...vote, at: closedIn(vote.at, votes, near) });
  }
  return found;
}

/** The mean of votes about a point, again and again of those that are nearer to it: what is near by chance is left out. */
function closedIn(at: Point, votes: readonly Vote[], near: number): Point {
  return [near, near / 3, near / 9, near / 27].reduce((middle, radius) => {
    const close = votes.filter((vote) => distance(vote.at, middle) <= radius);
    return close.length > 0 ? meanOf(close.map((vote) => [vote.at, vote.weight])) : middle;
  }, at);
}

/**
 * Where the centre may be, the likeliest first: what turns of marks say, the middles of whole classes, of large marks, and of all.
 * @param size how large the drawing is
 */
export function likelyCentres(classes: readonly Alike[], within: number, size: number): Point[] {
  const several = classes.filter(({ length }) => length > 1);
  const votes = several.flatMap((alike) =>
    // A class says as much as it draws: a crowd of specks is not heard above all else.
    votesOf(alike, within, size).map(({ at, weight }, _, all) => ({
      at,
      weight: (weight * alike.reduce((sum, { length }) => sum + length, 0)) / all.length,
    })),
  );
  const means = several.map((alike) => meanOf(alike.map(({ middle }) => [middle, 1])));
  const largest = classes
    .flat()
    .sort((a, b) => b.reach - a.reach)
    .slice(0, MOST_CENTRES);
  const all = meanOf(classes.flat().map(({ middle, length }) => [middle, length]));
  const wanted = [
    ...gathered(votes, within).map(({ at }) => at),
    ...gathered(
      means.map((at) => ({ at, weight: 1 })),
      within,
    ).map(({ at }) => at),
    ...largest.map(({ middle }) => middle),
    all,
  ];
  return wanted.filter((at, k) => wanted.findIndex((other) => distance(at, other) <= 3 * within) === k);
}
