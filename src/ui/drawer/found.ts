import type { MotifEntry } from '@/protocol';

/** Motifs whose name and labels have each word of a search in them, somewhere at the beginning of a word. */
export function found(all: readonly MotifEntry[], search: string): MotifEntry[] {
  const asked = search.toLocaleLowerCase().split(/\s+/).filter(Boolean);
  return all.filter(({ name, labels }) => {
    const words = [name, ...labels].join(' ').toLocaleLowerCase().split(/\s+/);
    return asked.every((part) => words.some((word) => word.startsWith(part)));
  });
}
