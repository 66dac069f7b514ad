import { createHash } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

import Database from 'better-sqlite3';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';

import { newFigure } from '@/core/figure';
import { openDatabase } from './database';
import { Busy, Unusable } from './errors';
import { createFigure, listFigures } from './figures';

let directory = '';
const file = (): string => path.join(directory, 'cyclogon.sqlite');
const digest = (): string => createHash('sha256').update(readFileSync(file())).digest('hex');

beforeEach(() => {
  directory = mkdtempSync(path.join(tmpdir(), 'cyclogon-'));
});
afterEach(() => rmSync(directory, { recursive: true }));

async function withOneFigure(): Promise<void> {
  const knex = await openDatabase(directory);
  await createFigure(knex, newFigure('Kept', 'r'));
  await knex.destroy();
}

async function refused(): Promise<string> {
  const before = digest();
  const error: unknown = await openDatabase(directory).then(
    () => null,
    (reason: unknown) => reason,
  );
  expect(error).toBeInstanceOf(Unusable);
  expect(digest()).toBe(before);
  return (error as Unusable).message;
}

describe('Opening the data', () => {
  it('leaves a file alone that is no database, or a damaged one', async () => {
    writeFileSync(file(), 'A shopping list, not a database. '.repeat(100));
    expect(await refused()).toMatch(/is damaged, so it was not touched/);
    rmSync(file());
    await withOneFigure();
    const bytes = readFileSync(file());
    bytes.fill(7, 4096, bytes.length);
    writeFileSync(file(), bytes);
    expect(await refused()).toMatch(/is damaged/);
  });

  it('leaves a file alone that a newer program made', async () => {
    await withOneFigure();
    const newer = new Database(file());
    newer
      .prepare("INSERT INTO knex_migrations (name, batch, migration_time) VALUES ('999_later', 9, 0)")
      .run();
    newer.pragma('wal_checkpoint(TRUNCATE)');
    newer.close();
    expect(await refused()).toMatch(/newer Cyclogon/);
  });

  it('works for several that start at once, and after one that ended in the middle', async () => {
    const all = await Promise.all([1, 2, 3].map(() => openDatabase(directory)));
    for (const [k, knex] of all.entries()) await createFigure(knex, newFigure(`From ${k}`, 'r'));
    expect(await listFigures(all[0]!)).toHaveLength(3);
    // Its lock is left behind.
    await all[0]!('knex_migrations_lock').update({ is_locked: 1 });
    await Promise.all(all.map((knex) => knex.destroy()));
    const again = await openDatabase(directory);
    expect(await listFigures(again)).toHaveLength(3);
    await again.destroy();
  });

  it('writes nothing to what is up to date, so that a full disk can be read', async () => {
    await withOneFigure();
    const before = digest();
    // What is written is put into the file at the end.
    await (await openDatabase(directory)).destroy();
    expect(digest()).toBe(before);
  });

  it('waits while another program writes, answers others meanwhile, and says so where that goes on', async () => {
    await withOneFigure();
    const knex = await openDatabase(directory);
    const other = new Database(file());
    other.exec('BEGIN IMMEDIATE');
    let turns = 0;
    const ticking = setInterval(() => (turns += 1), 10);
    const waiting = createFigure(knex, newFigure('Waits', 'r'));
    expect(await listFigures(knex)).toHaveLength(1);
    setTimeout(() => other.exec('COMMIT'), 500);
    await waiting;
    expect(turns).toBeGreaterThan(10);
    expect(await listFigures(knex)).toHaveLength(2);
    other.exec('BEGIN IMMEDIATE');
    const error: unknown = await createFigure(knex, newFigure('Never', 'r')).catch(
      (reason: unknown) => reason,
    );
    expect(error).toBeInstanceOf(Busy);
    expect(await listFigures(knex)).toHaveLength(2);
    clearInterval(ticking);
    other.close();
    await knex.destroy();
  }, 30_000);
});
