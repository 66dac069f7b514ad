import { petalOfSize } from './petal';
import { boundsOfPaths, compose, type Contour, mapPath, moveMap, ORIGIN, scaleMap } from '@/core/curve';
import { STRAIGHT, type Work } from '@/core/derive';
import { turn } from '@/core/number';
import { formOfPaths, pathsOfForm, type Form } from './form';
import { MAKERS } from './makers';

const at = ORIGIN;
const upright = turn(0);

/** What can be stamped without drawing it first. */
const STOCK = {
  circle: ['Circle', { kind: 'ellipse', at, rotation: upright, params: { width: 2, height: 2 } }],
  petal: ['Petal', { kind: 'petal', at, rotation: upright, params: petalOfSize(2, 0.8) }],
  drop: ['Drop', { kind: 'drop', at, rotation: upright, params: MAKERS.drop.start }],
  heart: ['Heart', { kind: 'heart', at, rotation: upright, params: MAKERS.heart.start }],
  kite: ['Kite', { kind: 'kite', at, rotation: upright, params: MAKERS.kite.start }],
  star: ['Star', { kind: 'star', at, rotation: upright, params: MAKERS.star.start }],
  square: [
    'Square',
    { kind: 'polygon', at, rotation: turn(1, 8), params: { sides: 4, radius: 1, diagonals: 'none' } },
  ],
} as const satisfies Record<string, readonly [string, Form]>;

export type StockId = keyof typeof STOCK;
export const STOCK_IDS = Object.keys(STOCK) as readonly StockId[];
export const stockName = (id: StockId): string => STOCK[id][0];

/** The contours of a form, their middle at 0, 0, and as large as asked across their longer side. */
export function contoursAbout(forms: readonly Form[], size: number | null, work: Work): Contour[][] {
  const paths = forms.map((form) => pathsOfForm(form, work));
  const box = boundsOfPaths(paths.flat());
  const longer = Math.max(box.right - box.left, box.bottom - box.top);
  const middle = { x: -(box.left + box.right) / 2, y: -(box.top + box.bottom) / 2 };
  const m = compose(scaleMap(size === null ? 1 : size / longer, ORIGIN), moveMap(middle));
  return paths.map((list) => [...formOfPaths(list.map((path) => mapPath(path, m))).contours]);
}

/** A stock shape's contours about its middle, of a size. */
export const stockContours = (id: StockId, size: number): Contour[] =>
  contoursAbout([STOCK[id][1]], size, STRAIGHT)[0] ?? [];
