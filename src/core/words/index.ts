/**
 * Text as outlines of a face.
 *
 * @example
 * const made = shapeWords(faceOf(bytes), 'Gezeiten');
 */
export { MOST_CHARACTERS, MOST_FACE_ID, type Run, type Words } from './run';
export { type Face, faceOf, shapeWords } from './shape';
export { START_WORDS } from './startWords';
export { stretchesOf } from './stretches';
