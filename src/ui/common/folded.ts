import { keptIn, useKept } from './kept';

const NONE: readonly string[] = [];

const FOLDED = keptIn<readonly string[]>('folded', NONE, (value) =>
  Array.isArray(value) ? value.filter((each) => typeof each === 'string') : null,
);

/** Unfolds a section, for what is to be seen in it. */
export const unfold = (name: string): void => FOLDED.set(FOLDED.get().filter((each) => each !== name));

/** Whether a section is folded, which a person puts and finds again; and how it is put otherwise. */
export function useFolded(name: string): [boolean, () => void] {
  const list = useKept(FOLDED);
  const isFolded = list.includes(name);
  return [isFolded, () => FOLDED.set(isFolded ? list.filter((each) => each !== name) : [...list, name])];
}
