import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

import type { Knex } from 'knex';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';

import { stockFigure } from '@/core/stock';
import { newFigure } from '@/core/figure';
import { kelpCrown } from '../../../demo/pieces/kelpCrown';
import { openDatabase } from '../database';
import { motifSetSchema } from '../requests';
import {
  changeMotif,
  dropMotif,
  dropMotifsOut,
  keepMotif,
  listMotifs,
  loadMotif,
  motifSet,
  motifsOut,
  takeMotifSet,
} from './drawer';

let directory = '';
let knex: Knex;
beforeEach(async () => {
  directory = mkdtempSync(path.join(tmpdir(), 'cyclogon-drawer-'));
  knex = await openDatabase(directory);
});
afterEach(async () => {
  await knex.destroy();
  rmSync(directory, { recursive: true });
});

const leaf = stockFigure('stock-leaf')!;
const own = async (): Promise<string[]> =>
  (await listMotifs(knex)).filter(({ stock }) => !stock).map(({ name }) => name);

describe('the drawer', () => {
  it('keeps, names, labels, changes, takes out and puts in again', async () => {
    const kept = await keepMotif(knex, { name: 'Harbour leaf', labels: ['plant'], figure: leaf });
    expect(await own()).toEqual(['Harbour leaf']);
    await changeMotif(knex, kept.id, { name: 'Quay leaf', labels: ['plant', 'quay'] });
    expect((await loadMotif(knex, kept.id)).revision).toBe(1);
    const drop = stockFigure('stock-drop')!;
    expect((await changeMotif(knex, kept.id, { figure: drop })).revision).toBe(2);
    const now = await loadMotif(knex, kept.id);
    expect([now.name, now.labels, now.figure.rounds[0]!.shapes[0]!.form.kind]).toEqual([
      'Quay leaf',
      ['plant', 'quay'],
      'drop',
    ]);
    await dropMotif(knex, kept.id);
    expect(await own()).toEqual([]);
    await expect(loadMotif(knex, kept.id)).rejects.toThrow(/not in the drawer/);
    expect((await motifsOut(knex)).map(({ name }) => name)).toEqual(['Quay leaf']);
    expect((await loadMotif(knex, kept.id, true)).name).toBe('Quay leaf');
    await dropMotif(knex, kept.id, true);
    expect(await motifsOut(knex)).toEqual([]);
    expect(await own()).toEqual(['Quay leaf']);
    await dropMotif(knex, kept.id);
    expect(await dropMotifsOut(knex, new Date(Date.now() - 1000).toISOString())).toBe(0);
    expect(await dropMotifsOut(knex, new Date(Date.now() + 1000).toISOString())).toBe(1);
  });

  it('refuses what is no motif, and leaves the stock as it is', async () => {
    const keep = (figure: typeof leaf) => keepMotif(knex, { name: 'No', labels: [], figure });
    await expect(keep(kelpCrown())).rejects.toThrow(/one round with shapes/);
    await expect(keep(newFigure('Empty', 'r'))).rejects.toThrow(/one round with shapes/);
    await expect(changeMotif(knex, 'stock-leaf', { name: 'Mine' })).rejects.toThrow(/stays as it is/);
    expect((await loadMotif(knex, 'stock-leaf')).stock).toBe(true);
    expect((await listMotifs(knex)).length).toBeGreaterThanOrEqual(40);
  });

  it('leaves as a file and comes in from one, all or nothing', async () => {
    const kept = await keepMotif(knex, { name: 'Leaf', labels: ['a'], figure: leaf });
    await keepMotif(knex, { name: 'Drop', labels: [], figure: stockFigure('stock-drop')! });
    const all = await motifSet(knex, null);
    const { error } = motifSetSchema.validate(JSON.parse(JSON.stringify(all)));
    expect([error, (await motifSet(knex, [kept.id])).motifs.length]).toEqual([undefined, 1]);
    expect(await takeMotifSet(knex, all)).toBe(2);
    expect((await own()).sort()).toEqual(['Drop', 'Drop', 'Leaf', 'Leaf']);
    const broken = { ...all, motifs: [...all.motifs, { name: 'No', labels: [], figure: kelpCrown() }] };
    await expect(takeMotifSet(knex, broken)).rejects.toThrow(/one round/);
    expect(await own()).toHaveLength(4);
    expect(motifSetSchema.validate({ format: 'other' }).error?.message).toMatch(/no file of motifs/);
  });
});
