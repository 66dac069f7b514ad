/** The way to a first figure, step by step. */
export { beginGuide, Guide } from './Guide';
export { GUIDE_MARK } from './mark';
