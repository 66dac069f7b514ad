/** Which figures are on the Shelf or in the Bin, by what is looked for. */
import type { Knex } from 'knex';

import type { FigurePage, FigureSummary, ShelfQuery, Sort } from '@/protocol';
import { NotFound } from '../errors';
import { foundNumbers, wordsOf } from './search';

export interface FigureRow {
  id: string;
  name: string;
  revision: number;
  step: number;
  created_at: string;
  updated_at: string;
  deleted_at: string | null;
  /** By which the index of words knows it. */
  number: number;
  /** Its highest fold. */
  fold: number | null;
  collection: string | null;
  /** The window that made this revision, if one did, and which of its saves that was. */
  saved_by: string | null;
  save_number: number | null;
}

export const summaryOf = (row: FigureRow, labels: readonly string[] = []): FigureSummary => ({
  id: row.id,
  name: row.name,
  revision: row.revision,
  updatedAt: row.updated_at,
  ...(labels.length > 0 && { labels }),
  ...(row.collection !== null && { collection: row.collection }),
  ...(row.deleted_at !== null && { binnedAt: row.deleted_at }),
});

/** The row of a figure that is on the Shelf, or where it is asked for in the Bin. @throws NotFound */
export async function rowOf(knex: Knex, id: string, alsoBinned = false): Promise<FigureRow> {
  const row = await knex<FigureRow>('figures').where({ id }).first();
  if (!row || (row.deleted_at !== null && !alsoBinned))
    throw new NotFound('There is no such figure; it may have been deleted.');
  return row;
}

/** The labels of some figures, in order, by their ids. */
export async function labelsOf(
  knex: Knex,
  ids: readonly string[],
): Promise<ReadonlyMap<string, readonly string[]>> {
  const rows = await knex<{ figure_id: string; label: string }>('labels')
    .whereIn('figure_id', ids)
    .orderBy('label');
  const labels = new Map<string, string[]>();
  for (const { figure_id: id, label } of rows) labels.set(id, [...(labels.get(id) ?? []), label]);
  return labels;
}

const ORDERS: Readonly<Record<Sort, readonly { readonly column: string; readonly order: 'asc' | 'desc' }[]>> =
  {
    changed: [{ column: 'updated_at', order: 'desc' }],
    made: [{ column: 'created_at', order: 'desc' }],
    name: [],
    fold: [{ column: 'fold', order: 'asc' }],
  };

/** The figures that are looked for, without an order. */
function matching(
  knex: Knex,
  { search, collection, label, binned }: ShelfQuery,
): Knex.QueryBuilder<FigureRow, FigureRow[]> {
  const query = knex<FigureRow>('figures');
  if (binned) void query.whereNotNull('deleted_at');
  else void query.whereNull('deleted_at');
  const words = wordsOf(search);
  if (words.length > 0) void query.whereIn('number', foundNumbers(knex, words));
  if (collection !== undefined) void query.where({ collection });
  if (label !== undefined) void query.whereIn('id', knex('labels').where({ label }).select('figure_id'));
  return query;
}

/** All that is looked for, in its order. */
export function inOrder(knex: Knex, query: ShelfQuery): Knex.QueryBuilder<FigureRow, FigureRow[]> {
  const found = matching(knex, query);
  if (query.binned) return found.orderBy('deleted_at', 'desc').orderBy('id');
  if (query.sort === 'name') return found.orderByRaw('name COLLATE NOCASE').orderBy('id');
  return found.orderBy([...ORDERS[query.sort], { column: 'updated_at', order: 'desc' }, { column: 'id' }]);
}

/** Some of the figures that are looked for, from one on. */
export async function pageOfFigures(
  knex: Knex,
  { from, count, ...query }: ShelfQuery & { readonly from: number; readonly count: number },
): Promise<FigurePage> {
  const [all] = (await matching(knex, query).clone().count({ total: '*' })) as unknown as { total: number }[];
  const rows = await inOrder(knex, query).limit(count).offset(from);
  const labels = await labelsOf(
    knex,
    rows.map(({ id }) => id),
  );
  return {
    total: all?.total ?? 0,
    figures: rows.map((row) => summaryOf(row, labels.get(row.id))),
  };
}
