/**
 * The faces that ship with the application, and those that people brought: bytes of font files by ids.
 *
 * @example
 * const bytes = await bytesOfFace(await database(), 'josefin-sans');
 */
import { createHash } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import path from 'node:path';

import type { Knex } from 'knex';

import type { FaceName } from '../wire';
import { writing } from './database';
import { NotFound } from './errors';
import { MOST_TIME } from './jobs/limits';
import { aside } from './jobs/pool';

interface ShippedFace extends FaceName {
  /** In the folder of packages. */
  readonly file: string;
}

const FOLDER = '@expo-google-fonts';

/** Between them Latin, Cyrillic, Hebrew and Arabic; all under the SIL Open Font License. */
const SHIPPED: readonly ShippedFace[] = [
  {
    id: 'josefin-sans',
    name: 'Josefin Sans',
    file: `${FOLDER}/josefin-sans/600SemiBold/JosefinSans_600SemiBold.ttf`,
  },
  {
    id: 'playfair-display',
    name: 'Playfair Display',
    file: `${FOLDER}/playfair-display/700Bold/PlayfairDisplay_700Bold.ttf`,
  },
  { id: 'rubik', name: 'Rubik', file: `${FOLDER}/rubik/500Medium/Rubik_500Medium.ttf` },
  { id: 'amiri', name: 'Amiri', file: `${FOLDER}/amiri/400Regular/Amiri_400Regular.ttf` },
];

interface FaceRow {
  id: string;
  name: string;
  bytes: Buffer;
  created_at: string;
}

/** Largest font file taken, in bytes. */
export const MOST_FACE_BYTES = 20_000_000;

const fileOf = ({ file }: ShippedFace): string =>
  path.join(/* turbopackIgnore: true */ process.cwd(), 'node_modules', file);

/** The bytes of a face that ships with the application; null for another. */
async function bytesOfShipped(id: string): Promise<Uint8Array | null> {
  const face = SHIPPED.find((each) => each.id === id);
  return face ? new Uint8Array(await readFile(fileOf(face))) : null;
}

/** All faces that there are, those that ship first. */
export async function facesIn(knex: Knex): Promise<FaceName[]> {
  const own = await knex<FaceRow>('faces').select('id', 'name').orderBy('name');
  return [...SHIPPED, ...own].map(({ id, name }) => ({ id, name }));
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
