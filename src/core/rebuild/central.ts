import type { Point } from '@/core/curve';
import { matchUnder, turnAbout } from './match';
import { isTexture, type Mark } from './mark';

/** Highest folds first; what any turn takes to itself is of none of them. */
const MOST_TRIED = 48;

const divisorsOf = (count: number): number[] => {
  const found: number[] = [];
  for (let k = 1; k * k <= count; k += 1) if (count % k === 0) found.push(k, count / k);
  return found;
};

/**
 * The highest fold of the turns about a centre that take a mark to itself; 1 where none does, and null where every turn does.
 * @param within how far points may be from where they would be
 */
export function ownFold(mark: Mark, centre: Point, within: number): number | null {
  if (isTexture(mark)) return 1;
  const outlines = mark.layers.flatMap((layer) => layer.outlines);
  if (
    outlines.every(({ kind }) => kind === 'ring') &&
    matchUnder(mark, mark, turnAbout(centre, 1), 2 * within)
  )
    return null;
  // A turn takes each contour to one of as many segments: to itself, or round all that are alike.
  const counts = outlines.map(({ kind, path: { segments } }) => (kind === 'line' ? segments.length : 1));
  const alike = new Map<number, number>();
  for (const count of counts) alike.set(count, (alike.get(count) ?? 0) + 1);
  const folds = new Set([...alike].flatMap(([count, times]) => divisorsOf(count * times)));
  const tried = [...folds].filter((fold) => fold > 1 && fold <= 720).sort((a, b) => b - a);
  const found = tried
    .slice(0, MOST_TRIED)
    .find((fold) => matchUnder(mark, mark, turnAbout(centre, (2 * Math.PI) / fold), 2 * within));
  return found ?? 1;
}
