/**
 * Reading SVG.
 *
 * @example
 * const { nodes, width, unit, left } = readDrawing(text);
 */
export { READ_SVG, readSvg } from './readDrawing';
export { keyOfLetters, type Letters, wantedLetters } from './texts';
export { UnreadableSvg } from './unreadable';
