/**
 * Motifs to begin with, of our own making, each some 40 mm high and about 0, 0.
 *
 * @example
 * const { name, shapes } = STOCK_MOTIFS.find(({ id }) => id === 'fern')!;
 */
import type { StockMotif } from '../building';
import { FLOWERS } from './flowers';
import { FRAMES } from './frames';
import { KNOTS } from './knots';
import { LEAVES } from './leaves';
import { SEA } from './sea';
import { STARS } from './stars';

/** All of them, those that go together beside one another. */
export const STOCK_MOTIFS: readonly StockMotif[] = [LEAVES, FLOWERS, SEA, STARS, KNOTS, FRAMES].flat();
