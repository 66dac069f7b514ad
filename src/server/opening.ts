/**
 * Before the database is opened: whether the file can be trusted. It is looked at without writing anything; one that is damaged or of a
 * newer Cyclogon is left as it is.
 *
 * @example
 * const { why, missing } = stateOf(file, knownMigrations);
 * if (why !== null) throw new Unusable(why);
 */
import { existsSync } from 'node:fs';
import path from 'node:path';

import Database from 'better-sqlite3';

import { Unusable } from './errors';
import { errorCode, whyUnwritten } from './unwritten';

/** Says that the data is damaged, and what can be done. */
const damaged = (file: string): string =>
  `The data in ${file} is damaged, so it was not touched. Put a backup in its place, or set CYCLOGON_DATA to another folder, and start again.`;

/** Whether a database file can be used, and whether it lacks something that this program has. */
interface State {
  /** Why it should not be opened for writing, as a sentence; null where it may. */
  readonly why: string | null;
  readonly missing: boolean;
}

const MISSING: State = { why: null, missing: true };
const bad = (why: string): State => ({ why, missing: false });

/**
 * Whether a database file can be used; one that is not there yet can.
 * @param known the names of the migrations that this program has
 */
export function stateOf(file: string, known: readonly string[]): State {
  if (!existsSync(file)) return MISSING;
  let reader: Database.Database | null = null;
  try {
    reader = new Database(file, { readonly: true, fileMustExist: true });
    const found = reader.pragma('quick_check(1)', { simple: true });
    if (found !== 'ok') return bad(damaged(file));
    const table = reader.prepare("SELECT 1 FROM sqlite_master WHERE name = 'knex_migrations'").get();
    if (!table) return MISSING;
    const made = reader.prepare('SELECT name FROM knex_migrations').pluck().all() as string[];
    return made.every((name) => known.includes(name))
      ? { why: null, missing: made.length < known.length }
      : bad(
          `The data in ${file} was made by a newer Cyclogon, so it was not touched. Start the newer one, or set CYCLOGON_DATA to another folder.`,
        );
  } catch (error) {
    const code = errorCode(error);
    if (code === 'SQLITE_NOTADB' || code.startsWith('SQLITE_CORRUPT')) return bad(damaged(file));
    if (code.startsWith('SQLITE_BUSY')) return MISSING;
    return bad(
      `The data in ${file} cannot be read (${code || 'unknown reason'}): look at who may read and write it, and start again.`,
    );
  } finally {
    reader?.close();
  }
}

/** How long another program that is just opening the same folder is waited for, in milliseconds. */
const MOST_WAITING = 20_000;
const STEP = 50;

/**
 * Does something while no other program does it in the same folder. The lock is SQLite's own, so that it is gone when its holder is,
 * however that ended. Where nobody can write, nobody has to be kept from it.
 * @throws Unusable where another one has held it for too long
 */
export async function alone<T>(directory: string, work: () => Promise<T>): Promise<T> {
  const lock = lockIn(directory);
  try {
    for (let waited = 0; lock && !taken(lock); waited += STEP) {
      if (waited >= MOST_WAITING)
        throw new Unusable(
          'Another program has been opening this data folder for long: end it, and start again.',
        );
      await new Promise((done) => setTimeout(done, STEP));
    }
    return await work();
  } finally {
    lock?.close();
  }
}

function lockIn(directory: string): Database.Database | null {
  try {
    return new Database(path.join(directory, 'opening.lock'), { timeout: 0 });
  } catch (error) {
    if (whyUnwritten(error) !== null) return null;
    throw error;
  }
}

function taken(lock: Database.Database): boolean {
  try {
    lock.exec('BEGIN EXCLUSIVE');
    return true;
  } catch (error) {
    if (errorCode(error).startsWith('SQLITE_BUSY')) return false;
    if (whyUnwritten(error) !== null) return true;
    throw error;
  }
}
