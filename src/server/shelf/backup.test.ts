import { spawn } from 'node:child_process';
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

import { afterEach, beforeEach, describe, expect, it } from 'vitest';

import { setFold } from '@/core/figure/commands';
import { ALL_FIGURES } from '@/protocol';
import { kelpCrown } from '../../../demo/pieces/kelpCrown';
import { ropeKnot } from '../../../demo/pieces/ropeKnot';
import { openDatabase } from '../database';
import { createFigure, deleteFigure, loadFigure, saveFigure, shownFigure } from '../figures';
import {
  backUp,
  backUpDaily,
  backupsIn,
  checkBackup,
  lastGoodBackup,
  offeredBackup,
  putInPlace,
  takeBackup,
  timeOfBackup,
} from './backup';
import { changeFigures, makeCollection } from './changes';
import { historyOf, keepVersion } from './history';
import { isDue } from './housekeeping';
import { pageOfFigures } from './list';

let directory = '';
const inside = (name: string): string => path.join(directory, name);

beforeEach(() => {
  directory = mkdtempSync(path.join(tmpdir(), 'cyclogon-backup-'));
});
afterEach(() => rmSync(directory, { recursive: true }));

const crown = kelpCrown();
const [{ id: round } = { id: '' }] = crown.rounds;

/** A Shelf with a history, a version, a label and a collection in a folder; its backup. */
async function filled(name: string): Promise<{ folder: string; backup: string; id: string }> {
  const folder = mkdtempSync(inside(name));
  const knex = await openDatabase(folder);
  const { id } = await createFigure(knex, crown);
  const steps = [5, 6].map((fold, k) => ({
    position: k + 1,
    label: `Fold ${fold}`,
    figure: setFold(crown, round, fold),
  }));
  await saveFigure(knex, id, { base: 1, step: 2, steps });
  await keepVersion(knex, id, { name: 'Fold five', step: 1 });
  const collection = await makeCollection(knex, 'Harbour');
  await changeFigures(knex, { do: 'collect', ids: [id], collection: collection.id });
  await changeFigures(knex, { do: 'label', ids: [id], label: 'crown' });
  await createFigure(knex, ropeKnot());
  const backup = inside(`${name}.sqlite`);
  await backUp(folder, backup);
  await knex.destroy();
  return { folder, backup, id };
}

describe('a backup', () => {
  it('holds all of it, put beside what is there: what is the same stays, what differs comes under another name', async () => {
    const { folder, backup, id } = await filled('a');
    expect(await checkBackup(backup)).toEqual({ figures: 2 });
    const empty = await openDatabase(mkdtempSync(inside('b')));
    expect(await takeBackup(empty, backup)).toEqual({ added: 2, same: 0 });
    const history = await historyOf(empty, id);
    expect(history.steps.map(({ label }) => label)).toEqual(['Start', 'Fold 5', 'Fold 6']);
    expect(history.versions.map(({ name }) => name)).toEqual(['Fold five']);
    const { figures } = await pageOfFigures(empty, { ...ALL_FIGURES, search: 'harbour', from: 0, count: 9 });
    expect(figures.map(({ name, labels }) => [name, labels])).toEqual([['Kelp crown', ['crown']]]);
    expect(await takeBackup(empty, backup)).toEqual({ added: 0, same: 2 });
    await empty.destroy();

    const knex = await openDatabase(folder);
    const { revision } = await loadFigure(knex, id);
    const seven = { position: 3, label: 'Fold 7', figure: setFold(crown, round, 7) };
    await saveFigure(knex, id, { base: revision, step: 3, steps: [seven] });
    expect(await takeBackup(knex, backup, new Date('2026-11-30'))).toEqual({ added: 1, same: 1 });
    expect((await shownFigure(knex, id)).rounds[0]!.rule.fold).toBe(7);
    const both = await pageOfFigures(knex, { ...ALL_FIGURES, search: 'kelp', from: 0, count: 9 });
    expect(both.figures.map(({ name }) => name).sort()).toEqual([
      'Kelp crown',
      'Kelp crown (backup 2026-11-30)',
    ]);
    const other = both.figures.find(({ name }) => name.endsWith(')'))!;
    const again = await loadFigure(knex, other.id);
    expect([again.figure.name, again.figure.rounds[0]!.rule.fold]).toEqual([other.name, 6]);
    await knex.destroy();
  });

  it('that is none, is damaged or has a broken figure is refused with a sentence, and changes nothing', async () => {
    const { folder, backup, id } = await filled('a');
    const knex = await openDatabase(folder);
    writeFileSync(inside('list.sqlite'), 'A shopping list. '.repeat(400));
    await expect(takeBackup(knex, inside('list.sqlite'))).rejects.toThrow(/no backup of a Shelf/);
    await expect(takeBackup(knex, inside('nothing.sqlite'))).rejects.toThrow(/no file/);
    const bytes = readFileSync(backup);
    writeFileSync(inside('cut.sqlite'), bytes.subarray(0, bytes.length / 2));
    await expect(takeBackup(knex, inside('cut.sqlite'))).rejects.toThrow(/damaged/);
    const theirs = await openDatabase(mkdtempSync(inside('b')));
    await takeBackup(theirs, backup);
    await theirs('steps').update({ figure: '{"format":"other"}', patch: null });
    await theirs.destroy();
    const [other] = readdirSync(directory).filter((name) => name.startsWith('b') && !name.includes('.'));
    const fresh = inside('broken.sqlite');
    await backUp(inside(other!), fresh);
    await deleteFigure(knex, id);
    await changeFigures(knex, { do: 'destroy', ids: [id] });
    await expect(takeBackup(knex, fresh)).rejects.toThrow(/“Kelp crown” in this backup cannot be read/);
    expect((await pageOfFigures(knex, { ...ALL_FIGURES, from: 0, count: 9 })).total).toBe(1);
    await knex.destroy();
  });

  it('is put in the place of damaged data, which is kept beside it; not while the server runs', async () => {
    const { folder, backup } = await filled('a');
    const knex = await openDatabase(folder);
    await knex('figures').select('id');
    await expect(putInPlace(folder, backup)).rejects.toThrow(/stop the server first/);
    await knex.destroy();
    writeFileSync(path.join(folder, 'cyclogon.sqlite'), 'damaged '.repeat(900));
    const before = await putInPlace(folder, backup);
    expect(readFileSync(before!, 'utf8')).toMatch(/^damaged/);
    const again = await openDatabase(folder);
    expect((await pageOfFigures(again, { ...ALL_FIGURES, from: 0, count: 9 })).total).toBe(2);
    await again.destroy();
  });

  it('is made every night, seven are kept, and the newest that can be read is the one that is offered', async () => {
    const { folder } = await filled('a');
    for (let day = 1; day <= 9; day += 1) await backUpDaily(folder, new Date(Date.UTC(2026, 10, day, 2)));
    const all = backupsIn(folder);
    expect(all.map((file) => timeOfBackup(file).getUTCDate())).toEqual([9, 8, 7, 6, 5, 4, 3]);
    writeFileSync(all[0]!, 'cut off');
    expect(lastGoodBackup(folder)).toBe(all[1]);
    expect(offeredBackup(folder)).toMatch(/The last backup that can be read is of .*2026.*restore --last/);
    expect(offeredBackup(inside('nowhere'))).toBeNull();
    const at = (hour: number, day = 10): Date => new Date(2026, 10, day, hour);
    expect([
      isDue(null, at(12)),
      isDue(at(2), at(14)),
      isDue(at(14), at(3, 11)),
      isDue(at(2), at(3)),
      isDue(at(12), at(13, 11)),
    ]).toEqual([true, false, true, false, true]);
  });

  it('that is killed while it is written, or while a history is thinned, leaves the data whole and no half backup', async () => {
    const { folder, id } = await filled('a');
    const knex = await openDatabase(folder);
    // Large enough that it is not over before it is killed.
    await knex('pictures').insert({
      id: 'large',
      type: 'image/png',
      width: 1,
      height: 1,
      bytes: Buffer.alloc(60_000_000, 7),
      created_at: 'now',
    });
    for (let position = 3; position < 300; position += 1)
      await knex('steps').insert({
        figure_id: id,
        position,
        label: 'Change',
        figure: JSON.stringify(setFold(crown, round, position)),
        made_at: new Date(Date.UTC(2026, 1, 1, position)).toISOString(),
      });
    await knex('figures').where({ id }).update({ step: 299 });
    await knex.destroy();
    const script = inside('endless.mts');
    const source = path.join(process.cwd(), 'src/server');
    writeFileSync(
      script,
      `import { backUp } from '${source}/shelf/backup';
       import { openDatabase } from '${source}/database';
       import { thinAll } from '${source}/shelf/housekeeping';
       const knex = await openDatabase(${JSON.stringify(folder)});
       console.log('begun');
       for (;;) {
         await Promise.all([backUp(${JSON.stringify(folder)}, ${JSON.stringify(inside('killed.sqlite'))}), thinAll(knex)]);
         await knex('steps').where({ position: 298 }).delete();
       }`,
    );
    for (const wait of [5, 60, 150]) {
      const child = spawn(process.execPath, ['--import', 'tsx', script], {
        stdio: ['ignore', 'pipe', 'ignore'],
      });
      const ended = new Promise((done) => child.on('close', done));
      await Promise.race([new Promise((done) => child.stdout.once('data', done)), ended]);
      expect(child.exitCode).toBeNull();
      await new Promise((done) => setTimeout(done, wait));
      child.kill('SIGKILL');
      await ended;
      if (existsSync(inside('killed.sqlite')))
        expect((await checkBackup(inside('killed.sqlite'))).figures).toBe(2);
      const again = await openDatabase(folder);
      expect((await shownFigure(again, id)).rounds[0]!.rule.fold).toBe(299);
      expect((await historyOf(again, id)).steps[0]?.position).toBe(0);
      await again.destroy();
    }
  }, 60_000);
});
