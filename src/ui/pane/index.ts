/** The canvas of a pane: what is drawn over the artwork, and what hears the pointer. */
export { CellMarks } from './CellMarks';
export { OfferCard, OfferLines } from './Offer';
export { PaneCanvas } from './PaneCanvas';
export { Readout } from './Readout';
