import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

import fc from 'fast-check';
import type { Knex } from 'knex';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';

import { setFold } from '@/core/figure/commands';
import { type Figure, newFigure } from '@/core/figure';
import { ALL_FIGURES, BIN_DAYS, type ShelfQuery } from '@/protocol';
import { frostFlake } from '../../../demo/pieces/frostFlake';
import { kelpCrown } from '../../../demo/pieces/kelpCrown';
import { ropeKnot } from '../../../demo/pieces/ropeKnot';
import { tideDial } from '../../../demo/pieces/tideDial';
import { openDatabase } from '../database';
import { createFigure, deleteFigure, duplicateFigure, loadFigure, saveFigure, shownFigure } from '../figures';
import { figureAt } from '../steps';
import { changeFigures, dropCollection, emptyBin, makeCollection, renameCollection } from './changes';
import { shelfFacts } from './facts';
import { dropVersion, historyOf, keepVersion, renameVersion, stateOf } from './history';
import { keepHouse, thinAll, thinned } from './housekeeping';
import { pageOfFigures } from './list';
import { noteClosed, noteOpen, openWindows } from './presence';
import { setThinningRules, thinningRules } from './settings';
import { DAY } from './thinning';

let directory = '';
let knex: Knex;

beforeEach(async () => {
  directory = mkdtempSync(path.join(tmpdir(), 'cyclogon-shelf-'));
  knex = await openDatabase(directory);
});
afterEach(async () => {
  await knex.destroy();
  rmSync(directory, { recursive: true });
});

const names = async (query: Partial<ShelfQuery> = {}): Promise<string[]> =>
  (await pageOfFigures(knex, { ...ALL_FIGURES, ...query, from: 0, count: 100 })).figures.map(
    ({ name }) => name,
  );

/** Saves one more step of a figure. */
async function step(id: string, figure: Figure, position: number, label = 'Change'): Promise<void> {
  const { revision } = await loadFigure(knex, id);
  await saveFigure(knex, id, { base: revision, step: position, steps: [{ position, label, figure }] });
}

const folded = (fold: number): Figure => setFold(kelpCrown(), kelpCrown().rounds[0]!.id, fold);

describe('the Shelf finds', () => {
  it('by name, label, collection, fold, colour, and what is in a figure', async () => {
    const [crown, knot, flake] = await Promise.all(
      [kelpCrown, ropeKnot, frostFlake].map(async (build) => createFigure(knex, build())),
    );
    const { id } = await makeCollection(knex, 'Harbour café');
    await changeFigures(knex, { do: 'collect', ids: [crown!.id, knot!.id], collection: id });
    await changeFigures(knex, { do: 'label', ids: [flake!.id], label: 'Wintergruß' });
    const fold = kelpCrown().rounds[0]!.rule.fold;
    expect(await names({ search: `${fold} fold` })).toContain('Kelp crown');
    expect(await names({ search: `${String(fold).slice(0, 1)} fold kelp` })).toEqual([]);
    expect(await names({ search: 'CROWN kel' })).toEqual(['Kelp crown']);
    expect((await names({ search: 'cafe' })).sort()).toEqual(['Kelp crown', 'Rope knot']);
    expect(await names({ search: 'wintergr' })).toEqual(['Frost flake']);
    expect(await names({ search: 'weave' })).toEqual(['Rope knot']);
    expect(await names({ search: '"; DROP TABLE figures; --' })).toEqual([]);
    expect(await names({ collection: id, search: 'knot' })).toEqual(['Rope knot']);
    expect(await names({ label: 'Wintergruß' })).toEqual(['Frost flake']);
    await renameCollection(knex, id, 'Quay');
    expect([(await names({ search: 'cafe' })).length, (await names({ search: 'quay' })).length]).toEqual([
      0, 2,
    ]);
    await dropCollection(knex, id);
    expect(await names({ search: 'quay' })).toEqual([]);
    expect(await names()).toHaveLength(3);
  });

  it('what a plain scan over the same words finds, after any changes', async () => {
    const words = ['kelp', 'foam', 'Föhn', 'gull', 'sand', 'KELP', 'go', '12', '120'];
    const some = fc.array(fc.constantFrom(...words), { minLength: 1, maxLength: 3 });
    await fc.assert(
      fc.asyncProperty(
        fc.array(some, { minLength: 1, maxLength: 5 }),
        fc.array(fc.constantFrom('k', 'ke', 'fo', 'föh', 'g', '12', 'sand'), { minLength: 1, maxLength: 2 }),
        async (titles, asked) => {
          await knex('figures').delete();
          await knex('shelf_words').delete();
          for (const title of titles) {
            const made = await createFigure(knex, newFigure('first name', 'r'));
            await step(made.id, newFigure(title.join(' '), 'r'), 1);
          }
          const plain = (text: string): string => text.toLowerCase().normalize('NFD').replace(/\p{M}/gu, '');
          const begins = (word: string, part: string): boolean =>
            /^\d+$/.test(part) ? plain(word) === part : plain(word).startsWith(plain(part));
          const expected = titles.filter((title) =>
            asked.every((part) =>
              [...title, 'Round', '1', 'fold', '8', 'white', 'fffefb'].some((word) => begins(word, part)),
            ),
          );
          const found = await names({ search: asked.join(' ') });
          expect(found.sort()).toEqual(expected.map((title) => title.join(' ')).sort());
        },
      ),
      { numRuns: 15 },
    );
  });

  it('in the order that is asked for', async () => {
    for (const build of [tideDial, kelpCrown, frostFlake]) await createFigure(knex, build());
    expect(await names({ sort: 'name' })).toEqual(['Frost flake', 'Kelp crown', 'Tide dial']);
    const folds = await Promise.all(
      (await names({ sort: 'fold' })).map(async (name) => {
        const row = await knex<{ name: string; fold: number }>('figures').where({ name }).first('fold');
        return row!.fold;
      }),
    );
    expect(folds).toEqual([...folds].sort((a, b) => a - b));
  });
});

describe('the Bin', () => {
  it('keeps what was taken off for thirty days, gives it back, and is emptied', async () => {
    const crown = await createFigure(knex, kelpCrown());
    const dial = await createFigure(knex, tideDial());
    const knot = await createFigure(knex, ropeKnot());
    await step(crown.id, folded(5), 1);
    for (const { id } of [crown, dial]) await deleteFigure(knex, id);
    expect(await names()).toEqual(['Rope knot']);
    expect((await names({ binned: true })).sort()).toEqual(['Kelp crown', 'Tide dial']);
    await expect(loadFigure(knex, crown.id)).rejects.toThrow(/no such figure/);
    await changeFigures(knex, { do: 'putBack', ids: [crown.id] });
    expect((await loadFigure(knex, crown.id)).steps.length).toBeGreaterThan(1);
    // What is on the Shelf is never taken away for good.
    await changeFigures(knex, { do: 'destroy', ids: [knot.id] });
    expect(await names()).toContain('Rope knot');
    const later = new Date(Date.now() + (BIN_DAYS - 1) * DAY);
    await keepHouse(directory, knex, later);
    expect(await names({ binned: true })).toEqual(['Tide dial']);
    await keepHouse(directory, knex, new Date(later.getTime() + 2 * DAY));
    expect(await names({ binned: true })).toEqual([]);
    await deleteFigure(knex, knot.id);
    expect(await emptyBin(knex)).toBe(1);
    expect(await knex('shelf_words').select('name')).toEqual([{ name: 'Kelp crown' }]);
    expect(await names()).toEqual(['Kelp crown']);
  });
});

describe('a history', () => {
  it('is listed with times, and every state can be had again, also as a figure of its own', async () => {
    const { id } = await createFigure(knex, kelpCrown());
    for (const [k, fold] of [5, 6, 7].entries()) await step(id, folded(fold), k + 1, `Fold ${fold}`);
    const version = await keepVersion(knex, id, { name: 'For the board', step: 2 });
    const { steps, step: shown, versions } = await historyOf(knex, id);
    expect(steps.map(({ label }) => label)).toEqual(['Start', 'Fold 5', 'Fold 6', 'Fold 7']);
    expect(steps.every(({ at }) => Math.abs(Date.parse(at) - Date.now()) < 60_000)).toBe(true);
    expect([shown, versions.map(({ name }) => name)]).toEqual([3, ['For the board']]);
    const fold = async (state: object): Promise<number> =>
      (await stateOf(knex, id, state)).figure.rounds[0]!.rule.fold;
    expect(await Promise.all([{}, { step: 1 }, { version: version.id }].map(fold))).toEqual([7, 5, 6]);
    const copy = await duplicateFigure(knex, id, { version: version.id, name: 'Board' });
    expect((await shownFigure(knex, copy.id)).rounds[0]!.rule.fold).toBe(6);
    await renameVersion(knex, id, version.id, 'Shown');
    await dropVersion(knex, copy.id, version.id);
    expect((await historyOf(knex, id)).versions.map(({ name }) => name)).toEqual(['Shown']);
    await dropVersion(knex, id, version.id);
    expect((await historyOf(knex, id)).versions).toEqual([]);
    await expect(stateOf(knex, id, { step: 9 })).rejects.toThrow(/not in the history/);
  });

  it('keeps what work leaves behind as it goes on from an earlier step, and nothing where it is only done again', async () => {
    const { id } = await createFigure(knex, kelpCrown());
    await step(id, folded(5), 1, 'Nudge');
    await step(id, folded(6), 1, 'Nudge');
    expect((await historyOf(knex, id)).versions).toEqual([]);
    for (const fold of [7, 8, 9]) await step(id, folded(fold), fold - 5, `Fold ${fold}`);
    await saveFigure(knex, id, { base: (await loadFigure(knex, id)).revision, step: 1, steps: [] });
    await step(id, folded(20), 2, 'Another way');
    const { versions } = await historyOf(knex, id);
    expect(versions.map(({ name, kind }) => [name, kind])).toEqual([['Left behind: Fold 9', 'left']]);
    const { figure } = await stateOf(knex, id, { version: versions[0]!.id });
    expect(figure.rounds[0]!.rule.fold).toBe(9);
    const month = 31 * DAY;
    await keepHouse(directory, knex, new Date(Date.now() + month));
    expect((await historyOf(knex, id)).versions).toEqual([]);
  });

  it('is thinned by the rules: what stays is what it was, undo goes on, and versions are left alone', async () => {
    expect(await thinningRules(knex)).toEqual({ all: 1, hourly: 30 });
    await setThinningRules(knex, { all: 2, hourly: 10 });
    const { id } = await createFigure(knex, kelpCrown());
    for (let k = 1; k <= 70; k += 1) await step(id, folded(k + 2), k);
    await keepVersion(knex, id, { name: 'Kept', step: 33 });
    for (let k = 0; k <= 70; k += 1)
      await knex('steps')
        .where({ figure_id: id, position: k })
        .update({ made_at: new Date(Date.now() - (5 * DAY - (k * DAY) / 24 / 7)).toISOString() });
    const gone = await thinAll(knex);
    const { steps } = await historyOf(knex, id);
    expect([gone + steps.length, steps.length < 20]).toEqual([71, true]);
    for (const { position } of steps.slice(1))
      expect((await figureAt(knex, id, position)).rounds[0]!.rule.fold).toBe(position + 2);
    const { figure } = await stateOf(knex, id, { version: (await historyOf(knex, id)).versions[0]!.id });
    expect(figure.rounds[0]!.rule.fold).toBe(35);
    expect((await loadFigure(knex, id)).figure.rounds[0]!.rule.fold).toBe(72);
    await step(id, folded(99), 71);
    expect((await loadFigure(knex, id)).step).toBe(71);
  });

  it('loses no version and no step that the rules keep, whatever is done in whatever order', async () => {
    const actions = fc.array(
      fc.oneof(
        fc.constant('step' as const),
        fc.constant('back' as const),
        fc.constant('version' as const),
        fc.constant('thin' as const),
        fc.constant('bin' as const),
        fc.constant('restore' as const),
        fc.constant('age' as const),
      ),
      { minLength: 10, maxLength: 30 },
    );
    await fc.assert(
      fc.asyncProperty(actions, async (list) => {
        const { id } = await createFigure(knex, kelpCrown());
        let fold = 3;
        const versions = new Map<string, number>();
        for (const action of list) {
          const now = await stateOf(knex, id, {}).catch(() => null);
          if (action === 'restore') await changeFigures(knex, { do: 'putBack', ids: [id] });
          else if (!now) continue;
          else if (action === 'bin') await deleteFigure(knex, id);
          else if (action === 'thin') {
            const before = await historyOf(knex, id);
            await thinned(knex, id, { all: 1, hourly: 2 }, Date.now());
            const after = await historyOf(knex, id);
            const young = before.steps.filter(({ at }) => Date.now() - Date.parse(at) < DAY);
            expect(after.steps).toEqual(expect.arrayContaining(young));
            expect([after.step, after.versions]).toEqual([before.step, before.versions]);
            const same = await stateOf(knex, id, {});
            expect(same.figure).toEqual(now.figure);
          } else if (action === 'age')
            await knex.raw(
              "UPDATE steps SET made_at = strftime('%Y-%m-%dT%H:%M:%fZ', made_at, '-9 hours') WHERE figure_id = ?",
              [id],
            );
          else if (action === 'version') {
            const made = await keepVersion(knex, id, { name: `Fold ${fold}` });
            versions.set(made.id, now.figure.rounds[0]!.rule.fold);
          } else {
            const { step: shown, steps, revision } = await historyOf(knex, id);
            if (action === 'step') {
              fold += 1;
              await step(id, folded(fold), shown + 1, `Fold ${fold}`);
            } else {
              const earlier = steps.filter(({ position }) => position < shown);
              const to = earlier[earlier.length - 1]?.position ?? 0;
              await saveFigure(knex, id, { base: revision, step: to, steps: [] });
            }
          }
        }
        await changeFigures(knex, { do: 'putBack', ids: [id] });
        for (const [version, wanted] of versions)
          expect((await stateOf(knex, id, { version })).figure.rounds[0]!.rule.fold).toBe(wanted);
        for (const { position } of (await historyOf(knex, id)).steps) await figureAt(knex, id, position);
      }),
      { numRuns: 12 },
    );
  }, 60_000);
});

it('windows that have a figure open are counted until they close it, or are silent', async () => {
  const now = Date.now();
  expect([noteOpen('f', 'a', now), noteOpen('f', 'b', now), noteOpen('f', 'a', now)]).toEqual([0, 1, 1]);
  const { stamp } = await shelfFacts(knex);
  noteClosed('f', 'a');
  expect(openWindows(now)).toEqual({ f: 1 });
  expect((await shelfFacts(knex)).stamp).not.toBe(stamp);
  expect(openWindows(now + 120_000)).toEqual({});
});
