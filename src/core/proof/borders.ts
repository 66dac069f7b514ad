import { contrastOf } from '@/core/paint';
import { remembered } from '../remembered';
import type { Colour } from '@/core/scene';
import type { Place } from './check';
import type { Subject } from './subject';

/** Two colours, or runs of colours, that are seen side by side. */
export interface Border {
  /** Where they are least told apart. */
  readonly a: Colour;
  readonly b: Colour;
  /** Their contrast (WCAG 2.2) in the mean of all that they lie side by side. */
  readonly contrast: number;
  /** True where one of them is the page. */
  readonly isPage: boolean;
  /** How long they lie side by side, all copies counted, in the figure's unit. */
  readonly long: number;
  /** Where, in the sector. */
  readonly where: readonly Place[];
}

/** Of a pair of colours so many places are told. */
const MOST_OF_PAIR = 3;

/** Stretches are so long a share of the page. */
const STRETCH = 1 / 100;

type Mutable<T> = { -readonly [K in keyof T]: T[K] };

/** All pairs of colours that lie side by side in the drawn picture, the longest first. */
export const bordersOf = remembered((subject: Subject): readonly Border[] => {
  const { picture, figure } = subject;
  const { colours, families, isFlat } = picture;
  const size = figure.page.width * STRETCH;
  const seams = subject.seams(size);
  const pairs = new Map<string, Mutable<Border> & { readonly where: Place[]; least: number }>();
  for (let k = 0; k < seams.count; k += 1) {
    const [one, other] = [seams.tone[2 * k] ?? 0, seams.tone[2 * k + 1] ?? 0];
    const [low = 0, high = 0] = [families[one] ?? 0, families[other] ?? 0].sort((a, b) => a - b);
    // Where one run of colours ends and the next copy's begins is what such runs are for.
    if (low === high || picture.shareRun(one, other)) continue;
    const [x, y, halfX, halfY] = [seams.x[k] ?? 0, seams.y[k] ?? 0, seams.halfX[k] ?? 0, seams.halfY[k] ?? 0];
    const long = Math.hypot(halfX, halfY);
    const colourOn = (tone: number, side: number): Colour =>
      isFlat[tone]
        ? (colours[tone] ?? '#ffffff')
        : picture.colourAt(
            x - (side * halfY * picture.blur) / long,
            y + (side * halfX * picture.blur) / long,
          );
    const [a, b] = [colourOn(one, 1), colourOn(other, -1)];
    const contrast = contrastOf(a, b);
    const key = `${low} ${high}`;
    const isPage = one === picture.page || other === picture.page;
    const pair = pairs.get(key) ?? { a, b, least: contrast, contrast, isPage, long: 0, where: [] };
    pairs.set(key, pair);
    const own = (seams.long[k] ?? 0) * picture.fold;
    pair.contrast = (pair.contrast * pair.long + contrast * own) / (pair.long + own);
    pair.long += own;
    if (contrast < pair.least) Object.assign(pair, { a, b, least: contrast });
    if (pair.where.length < MOST_OF_PAIR)
      pair.where.push({
        at: { x, y },
        size,
        roundId: picture.pieces[seams.piece[k] ?? -1]?.layer.roundId ?? '',
      });
  }
  return [...pairs.values()].sort((a, b) => b.long - a.long);
});

/** The places of a border, with all their copies. */
export const copiesOfBorder = (subject: Subject, { where }: Border): Place[] =>
  where.flatMap((place) => subject.copies(place.at).map((at) => ({ ...place, at })));
