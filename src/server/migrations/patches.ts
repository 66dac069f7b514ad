import type { Knex } from 'knex';

import { rowOfStep, wholeRows, type StepRow } from '../steps';
import type { Migration } from './migration';

/** Makes the table of steps anew from what each figure's rows become. */
async function remade(
  knex: Knex,
  columns: (table: Knex.CreateTableBuilder) => void,
  change: (id: string) => AsyncIterable<object>,
): Promise<void> {
  await knex.schema.createTable('steps_new', (table) => {
    table.text('figure_id').notNullable().references('figures.id').onDelete('CASCADE');
    table.integer('position').notNullable();
    table.text('label').notNullable();
    columns(table);
    table.primary(['figure_id', 'position']);
  });
  const ids = await knex<StepRow>('steps').distinct('figure_id');
  for (const { figure_id: id } of ids)
    for await (const row of change(id)) await knex('steps_new').insert(row);
  await knex.schema.dropTable('steps');
  await knex.schema.renameTable('steps_new', 'steps');
}

interface WholeRow {
  readonly position: number;
  readonly label: string;
  readonly figure: string;
}

/** The rows of a figure as what changed in each. One at a time: a long history of a large figure is more than there is memory for. */
async function* asPatches(knex: Knex, id: string): AsyncIterable<StepRow> {
  let before: object | null = null;
  const positions = await knex<StepRow>('steps')
    .where({ figure_id: id })
    .orderBy('position')
    .select('position');
  for (const { position } of positions) {
    const row = (await knex('steps').where({ figure_id: id, position }).first()) as WholeRow;
    const figure = JSON.parse(row.figure) as object;
    yield rowOfStep(id, { position, label: row.label, figure }, before);
    before = figure;
  }
}

/** Steps say what changed instead of the whole figure each time; every so often one is whole. */
export const patches: Migration = {
  name: '003_patches',
  up: (knex) =>
    remade(
      knex,
      (table) => {
        table.text('figure');
        table.text('patch');
      },
      (id) => asPatches(knex, id),
    ),
  down: (knex) =>
    remade(
      knex,
      (table) => {
        table.text('figure').notNullable();
      },
      (id) => wholeRows(knex, id),
    ),
};
