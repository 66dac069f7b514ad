/**
 * Figures to begin from: constructions of several rounds whose numbers are asked for before, and that are ordinary figures after.
 *
 * @example
 * const figure = madeFrom(START_POINTS[0]!, { fold: 24, reach: 80, share: 50 }, 'My burst');
 */
import { addRound, addShapes, inUnit, resized, setMerge, setWeaveGap } from '@/core/figure/commands';
import { type Figure, newFigure, newRound, type Round } from '@/core/figure';
import type { Made, Numbers, StartPoint } from './startPoints';

/** Pages that a new figure can begin with: what they are for, and their sides. */
export const PAGES = [
  { id: 'square', name: 'Square', about: '180 × 180 mm', width: 180, height: 180, unit: 'mm' },
  { id: 'badge', name: 'Badge', about: '58 × 58 mm', width: 58, height: 58, unit: 'mm' },
  { id: 'icon', name: 'Icon', about: '48 × 48 px', width: 48, height: 48, unit: 'px' },
  { id: 'post', name: 'Post', about: '1080 × 1080 px', width: 1080, height: 1080, unit: 'px' },
  { id: 'sheet', name: 'A4', about: '210 × 297 mm', width: 210, height: 297, unit: 'mm' },
  { id: 'poster', name: 'Poster', about: '500 × 700 mm', width: 500, height: 700, unit: 'mm' },
] as const;
export type PageId = (typeof PAGES)[number]['id'];

/** A figure as large as a page of another size asks for, about its middle. */
export function onPage(figure: Figure, id: PageId): Figure {
  const page = PAGES.find((each) => each.id === id) ?? PAGES[0];
  const { width, height, unit } = page;
  const same = inUnit(figure, unit);
  const sized = resized(same, Math.min(width, height) / Math.min(same.page.width, same.page.height));
  return { ...sized, page: { ...sized.page, width, height } };
}

/** The numbers within what each field allows. */
export const allowed = ({ fields, start }: StartPoint, numbers: Numbers): Numbers =>
  Object.fromEntries(
    fields.map(({ key, least, most, as }) => {
      const value = numbers[key] ?? start[key] ?? least;
      const within = Math.min(most, Math.max(least, Number.isFinite(value) ? value : least));
      return [key, as === 'count' ? Math.round(within) : within];
    }),
  );

function roundOf({ name, fold, mirror = false, start, rings }: Made, id: string): Round {
  const round = newRound(id, name, fold);
  const rule = { ...round.rule, mirror, ...(start && { start }) };
  return { ...round, rule, ...(rings && { frame: { ...round.frame, rings } }) };
}

/** A figure of a construction with its numbers, on a square page of 180 mm. */
export function madeFrom(point: StartPoint, numbers: Numbers, name: string): Figure {
  const empty = newFigure(name, 'none');
  const blank: Figure = {
    ...empty,
    page: { ...empty.page, background: point.background ?? empty.page.background },
    rounds: [],
  };
  return point.rounds(allowed(point, numbers)).reduce<Figure>((figure, made, k) => {
    const id = `${point.id}-${k + 1}`;
    const shapes = made.shapes.map((shape, n) => ({ ...shape, id: `${id}-${n + 1}` }));
    const filled = addShapes(addRound(figure, roundOf(made, id)), id, shapes);
    if (!made.merge) return filled;
    const merged = setMerge(filled, id, made.merge);
    return made.merge === 'weave' ? setWeaveGap(merged, id, 0.8) : merged;
  }, blank);
}
