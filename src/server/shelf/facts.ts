/** What the Shelf has besides figures, and a stamp that is another one as soon as anything is. */
import { createHash } from 'node:crypto';

import type { Knex } from 'knex';

import type { Collection, ShelfFacts } from '@/protocol';
import { openWindows } from './presence';

interface Sums {
  readonly total: number;
  readonly binned: number;
  readonly revisions: number;
  readonly latest: string | null;
}

export async function shelfFacts(knex: Knex): Promise<ShelfFacts> {
  const [sums] = await knex('figures').select<Sums[]>(
    knex.raw('count(*) - count(deleted_at) as total, count(deleted_at) as binned'),
    knex.raw('coalesce(sum(revision), 0) as revisions, max(updated_at) as latest'),
  );
  const collections = await knex('collections')
    .leftJoin('figures', (join) =>
      join.on('figures.collection', 'collections.id').andOnNull('figures.deleted_at'),
    )
    .groupBy('collections.id')
    .orderByRaw('collections.name COLLATE NOCASE')
    .select<Collection[]>(
      'collections.id as id',
      'collections.name as name',
      knex.raw('count(figures.id) as count'),
    );
  const labels = await knex('labels')
    .join('figures', 'figures.id', 'labels.figure_id')
    .whereNull('figures.deleted_at')
    .groupBy('label')
    .orderByRaw('label COLLATE NOCASE')
    .select<{ label: string; count: number }[]>('label', knex.raw('count(*) as count'));
  const open = openWindows();
  const facts = { total: sums?.total ?? 0, binned: sums?.binned ?? 0, collections, labels, open };
  const stamp = createHash('sha1')
    .update(JSON.stringify([facts, sums]))
    .digest('hex');
  return { ...facts, stamp };
}
