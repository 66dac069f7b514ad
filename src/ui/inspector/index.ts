/** The panel: page, round, and what is selected. */
export { Inspector } from './Inspector';
export { nameOfSelected } from './ShapesHeader';
