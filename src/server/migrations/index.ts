import type { Knex } from 'knex';

import { drawer } from './drawer';
import { faces } from './faces';
import { figures } from './figures';
import type { Migration } from './migration';
import { patches } from './patches';
import { pictures } from './pictures';
import { saves } from './saves';
import { shelf } from './shelf';

const ALL: readonly Migration[] = [figures, pictures, patches, faces, shelf, drawer, saves];

/** Migrations as part of the program, so that a bundled server finds them. */
export const migrationSource: Knex.MigrationSource<Migration> = {
  getMigrations: () => Promise.resolve([...ALL]),
  getMigrationName: (migration) => migration.name,
  getMigration: (migration) => Promise.resolve({ up: migration.up, down: migration.down }),
};

/** The names of all migrations, as the database knows them. */
export const MIGRATION_NAMES: readonly string[] = ALL.map(({ name }) => name);
