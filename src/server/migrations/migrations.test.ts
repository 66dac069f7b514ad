import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

import knexOf, { type Knex } from 'knex';
import { afterEach, beforeEach, expect, it } from 'vitest';

import { kelpCrown } from '../../../demo/pieces/kelpCrown';
import { setFold } from '@/core/figure/commands';
import { ALL_FIGURES } from '@/protocol';
import { openDatabase } from '../database';
import { loadFigure } from '../figures';
import { historyOf } from '../shelf/history';
import { pageOfFigures } from '../shelf/list';
import { MIGRATION_NAMES, migrationSource } from '.';

let directory = '';
beforeEach(() => {
  directory = mkdtempSync(path.join(tmpdir(), 'cyclogon-migrations-'));
});
afterEach(() => rmSync(directory, { recursive: true }));

/** A database as an earlier version left it, with a figure that has a history. */
async function asOf(count: number): Promise<void> {
  const knex: Knex = knexOf({
    client: 'better-sqlite3',
    connection: { filename: path.join(directory, 'cyclogon.sqlite') },
    useNullAsDefault: true,
  });
  await knex.raw('PRAGMA foreign_keys = ON');
  for (let k = 0; k < count; k += 1) await knex.migrate.up({ migrationSource });
  const time = '2026-03-01T10:00:00.000Z';
  await knex('figures').insert({
    id: 'crown',
    name: 'Kelp crown',
    revision: 4,
    step: 2,
    created_at: time,
    updated_at: time,
  });
  for (const position of [0, 1, 2])
    await knex('steps').insert({
      figure_id: 'crown',
      position,
      label: `Step ${position}`,
      figure: JSON.stringify(setFold(kelpCrown(), kelpCrown().rounds[0]!.id, 4 + position)),
    });
  await knex.destroy();
}

it.each(MIGRATION_NAMES.map((name, k) => [name, k + 1] as const))(
  'data of %s is all there after all later ones, and found',
  async (_, count) => {
    await asOf(count);
    const knex = await openDatabase(directory);
    const { figure, step } = await loadFigure(knex, 'crown');
    expect([step, figure.rounds[0]!.rule.fold]).toEqual([2, 6]);
    const { steps } = await historyOf(knex, 'crown');
    expect(steps.map(({ label }) => label)).toEqual(['Step 0', 'Step 1', 'Step 2']);
    if (count < MIGRATION_NAMES.indexOf('005_shelf') + 1) {
      const found = await pageOfFigures(knex, { ...ALL_FIGURES, search: 'crown petal', from: 0, count: 9 });
      expect(found.figures.map(({ id }) => id)).toEqual(['crown']);
      expect(steps.every(({ at }) => at === '2026-03-01T10:00:00.000Z')).toBe(true);
    }
    await knex.destroy();
  },
);
