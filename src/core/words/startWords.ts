import type { Words } from './run';
import kept from './startWords.json' with { type: 'json' };

/** The words that a new line begins with, as their face sets them, to a ten-thousandth of an em: so that drawing it needs no face. */
export const START_WORDS: Words = kept as Words;
