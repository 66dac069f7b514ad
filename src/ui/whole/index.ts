/** The pane that shows the whole figure. */
export { FoldControl } from './FoldControl';
export { Whole } from './Whole';
