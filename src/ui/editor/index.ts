/** The page of one figure. */
export { EditorPage } from './EditorPage';
