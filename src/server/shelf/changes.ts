/** What is done to several figures at once: to the Bin and back, labels, collections, copies. */
import type { Knex } from 'knex';
import { nanoid } from 'nanoid';

import type { Collection, ShelfChange } from '@/protocol';
import { writing } from '../database';
import { NotFound, Refused } from '../errors';
import { indexedPlaces, unindexed } from './search';
import type { FigureRow } from './list';

const MOST_LABELS = 20;
const MOST_COLLECTIONS = 500;

const now = (): string => new Date().toISOString();

interface LabelRow {
  figure_id: string;
  label: string;
}

interface CollectionRow {
  id: string;
  name: string;
  created_at: string;
}

/** Puts figures in the Bin. */
const binned = (trx: Knex, ids: readonly string[]): Promise<number> =>
  trx<FigureRow>('figures').whereIn('id', ids).whereNull('deleted_at').update({ deleted_at: now() });

/** Puts figures back on the Shelf. */
const putBack = (trx: Knex, ids: readonly string[]): Promise<number> =>
  trx<FigureRow>('figures').whereIn('id', ids).update({ deleted_at: null });

/** Takes figures that are in the Bin away for good, with all that is theirs. */
export async function destroyed(trx: Knex, ids: readonly string[]): Promise<number> {
  const rows = await trx<FigureRow>('figures').whereIn('id', ids).whereNotNull('deleted_at');
  await unindexed(
    trx,
    rows.map(({ number }) => number),
  );
  return trx<FigureRow>('figures')
    .whereIn(
      'id',
      rows.map(({ id }) => id),
    )
    .delete();
}

async function labelled(trx: Knex, ids: readonly string[], label: string): Promise<void> {
  for (const figure_id of ids) {
    const there = await trx<LabelRow>('labels').where({ figure_id });
    if (there.some((row) => row.label === label)) continue;
    if (there.length >= MOST_LABELS) throw new Refused(`A figure has at most ${MOST_LABELS} labels.`);
    await trx<LabelRow>('labels').insert({ figure_id, label });
  }
}

async function collected(trx: Knex, ids: readonly string[], collection: string | null): Promise<void> {
  if (collection !== null && !(await trx<CollectionRow>('collections').where({ id: collection }).first()))
    throw new NotFound('There is no such collection; it may have been taken away.');
  await trx<FigureRow>('figures').whereIn('id', ids).update({ collection });
}

/**
 * Does one thing to several figures, to all of them or to none.
 * @throws NotFound where one is not there; Refused
 */
export const changeFigures = (
  knex: Knex,
  change: Exclude<ShelfChange, { readonly do: 'duplicate' }>,
): Promise<void> =>
  writing(knex, async (trx) => {
    const { ids } = change;
    const there = await trx<FigureRow>('figures').whereIn('id', ids).select('id');
    if (there.length < new Set(ids).size) throw new NotFound('One of these figures is not there any more.');
    switch (change.do) {
      case 'bin':
        await binned(trx, ids);
        return;
      case 'putBack':
        await putBack(trx, ids);
        return;
      case 'destroy':
        await destroyed(trx, ids);
        return;
      case 'label':
        await labelled(trx, ids, change.label);
        break;
      case 'unlabel':
        await trx<LabelRow>('labels').whereIn('figure_id', ids).where({ label: change.label }).delete();
        break;
      case 'collect':
        await collected(trx, ids, change.collection);
        break;
    }
    await indexedPlaces(trx, ids);
  });

/** Takes all that lies in the Bin away for good. @returns how many */
export const emptyBin = (knex: Knex): Promise<number> =>
  writing(knex, async (trx) => {
    const rows = await trx<FigureRow>('figures').whereNotNull('deleted_at').select('id');
    return destroyed(
      trx,
      rows.map(({ id }) => id),
    );
  });

/** A collection under a name that no other has. @throws Refused */
export const makeCollection = (knex: Knex, name: string): Promise<Collection> =>
  writing(knex, async (trx) => {
    await refuseName(trx, name);
    const all = await trx<CollectionRow>('collections').select('id');
    if (all.length >= MOST_COLLECTIONS)
      throw new Refused(`There are at most ${MOST_COLLECTIONS} collections.`);
    const row = { id: nanoid(10), name, created_at: now() };
    await trx<CollectionRow>('collections').insert(row);
    return { id: row.id, name, count: 0 };
  });

async function refuseName(trx: Knex, name: string, own?: string): Promise<void> {
  const all = await trx<CollectionRow>('collections').select('id', 'name');
  const same = (a: string, b: string): boolean => a.toLocaleLowerCase() === b.toLocaleLowerCase();
  if (all.some((row) => row.id !== own && same(row.name, name)))
    throw new Refused(`There is a collection “${name}” already.`);
}

/** Figures that lie in a collection. */
const lyingIn = async (trx: Knex, collection: string): Promise<string[]> =>
  (await trx<FigureRow>('figures').where({ collection }).select('id')).map(({ id }) => id);

/** Gives a collection another name. @throws NotFound, Refused */
export const renameCollection = (knex: Knex, id: string, name: string): Promise<void> =>
  writing(knex, async (trx) => {
    await refuseName(trx, name, id);
    const count = await trx<CollectionRow>('collections').where({ id }).update({ name });
    if (count === 0) throw new NotFound('There is no such collection; it may have been taken away.');
    await indexedPlaces(trx, await lyingIn(trx, id));
  });

/** Takes a collection away; the figures in it stay on the Shelf. */
export const dropCollection = (knex: Knex, id: string): Promise<void> =>
  writing(knex, async (trx) => {
    const ids = await lyingIn(trx, id);
    await trx<FigureRow>('figures').whereIn('id', ids).update({ collection: null });
    await trx<CollectionRow>('collections').where({ id }).delete();
    await indexedPlaces(trx, ids);
  });
