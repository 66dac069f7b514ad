import type { Knex } from 'knex';

import { indexed } from '../shelf/search';
import { figureAt } from '../steps';
import type { Migration } from './migration';

interface FigureRow {
  id: string;
  step: number;
}

/** Each figure with a number, by which the index of words knows it, and that index filled; one at a time, as histories may be long. */
async function numbered(knex: Knex): Promise<void> {
  const rows = await knex<FigureRow>('figures').orderBy('created_at').orderBy('id').select('id', 'step');
  for (const [k, { id, step }] of rows.entries()) {
    await knex('figures')
      .where({ id })
      .update({ number: k + 1 });
    // What is broken is found by nothing; it is told when it is opened.
    const figure = await figureAt(knex, id, step).catch(() => null);
    if (figure) await indexed(knex, id, figure).catch(() => undefined);
  }
}

const INDEXED = ['number', 'collection'];

/** What the Shelf keeps of figures: collections and labels, versions with names, when steps were made, pictures, and an index of words. */
export const shelf: Migration = {
  name: '005_shelf',
  async up(knex) {
    await knex.schema.createTable('collections', (table) => {
      table.text('id').primary();
      table.text('name').notNullable();
      table.text('created_at').notNullable();
    });
    // By hand, as a table that is made anew takes what belongs to its rows with it.
    for (const column of ['number INTEGER', 'fold INTEGER', 'collection TEXT'])
      await knex.raw(`ALTER TABLE figures ADD COLUMN ${column}`);
    for (const column of INDEXED) await knex.raw(`CREATE INDEX figures_${column} ON figures (${column})`);
    await knex.raw('ALTER TABLE steps ADD COLUMN made_at TEXT');
    await knex.raw(
      'UPDATE steps SET made_at = (SELECT updated_at FROM figures WHERE figures.id = steps.figure_id)',
    );
    await knex.schema.createTable('labels', (table) => {
      table.text('figure_id').notNullable().references('figures.id').onDelete('CASCADE');
      table.text('label').notNullable();
      table.primary(['figure_id', 'label']);
      table.index(['label']);
    });
    await knex.schema.createTable('versions', (table) => {
      table.text('id').primary();
      table.text('figure_id').notNullable().references('figures.id').onDelete('CASCADE');
      table.text('name').notNullable();
      table.text('kind').notNullable();
      table.text('made_at').notNullable();
      table.text('figure').notNullable();
      table.index(['figure_id', 'made_at']);
    });
    await knex.schema.createTable('cards', (table) => {
      table.text('key').primary();
      table.text('figure_id').notNullable().references('figures.id').onDelete('CASCADE');
      table.text('type').notNullable();
      table.binary('bytes').notNullable();
      table.text('used_at').notNullable();
      table.index(['figure_id']);
      table.index(['used_at']);
    });
    await knex.schema.createTable('settings', (table) => {
      table.text('key').primary();
      table.text('value').notNullable();
    });
    await knex.raw(
      "CREATE VIRTUAL TABLE shelf_words USING fts5(name, labels, collection, folds, colours, words, tokenize = 'unicode61 remove_diacritics 2', prefix = '1 2 3')",
    );
    await numbered(knex);
  },
  async down(knex) {
    await knex.raw('DROP TABLE shelf_words');
    for (const table of ['settings', 'cards', 'versions', 'labels']) await knex.schema.dropTable(table);
    await knex.raw('ALTER TABLE steps DROP COLUMN made_at');
    for (const column of INDEXED) await knex.raw(`DROP INDEX figures_${column}`);
    for (const column of ['number', 'fold', 'collection'])
      await knex.raw(`ALTER TABLE figures DROP COLUMN ${column}`);
    await knex.schema.dropTable('collections');
  },
};
