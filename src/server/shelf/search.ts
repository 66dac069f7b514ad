/**
 * Full-text search over the Shelf, by SQLite's FTS5: names, labels, collections, folds, colours and the words in figures.
 *
 * @example
 * await indexed(knex, id, figure);                          // after every change of what a figure is found by
 * rows.whereIn('number', foundNumbers(knex, 'kelp 12'));    // every word begins one of its words
 */
import type { Knex } from 'knex';

import { type Figure, foundBy } from '@/core/figure';

interface Placed {
  number: number;
  collection: string | null;
}

/** The words of a search as its index tells words apart: runs of letters and digits. */
export const wordsOf = (search: string): string[] =>
  search.toLocaleLowerCase().match(/[\p{L}\p{M}\p{N}]+/gu) ?? [];

/** Each word begins a word that is there; a number is meant whole. */
const matchOf = (words: readonly string[]): string =>
  words.map((word) => (/^\d+$/.test(word) ? `"${word}"` : `"${word}"*`)).join(' ');

/** The numbers of the figures that are found by all words. */
export const foundNumbers = (knex: Knex, words: readonly string[]): Knex.QueryBuilder =>
  knex('shelf_words')
    .whereRaw('shelf_words MATCH ?', [matchOf(words)])
    .select('rowid');

async function labelsOf(knex: Knex, id: string): Promise<string> {
  const rows = await knex<{ figure_id: string; label: string }>('labels').where({ figure_id: id });
  return rows.map(({ label }) => label).join(' ');
}

async function collectionName(knex: Knex, collection: string | null): Promise<string> {
  if (collection === null) return '';
  const row = await knex<{ id: string; name: string }>('collections').where({ id: collection }).first();
  return row?.name ?? '';
}

/** Puts what a figure is found by in the index, in place of what was there. */
export async function indexed(knex: Knex, id: string, figure: Figure): Promise<void> {
  const row = await knex<Placed & { id: string }>('figures').where({ id }).first('number', 'collection');
  if (!row) return;
  const entry = {
    rowid: row.number,
    name: figure.name,
    labels: await labelsOf(knex, id),
    collection: await collectionName(knex, row.collection),
    ...foundBy(figure),
  };
  await knex('shelf_words').where('rowid', row.number).delete();
  await knex('shelf_words').insert(entry);
  const fold = Math.max(0, ...figure.rounds.map(({ rule }) => rule.fold));
  await knex('figures').where({ id }).update({ fold });
}

/** The labels and the collection of figures anew, where they alone changed. */
export async function indexedPlaces(knex: Knex, ids: readonly string[]): Promise<void> {
  const rows = await knex<Placed & { id: string }>('figures')
    .whereIn('id', ids)
    .select('id', 'number', 'collection');
  for (const { id, number, collection } of rows)
    await knex('shelf_words')
      .where('rowid', number)
      .update({ labels: await labelsOf(knex, id), collection: await collectionName(knex, collection) });
}

/** Takes figures that are gone for good out of the index. */
export const unindexed = async (knex: Knex, numbers: readonly number[]): Promise<void> => {
  for (const number of numbers) await knex('shelf_words').where('rowid', number).delete();
};
