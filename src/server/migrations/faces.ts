import type { Migration } from './migration';

/** Font files that people brought, by what is in them. Figures keep outlines of their own and name a face only to set words anew. */
export const faces: Migration = {
  name: '004_faces',
  async up(knex) {
    await knex.schema.createTable('faces', (table) => {
      table.text('id').primary();
      table.text('name').notNullable();
      table.binary('bytes').notNullable();
      table.text('created_at').notNullable();
    });
  },
  async down(knex) {
    await knex.schema.dropTable('faces');
  },
};
