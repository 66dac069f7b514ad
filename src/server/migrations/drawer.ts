import type { Migration } from './migration';

/** Motifs that a person keeps: each a figure of one round, with the revision by which its uses know what they hold. */
export const drawer: Migration = {
  name: '006_drawer',
  async up(knex) {
    await knex.schema.createTable('drawer', (table) => {
      table.text('id').primary();
      table.text('name').notNullable();
      table.text('labels').notNullable();
      table.integer('revision').notNullable();
      table.text('figure').notNullable();
      table.text('created_at').notNullable();
      table.text('updated_at').notNullable();
      table.text('deleted_at');
    });
  },
  async down(knex) {
    await knex.schema.dropTable('drawer');
  },
};
