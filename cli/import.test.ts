import { made } from '../tests/help/made';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';

import { readFigure } from '@/core/format/figure';
import { closeDatabases, shownFigure } from '@/server';
import { openDatabase } from '@/server/database';
import { endProcesses } from '@/server/jobs';
import { called } from '../tests/help/calls';

const directory = mkdtempSync(path.join(tmpdir(), 'cyclogon-import-'));
const file = path.join(directory, 'rosette.svg');
writeFileSync(
  file,
  `<svg xmlns="http://www.w3.org/2000/svg" width="2in" viewBox="-50 -50 100 100"><defs><g id="leaf"><path d="M0 0L5 -40L-5 -40z"/><circle cy="-42" r="3"/></g></defs>
   ${Array.from({ length: 9 }, (_, k) => `<use href="#leaf" transform="rotate(${40 * k})"/>`).join('')}<text>tide</text></svg>`,
);

beforeAll(() => {
  vi.stubEnv('CYCLOGON_DATA', directory);
});

afterAll(async () => {
  vi.unstubAllEnvs();
  await closeDatabases();
  await endProcesses();
  rmSync(directory, { recursive: true });
});

describe('cyclogon import', () => {
  it('makes a figure with rounds of a file, and says what it took and what not', async () => {
    const out = path.join(directory, 'rosette.json');
    const { status, stdout } = await called('import', file, '--out', out, '--shelf');
    expect(status).toBe(0);
    const told = JSON.parse(stdout) as { id: string };
    expect(told).toMatchObject({
      shapes: 3,
      groups: 0,
      rounds: [
        { name: 'leaf', fold: 9 },
        { name: 'tide', fold: 1 },
      ],
      width: 2,
      height: 2,
      unit: 'in',
      left: [{ what: 'typeface (one that ships stands in)', count: 1 }],
    });
    const figure = made(readFigure(readFileSync(out, 'utf8')));
    expect(figure.rounds[0]).toMatchObject({ rule: { fold: 9, start: { num: 0 } } });
    const knex = await openDatabase(directory);
    expect(await shownFigure(knex, told.id)).toEqual(figure);
    await knex.destroy();
  });

  it('reads the symmetry of dead paths, and has what differs follow where that is asked for', async () => {
    const dead = path.join(directory, 'dead.svg');
    const leaf = (k: number, fill: string): string => {
      const at = (x: number, y: number): string => {
        const angle = (2 * Math.PI * k) / 11;
        const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
        return `${(cos * x - sin * y).toFixed(3)} ${(sin * x + cos * y).toFixed(3)}`;
      };
      return `<path fill="${fill}" d="M${at(0, -10)}L${at(5, -40)}L${at(-3, -44)}z"/>`;
    };
    const leaves = Array.from({ length: 10 }, (_, k) => leaf(k, k === 4 ? '#d9512c' : '#113d4c'));
    writeFileSync(
      dead,
      `<svg xmlns="http://www.w3.org/2000/svg" width="100mm" viewBox="-50 -50 100 100">${leaves.join('')}</svg>`,
    );
    const told = async (...more: string[]) => {
      const { status, stdout, stderr } = await called('import', dead, '--as', 'rounds', ...more);
      expect([status, stderr]).toEqual([0, '']);
      return JSON.parse(stdout) as {
        rounds: { fold: number }[];
        read: { share: number; differing: unknown[] };
      };
    };
    const stays = await told();
    expect(stays.rounds.map(({ fold }) => fold)).toEqual([11, 1]);
    expect(stays.read.share).toBeCloseTo(0.9, 3);
    expect(stays.read.differing).toMatchObject([
      { kind: 'missing', fold: 11 },
      { kind: 'paint', fold: 11 },
    ]);
    const follows = await told(
      '--differing',
      'follow',
      '--missing',
      'follow',
      '--out',
      path.join(directory, 'f.json'),
    );
    expect(follows.rounds.map(({ fold }) => fold)).toEqual([11]);
    expect(
      made(readFigure(readFileSync(path.join(directory, 'f.json'), 'utf8'))).rounds[0],
    ).not.toHaveProperty('omitted');
    expect((await called('import', dead, '--differing', 'follow')).stderr).toMatch(
      '--differing goes with --as rounds',
    );
    expect((await called('import', dead, '--as', 'rounds', '--within', 'x')).status).toBe(2);
  });

  it('says what is wrong with a file or a call, and leaves nothing half written', async () => {
    const broken = path.join(directory, 'broken.svg');
    writeFileSync(broken, '<svg><path d="M0 0L');
    const out = path.join(directory, 'none.json');
    const bad = await called('import', broken, '--out', out);
    expect([bad.status, bad.stdout]).toEqual([1, '']);
    expect(bad.stderr).toMatch(/broken\.svg.*not well-formed/);
    expect(() => readFileSync(out)).toThrow();
    expect((await called('import', file, '--centre', 'north')).status).toBe(2);
    expect((await called('import')).status).toBe(2);
  });
});
