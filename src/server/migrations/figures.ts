import type { Migration } from './migration';

/** Figures, and every step of each one's history: what undo goes back through, across reloads. */
export const figures: Migration = {
  name: '001_figures',
  async up(knex) {
    await knex.schema.createTable('figures', (table) => {
      table.text('id').primary();
      table.text('name').notNullable();
      table.integer('revision').notNullable();
      table.integer('step').notNullable();
      table.text('created_at').notNullable();
      table.text('updated_at').notNullable();
      table.text('deleted_at');
      table.index(['deleted_at', 'updated_at']);
    });
    await knex.schema.createTable('steps', (table) => {
      table.text('figure_id').notNullable().references('figures.id').onDelete('CASCADE');
      table.integer('position').notNullable();
      table.text('label').notNullable();
      table.text('figure').notNullable();
      table.primary(['figure_id', 'position']);
    });
  },
  async down(knex) {
    await knex.schema.dropTable('steps');
    await knex.schema.dropTable('figures');
  },
};
