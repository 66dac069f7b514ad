import { describe, expect, it } from 'vitest';

import type { FigureHistory } from '@/protocol';
import { foldedAtFirst, nameOfRow, rowsOf, stateOfRow } from './rows';

const at = (day: number, hour: number): string => new Date(2026, 10, day, hour).toISOString();
const history: FigureHistory = {
  step: 3,
  revision: 9,
  steps: [
    { position: 0, label: 'Start', at: at(2, 9) },
    { position: 1, label: 'Add petal', at: at(29, 9) },
    { position: 2, label: 'Set fold', at: at(29, 10) },
    { position: 3, label: 'Mirror on', at: at(30, 8) },
    { position: 4, label: 'Half a step', at: at(30, 9) },
  ],
  versions: [{ id: 'v', name: 'For the board', at: at(29, 11), kind: 'named' }],
};
const today = new Date(2026, 10, 30, 12);

describe('the list of a history', () => {
  it('has versions first, then days, the newest first, and says which step is shown', () => {
    const rows = rowsOf(history, { today, folded: new Set() });
    expect(rows.map(nameOfRow)).toEqual([
      'Versions',
      'For the board',
      'Today',
      'Half a step',
      'Mirror on',
      'Yesterday',
      'Set fold',
      'Add petal',
      'Monday 2 November',
      'Start',
    ]);
    expect(rows.flatMap((row) => (row.kind === 'step' ? [row.is] : []))).toEqual([
      'undone',
      'now',
      'before',
      'before',
      'before',
    ]);
    expect(rows.map(stateOfRow).filter((state) => state !== null)).toHaveLength(6);
  });

  it('folds days but the last at first', () => {
    const rows = rowsOf(history, { today, folded: foldedAtFirst(history) });
    expect(rows.flatMap((row) => (row.kind === 'day' ? [[row.title, row.count, row.isFolded]] : []))).toEqual(
      [
        ['Versions', 1, false],
        ['Today', 2, false],
        ['Yesterday', 2, true],
        ['Monday 2 November', 1, true],
      ],
    );
    expect(rows.filter(({ kind }) => kind === 'step')).toHaveLength(2);
  });
});
