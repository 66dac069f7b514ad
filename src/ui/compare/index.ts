/** Two states of figures beside one another. */
export { ComparePage } from './ComparePage';
export { CompareView, type Side } from './CompareView';
export { type SideRef, sidesOf } from './sides';
export { stateAddress } from './stateAddress';
