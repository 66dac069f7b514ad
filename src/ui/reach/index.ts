/** Rounds as bands by their reach, in the middle between the panes. */
export { Reach } from './Reach';
export { roundActions } from './roundActions';
