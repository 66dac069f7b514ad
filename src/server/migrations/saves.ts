import type { Migration } from './migration';

/** Which save made a figure's revision, so that a window whose answer was lost does not take its own change for another's. */
export const saves: Migration = {
  name: '007_saves',
  async up(knex) {
    for (const column of ['saved_by TEXT', 'save_number INTEGER'])
      await knex.raw(`ALTER TABLE figures ADD COLUMN ${column}`);
  },
  async down(knex) {
    for (const column of ['saved_by', 'save_number'])
      await knex.raw(`ALTER TABLE figures DROP COLUMN ${column}`);
  },
};
