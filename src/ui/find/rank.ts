/**
 * Which of many things a person means by what they type: every word typed has to begin a word of the thing's name, or of what else it is
 * called.
 *
 * @example
 * ranked(entries, 'mirr') // Mirror first, then what is found by it
 */

/** What can be looked for. */
export interface Findable {
  readonly name: string;
  /** What else it is called in the trade, parted by spaces. */
  readonly words: string;
}

/** Text without case and accents, as words. */
const wordsOf = (text: string): string[] =>
  text
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean);

/** How well a thing fits, lower is better; null where it does not. */
function rankOf({ name, words }: Findable, typed: readonly string[]): number | null {
  const own = wordsOf(name);
  const others = wordsOf(words);
  let rank = 0;
  for (const word of typed) {
    const at = own.findIndex((each) => each.startsWith(word));
    if (at >= 0) rank += own[at] === word ? at : at + 1;
    else if (others.includes(word)) rank += 10;
    else if (others.some((each) => each.startsWith(word))) rank += 12;
    else return null;
  }
  // Of two that fit alike the shorter name is meant.
  return rank + own.length / 100;
}

/** Those that fit, the best first; all as they come where nothing is typed. */
export function ranked<T extends Findable>(things: readonly T[], text: string): T[] {
  const typed = wordsOf(text);
  if (typed.length === 0) return [...things];
  return things
    .flatMap((thing, k) => {
      const rank = rankOf(thing, typed);
      return rank === null ? [] : [{ thing, rank, k }];
    })
    .sort((a, b) => a.rank - b.rank || a.k - b.k)
    .map(({ thing }) => thing);
}
