import type { Migration } from './migration';

/** Pictures to trace from. Figures name them by id; they are stored once, as they were after checking. */
export const pictures: Migration = {
  name: '002_pictures',
  async up(knex) {
    await knex.schema.createTable('pictures', (table) => {
      table.text('id').primary();
      table.text('type').notNullable();
      table.integer('width').notNullable();
      table.integer('height').notNullable();
      table.binary('bytes').notNullable();
      table.text('created_at').notNullable();
    });
  },
  async down(knex) {
    await knex.schema.dropTable('pictures');
  },
};
