import bidiFactory from 'bidi-js';

/** Stretches of one direction, in the order in which they stand from left to right (Unicode Standard Annex 9, by a library). */
export function stretchesOf(text: string): string[] {
  const bidi = bidiFactory();
  const levels = bidi.getEmbeddingLevels(text);
  const order = bidi.getReorderedIndices(text, levels);
  const stretches: string[] = [];
  let before: number | null = null;
  for (const index of order) {
    const level = levels.levels[index] ?? 0;
    const isRight = level % 2 === 1;
    const last = stretches.length - 1;
    const goesOn = before !== null && levels.levels[before] === level && Math.abs(index - before) === 1;
    const letter = text[index] ?? '';
    // Within a stretch the face's own rules say in which order letters stand.
    if (goesOn && last >= 0)
      stretches[last] = isRight ? letter + (stretches[last] ?? '') : (stretches[last] ?? '') + letter;
    else stretches.push(letter);
    before = index;
  }
  return stretches;
}
