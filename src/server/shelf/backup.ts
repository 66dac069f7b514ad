/**
 * The whole Shelf as one file and back: figures with their histories, versions, labels, collections and pictures. The file is an SQLite
 * database, made by SQLite's own online backup while the data is in use.
 *
 * @example
 * await backUp(directory, '/media/stick/shelf.sqlite');
 * const { added } = await takeBackup(knex, '/media/stick/shelf.sqlite');   // beside what is there
 */
import { copyFileSync, existsSync, mkdirSync, mkdtempSync, readdirSync, renameSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

import Database from 'better-sqlite3';
import type { Knex } from 'knex';
import { nanoid } from 'nanoid';

import { type Figure, storedFigure } from '@/core/figure';
import { checkFigure } from '@/core/format/figure';
import type { TakenBackup } from '@/protocol';
import { DATABASE_FILE, openDatabase, writing } from '../database';
import { Refused, Unusable } from '../errors';
import { MIGRATION_NAMES } from '../migrations';
import { stateOf } from '../opening';
import { figureAt, type StepRow } from '../steps';
import { errorCode } from '../unwritten';
import type { FigureRow } from './list';
import { indexed } from './search';

const FOLDER = 'backups';
/** Backups that are kept. */
const KEPT = 7;

/** A moment as part of a file name, in UTC: they sort as they were made. */
const stamp = (at: Date): string => at.toISOString().slice(0, 19).replace(/[:T]/g, '-');

/** Copies a database as it is at one moment, whoever writes to it meanwhile. */
async function copied(from: string, to: string): Promise<void> {
  const reader = new Database(from, { readonly: true, fileMustExist: true });
  try {
    await reader.backup(to);
  } finally {
    reader.close();
  }
}

/**
 * Writes a backup and reads it again.
 * @param to where it is put, in place of what is there
 * @throws Refused where what was written cannot be read; what the system says of the disk
 */
export async function backUp(directory: string, to: string): Promise<void> {
  const part = `${to}.part`;
  rmSync(part, { force: true });
  try {
    await copied(path.join(directory, DATABASE_FILE), part);
    const { why } = stateOf(part, MIGRATION_NAMES);
    if (why !== null) throw new Refused(`The backup could not be read again: ${why}`);
    renameSync(part, to);
  } finally {
    for (const end of ['', '-journal', '-wal', '-shm']) rmSync(`${part}${end}`, { force: true });
  }
}

/** The backups that the server made, the newest first. */
export function backupsIn(directory: string): string[] {
  const folder = path.join(directory, FOLDER);
  if (!existsSync(folder)) return [];
  return readdirSync(folder)
    .filter((name) => /^shelf-[\d-]+\.sqlite$/.test(name))
    .sort()
    .reverse()
    .map((name) => path.join(folder, name));
}

/** When a backup that the server made was made. */
export function timeOfBackup(file: string): Date {
  const [year, month, day, hour, minute, second] = path.basename(file).match(/\d+/g) ?? [];
  return new Date(`${year}-${month}-${day}T${hour}:${minute}:${second}Z`);
}

/** Makes the backup of the day, and keeps seven. */
export async function backUpDaily(directory: string, now: Date): Promise<void> {
  const folder = path.join(directory, FOLDER);
  mkdirSync(folder, { recursive: true });
  await backUp(directory, path.join(folder, `shelf-${stamp(now)}.sqlite`));
  for (const old of backupsIn(directory).slice(KEPT)) rmSync(old, { force: true });
}

/** The newest backup that can be read; null where there is none. */
export const lastGoodBackup = (directory: string): string | null =>
  backupsIn(directory).find((file) => stateOf(file, MIGRATION_NAMES).why === null) ?? null;

/** Says which backup could take the place of data that cannot be used, and how; null where there is none. */
export function offeredBackup(directory: string): string | null {
  const last = lastGoodBackup(directory);
  if (last === null) return null;
  const made = timeOfBackup(last).toLocaleString([], { dateStyle: 'long', timeStyle: 'short' });
  return `The last backup that can be read is of ${made}. “npm run cyclogon -- restore --last” puts it in place, and keeps what is there beside it.`;
}

/** Does something with a backup that is opened as a copy, brought up to date. @throws Refused where it cannot be read */
async function withBackup<T>(file: string, work: (source: Knex) => Promise<T>): Promise<T> {
  const { why } = existsSync(file) ? stateOf(file, MIGRATION_NAMES) : { why: `There is no file ${file}.` };
  if (why !== null) throw new Refused(reworded(why));
  if (!hasFigures(file)) throw new Refused('This file is no backup of a Shelf.');
  const folder = mkdtempSync(path.join(tmpdir(), 'cyclogon-backup-'));
  try {
    copyFileSync(file, path.join(folder, DATABASE_FILE));
    const source = await openDatabase(folder);
    try {
      return await work(source);
    } finally {
      await source.destroy();
    }
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** Whether a database is one of figures; an empty file is a database too, of nothing. */
function hasFigures(file: string): boolean {
  const reader = new Database(file, { readonly: true, fileMustExist: true });
  try {
    return reader.prepare("SELECT 1 FROM sqlite_master WHERE name = 'figures'").get() !== undefined;
  } finally {
    reader.close();
  }
}

/** What is said of the data, said of a backup. */
function reworded(why: string): string {
  if (/newer Cyclogon/.test(why)) return 'This backup was made by a newer Cyclogon: take it there.';
  if (/damaged/.test(why)) return 'This file is no backup of a Shelf, or it is damaged.';
  return why;
}

/** What a backup holds, every figure of it read. @throws Refused where it is no backup, or one of its figures cannot be read */
export const checkBackup = (file: string): Promise<{ readonly figures: number }> =>
  withBackup(file, async (source) => {
    const rows = await source<FigureRow>('figures').select('id', 'name', 'step');
    for (const { id, name, step } of rows) await figureIn(source, id, name, step);
    return { figures: rows.length };
  });

async function figureIn(source: Knex, id: string, name: string, step: number): Promise<Figure> {
  const read = checkFigure(await figureAt(source, id, step));
  if (!read.ok) throw new Refused(`“${name}” in this backup cannot be read: ${read.finding.sentence}`);
  return read.value;
}

/** Tables whose rows stand for themselves: what has the same id is the same. */
const SHARED = ['pictures', 'faces', 'drawer'] as const;

/** Rows of a table that belong to a figure. */
const rowsOf = async (knex: Knex, table: string, id: string): Promise<Record<string, unknown>[]> =>
  knex(table).where({ figure_id: id });

/** The collection of a name here, made where it is not. */
async function collectionLike(source: Knex, trx: Knex, id: string | null): Promise<string | null> {
  if (id === null) return null;
  const theirs = await source<{ id: string; name: string; created_at: string }>('collections')
    .where({ id })
    .first();
  if (!theirs) return null;
  const same = await trx<{ id: string; name: string }>('collections').where({ name: theirs.name }).first();
  if (same) return same.id;
  await trx('collections').insert(theirs).onConflict('id').ignore();
  return theirs.id;
}

/** Puts one figure of a backup beside what is there. @returns false where it is there already, as it is */
async function takeFigure(source: Knex, trx: Knex, row: FigureRow, date: string): Promise<boolean> {
  const there = await trx<FigureRow>('figures').where({ id: row.id }).first();
  if (there?.revision === row.revision && there.updated_at === row.updated_at) return false;
  const figure = await figureIn(source, row.id, row.name, row.step);
  const id = there ? nanoid(12) : row.id;
  const name = there ? `${row.name.slice(0, 90)} (backup ${date})` : row.name;
  const steps = await source<StepRow>('steps').where({ figure_id: row.id }).orderBy('position');
  await trx('figures').insert({
    ...row,
    id,
    name,
    number: trx.raw('(SELECT coalesce(max(number), 0) + 1 FROM figures)'),
    collection: await collectionLike(source, trx, row.collection),
  });
  for (const step of steps) await trx('steps').insert({ ...step, figure_id: id });
  for (const version of await rowsOf(source, 'versions', row.id))
    await trx('versions').insert({ ...version, figure_id: id, ...(there && { id: nanoid(12) }) });
  for (const label of await rowsOf(source, 'labels', row.id))
    await trx('labels').insert({ ...label, figure_id: id });
  if (there) await renamed(trx, id, row.step, { ...figure, name });
  await indexed(trx, id, { ...figure, name });
  return true;
}

/** Gives the figure of a step the name that it has on the Shelf. */
const renamed = async (trx: Knex, id: string, position: number, figure: Figure): Promise<void> => {
  await trx<StepRow>('steps').where({ figure_id: id }).andWhere('position', '>', position).delete();
  await trx<StepRow>('steps')
    .where({ figure_id: id, position })
    .update({ figure: JSON.stringify(storedFigure(figure)), patch: null });
};

/**
 * Puts what a backup holds beside what is there: figures that are not here, and those that are here in another state, under another
 * name. Nothing that is there is changed. All or nothing.
 * @throws Refused where it is no backup, or something in it cannot be read
 */
export const takeBackup = (knex: Knex, file: string, now = new Date()): Promise<TakenBackup> =>
  withBackup(file, (source) =>
    writing(knex, async (trx) => {
      for (const table of SHARED)
        for (const row of await source<Record<string, unknown>>(table))
          await trx(table).insert(row).onConflict('id').ignore();
      const rows = await source<FigureRow>('figures').orderBy('created_at');
      let added = 0;
      for (const row of rows)
        if (await takeFigure(source, trx, row, now.toISOString().slice(0, 10))) added += 1;
      return { added, same: rows.length - added };
    }),
  );

/** Whether another program has the data open; a file that is damaged cannot say so. */
function isInUse(file: string): boolean {
  let db: Database.Database | null = null;
  try {
    db = new Database(file, { timeout: 0, fileMustExist: true });
    db.pragma('locking_mode = EXCLUSIVE');
    db.exec('BEGIN EXCLUSIVE; COMMIT');
    return false;
  } catch (error) {
    return errorCode(error).startsWith('SQLITE_BUSY');
  } finally {
    db?.close();
  }
}

/**
 * Puts a backup in the place of the data; what was there is kept beside it.
 * @returns where what was there is now, null where there was nothing
 * @throws Refused where the backup cannot be read; Unusable where the server runs
 */
export async function putInPlace(directory: string, file: string, now = new Date()): Promise<string | null> {
  await checkBackup(file);
  const data = path.join(directory, DATABASE_FILE);
  const hasData = existsSync(data);
  if (hasData && isInUse(data))
    throw new Unusable('The data is in use: stop the server first, and try again.');
  const beside = path.join(directory, `replaced-${stamp(now)}.sqlite`);
  const fresh = `${data}.part`;
  copyFileSync(file, fresh);
  for (const end of ['-wal', '-shm'])
    if (existsSync(/* turbopackIgnore: true */ `${data}${end}`))
      renameSync(`${data}${end}`, `${beside}${end}`);
  if (hasData) renameSync(data, beside);
  renameSync(fresh, data);
  return hasData ? beside : null;
}
