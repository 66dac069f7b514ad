/** The page of all figures. */
export { Shelf } from './Shelf';
