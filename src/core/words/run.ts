/**
 * Words as they are kept: the text, its face, and the outlines that a shaping library made of them (see `shapeWords`), so that a figure is
 * drawn the same wherever it is opened, without the face.
 *
 * @example
 * const { run } = await shaped('Tide week');        // ui: asks the server, which has the faces
 * const form = { kind: 'words', at, rotation, params: { ...words.start, words: { text, face, run } } };
 */
import type { Contour } from '@/core/curve';

/** One letter, with the marks on it; lengths in ems, the size of the face. */
export interface Letter {
  /** Its place among the outlines; null for a space. */
  readonly outline: number | null;
  /** How far the next letter is, kerning and all. */
  readonly advance: number;
}

/** A line of text as letters, in the order in which they stand from left to right. */
export interface Run {
  readonly letters: readonly Letter[];
  /** Each once, in ems from the letter's own start on the base line: x to the right, y down. */
  readonly outlines: readonly (readonly Contour[])[];
  /** How high capitals are, in ems. */
  readonly capHeight: number;
}

export interface Words {
  readonly text: string;
  /** The id of the face that they were shaped with. */
  readonly face: string;
  readonly run: Run;
}

/** Characters in one line. */
export const MOST_CHARACTERS = 240;
export const MOST_FACE_ID = 40;
