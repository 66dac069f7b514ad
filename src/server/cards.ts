/**
 * Pictures of figures for the Shelf and for histories: made once a state, when nothing else is, and kept in the database.
 *
 * @example
 * const { bytes, mediaType } = await cardOf(knex, { id, key: `${id}/${revision}`, isCurrent: true }, asked, signal);
 */
import { createHash } from 'node:crypto';

import type { Knex } from 'knex';

import { writing } from './database';
import { Refused } from './errors';
import type { FileRequest, MadeFile } from './jobs/makeFile';
import { aside } from './jobs/pool';

/** Figures, at a state, whose picture took too much, and what was said: not tried again until they change. */
const givenUp = new Map<string, string>();
const MOST_REMEMBERED = 5000;

/** Pictures that are kept, the last used; and the largest one, in bytes. */
const MOST_KEPT = 20_000;
const MOST_BYTES = 400_000;

interface CardRow {
  key: string;
  figure_id: string;
  type: string;
  bytes: Buffer;
  used_at: string;
}

/** What is pictured: the figure, a key that no other state of any figure has, and whether it is the figure as it is now. */
interface Pictured {
  readonly id: string;
  readonly key: string;
  readonly isCurrent: boolean;
}

const today = (): string => new Date().toISOString().slice(0, 10);

async function kept(knex: Knex, key: string): Promise<Pick<MadeFile, 'bytes' | 'mediaType'> | null> {
  const row = await knex<CardRow>('cards').where({ key }).first();
  if (!row) return null;
  // Once a day is enough to know which are in use.
  if (row.used_at !== today())
    await knex<CardRow>('cards')
      .where({ key })
      .update({ used_at: today() })
      .catch(() => undefined);
  return { bytes: row.bytes, mediaType: row.type };
}

/** Keeps a picture; one that cannot be kept, as on a full disk, is made again next time. */
async function keep(
  knex: Knex,
  { id, key, isCurrent }: Pictured,
  { bytes, mediaType }: MadeFile,
): Promise<void> {
  if (bytes.length > MOST_BYTES) return;
  const row = { key, figure_id: id, type: mediaType, bytes: Buffer.from(bytes), used_at: today() };
  await writing(knex, async (trx) => {
    // Of the figure as it is the newest alone is asked for again; pictures of steps and versions stay.
    if (isCurrent)
      await trx<CardRow>('cards')
        .whereRaw('key GLOB ?', [`${id}/[0-9]*`])
        .delete();
    await trx<CardRow>('cards').insert(row).onConflict('key').ignore();
  }).catch(() => undefined);
}

/**
 * A picture of a figure at a state, kept or made when nothing else is.
 * @throws Refused with a sentence, at once where that picture was given up before
 */
export async function cardOf(
  knex: Knex,
  { id, key: state, isCurrent }: Pictured,
  request: FileRequest,
  signal: AbortSignal,
): Promise<Pick<MadeFile, 'bytes' | 'mediaType'>> {
  const asked = createHash('sha1')
    .update(JSON.stringify([request.to, request.options]))
    .digest('hex')
    .slice(0, 8);
  const key = `${state}/${asked}`;
  const why = givenUp.get(key);
  if (why !== undefined) throw new Refused(why);
  const there = await kept(knex, key);
  if (there) return there;
  try {
    const made = await aside('makeFile', request, { card: true, signal });
    await keep(knex, { id, key, isCurrent }, made);
    return made;
  } catch (error) {
    // Who is too busy, or gone, says nothing about the picture.
    if (error instanceof Refused && error.status === 400) {
      if (givenUp.size >= MOST_REMEMBERED) givenUp.clear();
      givenUp.set(key, error.message);
    }
    throw error;
  }
}

/** Takes pictures away that were not used for longest, beyond so many. */
export async function dropOldCards(trx: Knex, most = MOST_KEPT): Promise<void> {
  const old = trx('cards').orderBy('used_at', 'desc').limit(-1).offset(most).select('key');
  await trx('cards').whereIn('key', old).delete();
}
