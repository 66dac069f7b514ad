/** History and versions of a figure. */
export { HistoryPanes } from './HistoryPanes';
export { KeepVersionSheet } from './KeepVersionSheet';
