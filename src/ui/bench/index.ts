/** The pane in which one wedge is drawn. */
export { Bench } from './Bench';
export { Tray } from './Tray';
