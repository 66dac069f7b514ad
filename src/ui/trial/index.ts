/** Walls of variants, and the choice of what varies. */
export { FormTrialsPanel } from './FormTrials';
export { LeverChoice } from './LeverChoice';
