/** Stock motifs as figures of one round, as those that a person keeps are. */
import { type Figure, newFigure, newRound } from '@/core/figure';
import type { StockMotif } from './building';
import { STOCK_MOTIFS } from './motifs';

/** Ids in the drawer of those that come with the application begin so. */
const STOCK = 'stock-';
export const idOfStock = ({ id }: StockMotif): string => `${STOCK}${id}`;

const SIDE = 50;

const figureOf = ({ name, shapes }: StockMotif): Figure => {
  const { page, ...figure } = newFigure(name, 'motif');
  return {
    ...figure,
    page: { ...page, width: SIDE, height: SIDE, background: null },
    rounds: [{ ...newRound('motif', name, 1), shapes }],
  };
};

/** The figure of a stock motif by its id in the drawer; null where there is none. */
export function stockFigure(id: string): Figure | null {
  const found = STOCK_MOTIFS.find((each) => idOfStock(each) === id);
  return found ? figureOf(found) : null;
}
