import { expect, it } from 'vitest';

import { tableOf } from './kept';

it('A table of runs has the newest first, what it measured, and says what became slower than the run before', () => {
  const run = (commit: string, ratios: Record<string, number>) => ({ date: '2026-01-01', commit, ratios });
  const table = tableOf([
    run('c', { bands: 2, weaves: 30 }),
    run('b', { bands: 1, weaves: 29 }),
    run('a', { bands: 1.1 }),
  ]);
  expect(table.split('\n')).toEqual([
    '| what | 2026-01-01 c | 2026-01-01 b | 2026-01-01 a |',
    '| --- | ---: | ---: | ---: |',
    '| bands | 2.00 slower | 1.00 | 1.10 |',
    '| weaves | 30.0 | 29.0 |  |',
  ]);
  expect(tableOf([])).toBe('');
});
