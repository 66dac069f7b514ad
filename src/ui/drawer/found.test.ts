import { expect, it } from 'vitest';

import { found } from './found';

it('motifs are found by beginnings of words of their names and labels', () => {
  const motif = (name: string, ...labels: string[]) => ({ id: name, name, labels, revision: 1, stock: true });
  const all = [motif('Fan shell', 'sea'), motif('Snail shell', 'sea', 'scroll'), motif('Leaf', 'plant')];
  const names = (search: string): string[] => found(all, search).map(({ name }) => name);
  expect(names('')).toHaveLength(3);
  expect(names('SHELL sea')).toEqual(['Fan shell', 'Snail shell']);
  expect(names('she scr')).toEqual(['Snail shell']);
  expect(names('hell')).toEqual([]);
});
