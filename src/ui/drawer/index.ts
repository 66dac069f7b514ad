/** The drawer of kept motifs. */
export { DrawerPanel } from './DrawerPanel';
export { followUses } from './followUses';
