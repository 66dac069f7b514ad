/**
 * Figures and motifs to begin from.
 *
 * @example
 * const figure = madeFrom(START_POINTS[0]!, { fold: 24, reach: 80, share: 50 }, 'My burst');
 */
export { built } from './building';
export { idOfStock, stockFigure } from './figures';
export { START_POINTS, type StartPoint } from './startPoints';
export { allowed, madeFrom, onPage, type PageId, PAGES } from './starts';
