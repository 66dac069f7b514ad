/** The drawer: motifs that a person keeps, beside those that come with the application. */
import type { Knex } from 'knex';
import { nanoid } from 'nanoid';

import { broughtUp, type Figure, storedFigure } from '@/core/figure';
import { checkFigure } from '@/core/format/figure';
import { idOfStock, stockFigure } from '@/core/stock';
import { STOCK_MOTIFS } from '@/core/stock/motifs';
import { MOTIF_SET, type KeptMotif, type MotifEntry, type MotifSet } from '@/protocol';
import { writing } from '../database';
import { NotFound, Refused, sound } from '../errors';

interface MotifRow {
  id: string;
  name: string;
  /** A list, as JSON. */
  labels: string;
  revision: number;
  figure: string;
  created_at: string;
  updated_at: string;
  deleted_at: string | null;
}

/** Motifs that one drawer holds. */
const MOST_MOTIFS = 5000;

const now = (): string => new Date().toISOString();

const entryOf = ({ id, name, labels, revision }: MotifRow): MotifEntry => ({
  id,
  name,
  labels: JSON.parse(labels) as string[],
  revision,
  stock: false,
});

const STOCK: readonly MotifEntry[] = STOCK_MOTIFS.map((motif) => ({
  id: idOfStock(motif),
  name: motif.name,
  labels: motif.labels,
  revision: 1,
  stock: true,
}));

/** All motifs: those that a person kept, the newest first, then the stock. */
export async function listMotifs(knex: Knex): Promise<MotifEntry[]> {
  const rows = await knex<MotifRow>('drawer')
    .whereNull('deleted_at')
    .orderBy('created_at', 'desc')
    .select('id', 'name', 'labels', 'revision');
  return [...rows.map((row) => entryOf(row as MotifRow)), ...STOCK];
}

async function rowOf(knex: Knex, id: string, alsoOut = false): Promise<MotifRow> {
  const row = await knex<MotifRow>('drawer').where({ id }).first();
  if (!row || (row.deleted_at !== null && !alsoOut))
    throw new NotFound('This motif is not in the drawer any more.');
  return row;
}

/** A motif with what is in it. @param alsoOut one that was taken out has a picture too @throws NotFound */
export async function loadMotif(knex: Knex, id: string, alsoOut = false): Promise<KeptMotif> {
  const stock = stockFigure(id);
  const entry = STOCK.find((each) => each.id === id);
  if (stock && entry) return { ...entry, figure: stock };
  const row = await rowOf(knex, id, alsoOut);
  const figure = broughtUp(JSON.parse(row.figure) as Record<string, unknown>) as unknown as Figure;
  return { ...entryOf(row), figure };
}

/** What a motif is kept as: a figure of one round, with something in it. @throws Refused, Broken */
function motifFigure(given: Figure): Figure {
  const figure = sound(checkFigure(given));
  const [round, another] = figure.rounds;
  if (!round || another || round.shapes.length === 0)
    throw new Refused('A motif is one round with shapes in it.');
  return { ...figure, underlay: null };
}

export interface MotifGiven {
  readonly name: string;
  readonly labels: readonly string[];
  readonly figure: Figure;
}

async function inserted(trx: Knex, { name, labels, figure }: MotifGiven): Promise<MotifEntry> {
  const at = now();
  const row: MotifRow = {
    id: nanoid(12),
    name,
    labels: JSON.stringify(labels),
    revision: 1,
    figure: JSON.stringify(storedFigure(motifFigure(figure))),
    created_at: at,
    updated_at: at,
    deleted_at: null,
  };
  await trx<MotifRow>('drawer').insert(row);
  return entryOf(row);
}

async function refuseMore(trx: Knex, more: number): Promise<void> {
  const rows = await trx<MotifRow>('drawer').whereNull('deleted_at').select('id');
  if (rows.length + more > MOST_MOTIFS) throw new Refused(`The drawer holds at most ${MOST_MOTIFS} motifs.`);
}

/** Puts a motif in the drawer. @throws Refused, Broken */
export const keepMotif = (knex: Knex, given: MotifGiven): Promise<MotifEntry> =>
  writing(knex, async (trx) => {
    await refuseMore(trx, 1);
    return inserted(trx, given);
  });

/** Another name, other labels, or another content, which is a new revision. @throws NotFound, Refused, Broken */
export const changeMotif = (knex: Knex, id: string, change: Partial<MotifGiven>): Promise<MotifEntry> =>
  writing(knex, async (trx) => {
    if (stockFigure(id))
      throw new Refused('What comes with the application stays as it is: keep a changed copy of it instead.');
    const row = await rowOf(trx, id);
    const next: MotifRow = {
      ...row,
      ...(change.name !== undefined && { name: change.name }),
      ...(change.labels && { labels: JSON.stringify(change.labels) }),
      ...(change.figure && {
        figure: JSON.stringify(storedFigure(motifFigure(change.figure))),
        revision: row.revision + 1,
      }),
      updated_at: now(),
    };
    await trx<MotifRow>('drawer').where({ id }).update(next);
    return entryOf(next);
  });

/** Motifs that were taken out and can be put in again, the last first. */
export async function motifsOut(knex: Knex): Promise<MotifEntry[]> {
  const rows = await knex<MotifRow>('drawer').whereNotNull('deleted_at').orderBy('deleted_at', 'desc');
  return rows.map((row) => entryOf(row));
}

/** Takes motifs away for good that were taken out before a time. */
export const dropMotifsOut = (trx: Knex, before: string): Promise<number> =>
  trx<MotifRow>('drawer').where('deleted_at', '<', before).delete();

/** Takes a motif out of the drawer; its uses stay what they are. @param back puts it in again @throws NotFound */
export const dropMotif = (knex: Knex, id: string, back = false): Promise<void> =>
  writing(knex, async (trx) => {
    const count = await trx<MotifRow>('drawer')
      .where({ id })
      .update({ deleted_at: back ? null : now() });
    if (count === 0) throw new NotFound('This motif is not in the drawer any more.');
  });

/** Motifs as a file: those of some ids, or all that a person kept. */
export async function motifSet(knex: Knex, ids: readonly string[] | null): Promise<MotifSet> {
  const query = knex<MotifRow>('drawer').whereNull('deleted_at').orderBy('created_at');
  const rows = await (ids ? query.whereIn('id', ids) : query);
  const motifs = rows.map((row) => ({
    name: row.name,
    labels: JSON.parse(row.labels) as string[],
    figure: broughtUp(JSON.parse(row.figure) as Record<string, unknown>) as unknown as Figure,
  }));
  return { format: MOTIF_SET, version: 1, motifs };
}

/** Puts all motifs of a file in the drawer, or none. @returns how many @throws Refused, Broken */
export const takeMotifSet = (knex: Knex, { motifs }: MotifSet): Promise<number> =>
  writing(knex, async (trx) => {
    await refuseMore(trx, motifs.length);
    for (const motif of motifs) await inserted(trx, motif);
    return motifs.length;
  });
