import { made } from '../tests/help/made';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

import { afterAll, describe, expect, it, vi } from 'vitest';

import { readFigure, writeFigure } from '@/core/format/figure';
import { closeDatabases, createFigure } from '@/server';
import { openDatabase } from '@/server/database';
import { endProcesses } from '@/server/jobs';
import { PIECES } from '../demo/pieces';
import { called } from '../tests/help/calls';
import { HEAVY } from '../tests/help/heavy';

const root = path.dirname(import.meta.dirname);
const directory = mkdtempSync(path.join(tmpdir(), 'cyclogon-cli-'));
const figure = PIECES['scallop-ring']!();
const file = path.join(directory, 'ring.json');
writeFileSync(file, writeFigure(figure));

afterAll(async () => {
  await closeDatabases();
  await endProcesses();
  rmSync(directory, { recursive: true });
});

const cyclogon = (...args: string[]) =>
  spawnSync(path.join(root, 'node_modules/.bin/tsx'), [path.join(root, 'cli/main.ts'), ...args], {
    encoding: 'utf8',
    env: { ...process.env, CYCLOGON_DATA: directory },
  });

describe('cyclogon export', () => {
  it('writes SVG to standard output and to a file', async () => {
    const { stdout, status } = cyclogon('export', file, '--to', 'svg', '--plain', '--decimals', '2');
    expect(status).toBe(0);
    expect(stdout).toMatch(/<title>Scallop ring<\/title>/);
    expect(stdout).not.toMatch(/<use|\.\d{3}/);
    const out = path.join(directory, 'ring.svg');
    expect(await called('export', file, '--to', 'svg', '--out', out)).toMatchObject({
      status: 0,
      stdout: '',
    });
    expect(readFileSync(out, 'utf8')).toContain('<symbol');
  });

  it('writes PNG of the size asked for, from a stored figure', async () => {
    const knex = await openDatabase(directory);
    const { id } = await createFigure(knex, figure);
    await knex.destroy();
    const out = path.join(directory, 'ring.png');
    vi.stubEnv('CYCLOGON_DATA', directory);
    expect((await called('export', '--id', id, '--to', 'png', '--size', '300', '--out', out)).status).toBe(0);
    expect(readFileSync(out).readUInt32BE(16)).toBe(300);
  });

  it('writes several figures, formats and sizes into a directory, each under a name of its own', async () => {
    vi.stubEnv('CYCLOGON_DATA', directory);
    const out = path.join(directory, 'handed');
    const { status, stdout, stderr } = await called(
      ...['export', file, file, '--to', 'svg,png', '--size', '32,64', '--out', out],
    );
    expect([status, stdout]).toEqual([0, '']);
    expect(stderr).toMatch(/6 of 6 files/);
    expect(readdirSync(out).sort()).toEqual([
      'scallop-ring-2.svg',
      'scallop-ring-32-2.png',
      'scallop-ring-32.png',
      'scallop-ring-64-2.png',
      'scallop-ring-64.png',
      'scallop-ring.svg',
    ]);
    expect(readFileSync(path.join(out, 'scallop-ring-64.png')).readUInt32BE(16)).toBe(64);
    const knex = await openDatabase(directory);
    await createFigure(knex, figure);
    await knex.destroy();
    const shelf = path.join(directory, 'shelf');
    expect((await called('export', '--all', '--to', 'json', '--out', shelf)).status).toBe(0);
    expect(readdirSync(shelf).length).toBeGreaterThan(0);
  });

  it('sets numbers by their names, and writes a figure for each line of a table', async () => {
    const one = path.join(directory, 'one.json');
    const settings = ['--set', 'hub.fold=16', '--set', 'hub.petal.width=2mm'];
    expect((await called('export', file, '--to', 'json', ...settings, '--out', one)).status).toBe(0);
    const hub = made(readFigure(readFileSync(one, 'utf8'))).rounds.find(({ name }) => name === 'Hub');
    expect(hub?.rule.fold).toBe(16);
    const table = path.join(directory, 'table.csv');
    writeFileSync(table, 'name,hub.fold,hub.mirror\nSmall tide,5,\n,7,halves\n');
    const out = path.join(directory, 'lines');
    expect((await called('export', file, '--to', 'json', '--csv', table, '--out', out)).status).toBe(0);
    expect(readdirSync(out).sort()).toEqual([
      'scallop-ring-hub.fold-7-hub.mirror-halves.json',
      'small-tide.json',
    ]);
    const seven = made(
      readFigure(readFileSync(path.join(out, 'scallop-ring-hub.fold-7-hub.mirror-halves.json'), 'utf8')),
    );
    expect(seven.rounds.find(({ name }) => name === 'Hub')?.rule).toMatchObject({ fold: 7, mirror: true });
    // A line that cannot be drawn is named, and holds up no other.
    writeFileSync(table, 'name,hub.fold\nGood,6\nBad,none\n');
    const half = await called(
      'export',
      file,
      '--to',
      'json',
      '--csv',
      table,
      '--out',
      path.join(directory, 'half'),
    );
    expect(half.status).toBe(1);
    expect(half.stderr).toMatch(/bad\.json: “hub\.fold” cannot be “none”/);
    expect(readdirSync(path.join(directory, 'half'))).toEqual(['good.json']);
    expect((await called('export', file, '--to', 'svg', '--set', 'fold')).status).toBe(2);
    expect((await called('export', file, '--to', 'svg', '--set', 'fold=9')).stderr).toMatch(/say which/);
  });

  it('ends what takes longer than it may, and says so; a reader that goes away is no mistake', () => {
    const heavy = path.join(directory, 'heavy.json');
    writeFileSync(heavy, writeFigure(HEAVY.weave()));
    const { status, stdout, stderr } = cyclogon('export', heavy, '--to', 'svg', '--time-limit', '3');
    expect([status, stdout]).toEqual([1, '']);
    expect(stderr).toMatch(/at work for 2 of 3 seconds/);
    expect(stderr).toMatch(/longer than 3 seconds/);
    const piped = spawnSync(
      'sh',
      ['-c', `node_modules/.bin/tsx cli/main.ts export ${file} --to svg | true`],
      {
        cwd: root,
        encoding: 'utf8',
      },
    );
    expect(piped.status).toBe(0);
    expect(piped.stderr).not.toMatch(/EPIPE|at .*:\d+/);
  });

  it('says what went wrong: 1 for input, 2 for the call', async () => {
    vi.stubEnv('CYCLOGON_DATA', directory);
    // The status of a call of its own, once; the sentences in this process.
    expect(cyclogon('turn').status).toBe(2);
    const broken = path.join(directory, 'broken.json');
    writeFileSync(broken, '{"format":"cyclogon-figure","version":99}');
    const cases: [string[], number, RegExp][] = [
      [['export', '/nowhere.json', '--to', 'svg'], 1, /There is no file/],
      [['export', broken, '--to', 'svg'], 1, /newer Cyclogon/],
      [['export', '--id', 'nope', '--to', 'svg'], 1, /no such figure/],
      [['export', '--id', '-nope', '--to', 'svg'], 1, /no such figure/],
      [['export', file], 2, /--to is missing/],
      [['export', file, '--to', 'gif'], 2, /not “gif”/],
      [['export', file, '--to', 'png', '--size', '1e3'], 2, /whole number from 1 to 8192/],
      [['export', file, '--id', 'x', '--to', 'svg'], 2, /Name figures in one way/],
      [['export', '--to', 'svg'], 2, /Name figures in one way/],
      [['export', file, '--to', 'svg,png'], 2, /which directory/],
      [['export', file, '--to', 'svg,png', '--out', broken], 1, /is a file: 2 files want a directory/],
      [['export', file, broken, '--to', 'svg', '--out', path.join(directory, 'none')], 1, /newer Cyclogon/],
      [['export', file, '--to', 'svg', '--colour', 'red'], 2, /--colour/],
      [['export', file, '--to', 'svg', '--time-limit', '0'], 2, /whole number from 1 to 86400/],
      [['turn'], 2, /no command “turn”/],
    ];
    for (const [args, status, sentence] of cases) {
      const answer = await called(...args);
      expect([answer.status, answer.stdout]).toEqual([status, '']);
      expect(answer.stderr).toMatch(sentence);
    }
  });
});
