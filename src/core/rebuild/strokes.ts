/**
 * The symmetry that strokes drawn by hand about the centre most likely have: by strokes that are alike, by one that goes round, by one
 * whose ends would meet those of its copies, or that stands beside them.
 *
 * @example
 * const seen = strokeSymmetry([petalUp, petalAtTwo]); // { fold: 6, mirror: false, from: 'copies', … }
 */
import { byCopies } from './alikeStrokes';
import { goesRound, sizeOf, type HandStroke, type StrokeSymmetry } from './handStroke';
import { byEnds, byWidth } from './oneStroke';
import { byRound } from './roundStroke';

/** Strokes are compared pair by pair; of more than this nobody draws each by hand. */
const MOST_STROKES = 40;

/** The symmetry that strokes most likely have; null where nothing speaks for one. */
export function strokeSymmetry(strokes: readonly HandStroke[]): StrokeSymmetry | null {
  const own = strokes.filter(({ points }) => points.length > 2 && sizeOf(points) > 0);
  if (own.length === 0 || own.length > MOST_STROKES) return null;
  const round = own.filter(goesRound);
  const beside = own.filter((stroke) => !round.includes(stroke));
  const found =
    beside.length > 0
      ? (byCopies(beside) ?? byEnds(beside) ?? byWidth(beside))
      : round.map(byRound).find((each) => each !== null);
  if (!found) return null;
  const taken = new Set(found.kept.map(({ id }) => id));
  return { ...found, stay: round.filter(({ id }) => !taken.has(id)).map(({ id }) => id) };
}
