import type { Knex } from 'knex';
import { nanoid } from 'nanoid';

import type { Figure } from '@/core/figure';
import type { Pictures } from '@/core/format/figure';
import type { StoredPicture } from '@/protocol';
import { writing } from './database';
import { NotFound } from './errors';
import { MOST_TIME } from './jobs/limits';
import { aside, type Turn } from './jobs/pool';
import { readPicture, type ReadPicture } from './jobs/readPicture';

interface PictureRow {
  id: string;
  type: string;
  width: number;
  height: number;
  bytes: Buffer;
  created_at: string;
}

/** Largest file taken, in bytes. */
export const MOST_PICTURE_BYTES = 20_000_000;

async function keep(knex: Knex, picture: ReadPicture, id: string): Promise<StoredPicture> {
  const { bytes, type, width, height } = picture;
  const created_at = new Date().toISOString();
  const row: PictureRow = { id, type, width, height, bytes: Buffer.from(bytes), created_at };
  await writing(knex, async (trx) => {
    await trx<PictureRow>('pictures').insert(row).onConflict('id').merge();
  });
  return { id, width, height };
}

/**
 * Checks a picture by decoding it and stores it, made no larger than 3000 pixels a side, without what else the file held.
 * @throws Refused with a sentence for what is no picture, broken, or takes too much
 */
export const storePicture = async (knex: Knex, file: Uint8Array, turn: Turn = {}): Promise<StoredPicture> =>
  keep(knex, await aside('readPicture', file, { time: MOST_TIME.picture, ...turn }), nanoid(16));

/** The same, here and now and in place of one of the same id: for files that are our own. */
export const storeOwnPicture = async (knex: Knex, file: Uint8Array, id: string): Promise<StoredPicture> =>
  keep(knex, await readPicture(file), id);

/** The pictures that a figure names, as data addresses; one that is not there any more is left out. */
export async function picturesOf(knex: Knex, { underlay }: Pick<Figure, 'underlay'>): Promise<Pictures> {
  if (!underlay) return {};
  const row = await knex<PictureRow>('pictures').where({ id: underlay.picture }).first();
  return row ? { [row.id]: `data:${row.type};base64,${row.bytes.toString('base64')}` } : {};
}

/** A stored picture's bytes. @throws NotFound */
export async function loadPicture(knex: Knex, id: string): Promise<{ bytes: Buffer; type: string }> {
  const row = await knex<PictureRow>('pictures').where({ id }).first();
  if (!row) throw new NotFound('There is no such picture.');
  return { bytes: row.bytes, type: row.type };
}
