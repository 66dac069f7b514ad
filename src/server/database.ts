import path from 'node:path';

import knexOf, { type Knex } from 'knex';

import { dataDirectory } from './dataDirectory';
import { migrationSource } from './migrations';

interface RawConnection {
  pragma(text: string): unknown;
}

/** Opens the database in a directory, in write-ahead mode with foreign keys held, and brings it up to date. */
export async function openDatabase(directory: string): Promise<Knex> {
  const knex = knexOf({
    client: 'better-sqlite3',
    connection: { filename: path.join(directory, 'cyclogon.sqlite') },
    useNullAsDefault: true,
    pool: {
      min: 1,
      max: 1,
      afterCreate(raw: RawConnection, done: (error: Error | null, raw: RawConnection) => void) {
        raw.pragma('journal_mode = WAL');
        raw.pragma('synchronous = FULL');
        raw.pragma('foreign_keys = ON');
        raw.pragma('busy_timeout = 5000');
        done(null, raw);
      },
    },
  });
  await knex.migrate.latest({ migrationSource });
  return knex;
}

// Kept on globalThis so that a reload of modules in development does not open the file again.
const open = globalThis as { cyclogonDatabases?: Map<string, Promise<Knex>> };

/** The database of the data directory, opened once. */
export function database(): Promise<Knex> {
  const databases = (open.cyclogonDatabases ??= new Map());
  const directory = dataDirectory();
  let opened = databases.get(directory);
  if (!opened) {
    opened = openDatabase(directory);
    databases.set(directory, opened);
    opened.catch(() => databases.delete(directory));
  }
  return opened;
}

/** Closes every open database; for the command line and tests. */
export async function closeDatabases(): Promise<void> {
  const all = [...(open.cyclogonDatabases?.values() ?? [])];
  open.cyclogonDatabases?.clear();
  for (const opened of all) await (await opened).destroy();
}
