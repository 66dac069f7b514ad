import path from 'node:path';

import knexOf, { type Knex } from 'knex';
import pRetry from 'p-retry';

import { dataDirectory } from './dataDirectory';
import { Busy, Unusable } from './errors';
import { MIGRATION_NAMES, migrationSource } from './migrations';
import { alone, stateOf } from './opening';
import { whyUnwritten } from './unwritten';

interface RawConnection {
  pragma(text: string): unknown;
}

/** The database's file in the data folder. */
export const DATABASE_FILE = 'cyclogon.sqlite';

/** How long one try waits for another program's write, in milliseconds: not long, as nothing else is answered meanwhile. */
const BUSY_TIME = 20;

/**
 * Opens the database in a directory, in write-ahead mode with foreign keys held, and brings it up to date. What is up to date is not written,
 * so that figures can be read where the disk is full.
 * @throws Unusable with a sentence where the file is damaged or of a newer Cyclogon (it is not written then), or cannot be made or opened
 */
export async function openDatabase(directory: string): Promise<Knex> {
  const filename = path.join(directory, DATABASE_FILE);
  try {
    return await alone(directory, async () => {
      const state = stateOf(filename, MIGRATION_NAMES);
      if (state.why !== null) throw new Unusable(state.why);
      const knex = connected(filename);
      try {
        if (state.missing) await broughtUpToDate(knex);
        else await knex.raw('SELECT 1');
        return knex;
      } catch (error) {
        await knex.destroy();
        throw error;
      }
    });
  } catch (error) {
    const why = whyUnwritten(error);
    throw why ? new Unusable(`The data in ${directory} cannot be opened. ${why}`) : error;
  }
}

async function broughtUpToDate(knex: Knex): Promise<void> {
  // Whoever held this lock and is gone left it behind: nobody else is here.
  await knex.migrate.forceFreeMigrationsLock({ migrationSource });
  await knex.migrate.latest({ migrationSource });
}

const connected = (filename: string): Knex =>
  knexOf({
    client: 'better-sqlite3',
    connection: { filename },
    useNullAsDefault: true,
    pool: {
      min: 1,
      max: 1,
      afterCreate(raw: RawConnection, done: (error: Error | null, raw: RawConnection) => void) {
        raw.pragma('journal_mode = WAL');
        raw.pragma('synchronous = FULL');
        raw.pragma('foreign_keys = ON');
        raw.pragma(`busy_timeout = ${BUSY_TIME}`);
        done(null, raw);
      },
    },
  });

const isBusy = (error: unknown): boolean =>
  error instanceof Error && 'code' in error && String(error.code).startsWith('SQLITE_BUSY');

/** How often a write is tried, and how long in all, in milliseconds: after that the person is told. */
const TRIES = { retries: 60, minTimeout: 20, maxTimeout: 400, factor: 1.5, maxRetryTime: 10_000 };

/**
 * Writes all of something or nothing. Waits while another program writes, without keeping others from being answered.
 * @throws Busy where another program goes on writing; what the work throws
 */
export async function writing<T>(knex: Knex, work: (trx: Knex.Transaction) => Promise<T>): Promise<T> {
  const once = (): Promise<T> =>
    knex.transaction(async (trx) => {
      // A write at once: a transaction that reads first could not go on after another program's write.
      await trx('figures').where({ id: '' }).delete();
      return work(trx);
    });
  try {
    return await pRetry(once, { ...TRIES, shouldRetry: ({ error }) => isBusy(error) });
  } catch (error) {
    if (isBusy(error))
      throw new Busy('Another program is writing to the data just now: try again in a moment.');
    throw error;
  }
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
