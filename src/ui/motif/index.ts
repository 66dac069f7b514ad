/** The list of the motif at the foot of the panel. */
export { MotifDock } from './MotifDock';
