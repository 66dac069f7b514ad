import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

import { afterAll, beforeAll, expect, it, vi } from 'vitest';

import { kelpCrown } from '../demo/pieces/kelpCrown';
import { closeDatabases, createFigure, database, listFigures } from '@/server';
import { called } from '../tests/help/calls';

const directory = mkdtempSync(path.join(tmpdir(), 'cyclogon-backups-'));
const file = path.join(directory, 'shelf.sqlite');
const here = (folder: string): void => void vi.stubEnv('CYCLOGON_DATA', path.join(directory, folder));

beforeAll(async () => {
  here('a');
  await createFigure(await database(), kelpCrown());
});
afterAll(async () => {
  vi.unstubAllEnvs();
  await closeDatabases();
  rmSync(directory, { recursive: true });
});

it('cyclogon backup and restore: out, looked at, beside what is there, and in its place', async () => {
  const out = await called('backup', file);
  expect([out.status, out.stdout]).toEqual([0, `1 figure in ${file}.`]);
  expect((await called('restore', file, '--check')).stdout).toContain('all can be read');
  here('b');
  expect((await called('restore', file, '--beside')).stdout).toBe(
    '1 figure put on the Shelf, 0 there already.',
  );
  expect((await called('restore', file)).stdout).toContain('What was there is in');
  expect((await listFigures(await database())).map(({ name }) => name)).toEqual(['Kelp crown']);
  await closeDatabases();
  const none = await called('restore', '--last');
  expect([none.status, none.stderr]).toEqual([1, 'cyclogon: There is no backup that can be read.']);
  const text = path.join(directory, 'list.txt');
  writeFileSync(text, 'A shopping list');
  expect((await called('restore', text, '--check')).stderr).toMatch(/no backup of a Shelf/);
  expect((await called('restore')).status).toBe(2);
  expect((await called('backup')).status).toBe(2);
});
