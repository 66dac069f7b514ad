/**
 * The faces that ship with the application, and those that people brought: bytes of font files by ids.
 *
 * @example
 * const bytes = await bytesOfFace(await database(), 'josefin-sans');
 */
import { createHash } from 'node:crypto';

import type { Knex } from 'knex';

import type { FaceName } from '@/protocol';
import { writing } from './database';
import { NotFound } from './errors';
import { MOST_TIME } from './jobs/limits';
import { aside } from './jobs/pool';
import { bytesOfShipped, SHIPPED_FACES } from './shippedFaces';

interface FaceRow {
  id: string;
  name: string;
  bytes: Buffer;
  created_at: string;
}

/** Largest font file taken, in bytes. */
export const MOST_FACE_BYTES = 20_000_000;

/** All faces that there are, those that ship first. */
export async function facesIn(knex: Knex): Promise<FaceName[]> {
  const own = await knex<FaceRow>('faces').select('id', 'name').orderBy('name');
  return [...SHIPPED_FACES, ...own].map(({ id, name }) => ({ id, name }));
}

/** The bytes of a face. @throws NotFound */
export async function bytesOfFace(knex: Knex, id: string): Promise<Uint8Array> {
  const shipped = await bytesOfShipped(id);
  if (shipped) return shipped;
  const row = await knex<FaceRow>('faces').where({ id }).first();
  if (!row)
    throw new NotFound('This face is not on this machine any more: choose another one for the words.');
  return new Uint8Array(row.bytes);
}

/** Keeps a font file under the name that it gives itself; the same file once. @throws Refused for what is none */
export async function storeFace(knex: Knex, bytes: Uint8Array): Promise<FaceName> {
  const { name } = await aside('readFace', { bytes }, { time: MOST_TIME.picture });
  const id = createHash('sha256').update(bytes).digest('hex').slice(0, 24);
  const created_at = new Date().toISOString();
  await writing(knex, async (trx) => {
    const row: FaceRow = { id, name, bytes: Buffer.from(bytes), created_at };
    await trx<FaceRow>('faces').insert(row).onConflict('id').ignore();
  });
  return { id, name };
}
