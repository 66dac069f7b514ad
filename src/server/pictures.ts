import { Resvg } from '@resvg/resvg-js';
import type { Knex } from 'knex';
import { nanoid } from 'nanoid';
import sharp, { type OutputInfo } from 'sharp';

import type { StoredPicture } from '../wire';
import { NotFound, Refused } from './errors';
import { harmlessSvg } from './harmlessSvg';

interface PictureRow {
  id: string;
  type: string;
  width: number;
  height: number;
  bytes: Buffer;
  created_at: string;
}

/** Largest file taken, in bytes; largest picture looked at and kept, in pixels. */
export const MOST_PICTURE_BYTES = 20_000_000;
const MOST_PIXELS = 100_000_000;
const MOST_SIDE = 3000;

const looksLikeSvg = (bytes: Buffer): boolean =>
  /^\s*(?:<\?xml|<!--|<svg|<!DOCTYPE svg)/i.test(
    bytes
      .subarray(0, 300)
      .toString('utf8')
      .replace(/^\uFEFF/, ''),
  );

/** An SVG as pixels: what it draws and nothing else of it is kept. */
function drawnSvg(bytes: Buffer): Buffer {
  try {
    const drawing = new Resvg(harmlessSvg(bytes.toString('utf8').replace(/^\uFEFF/, '')), {
      font: { loadSystemFonts: false },
    });
    const side = Math.max(drawing.width, drawing.height);
    const zoom = Math.min(2000, MOST_SIDE) / side;
    return new Resvg(drawing.toString(), { fitTo: { mode: 'zoom', value: zoom } }).render().asPng();
  } catch {
    throw new Refused('This SVG cannot be read: it is broken, or empty.');
  }
}

/**
 * Checks a picture by decoding it and stores it, in place of one of the same id, made no larger than 3000 pixels a side, without what else the file held.
 * @throws Refused with a sentence for what is no picture, broken, or too large
 */
export async function storePicture(
  knex: Knex,
  file: Buffer,
  id: string = nanoid(16),
): Promise<StoredPicture> {
  const bytes = looksLikeSvg(file) ? drawnSvg(file) : file;
  let made: { data: Buffer; info: OutputInfo };
  let type: string;
  try {
    const picture = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' });
    const { format } = await picture.metadata();
    if (format !== 'png' && format !== 'jpeg' && format !== 'webp')
      throw new Refused('Pictures are PNG, JPEG, WebP or SVG files.');
    type = `image/${format}`;
    const sized = picture
      .rotate()
      .resize({ width: MOST_SIDE, height: MOST_SIDE, fit: 'inside', withoutEnlargement: true });
    made = await sized.toFormat(format).toBuffer({ resolveWithObject: true });
  } catch (error) {
    if (error instanceof Refused) throw error;
    const large = error instanceof Error && /pixel limit/i.test(error.message);
    throw new Refused(
      large
        ? `This picture has more than ${MOST_PIXELS / 1e6} million pixels.`
        : 'This file is no picture that can be read: PNG, JPEG, WebP and SVG can.',
    );
  }
  const { data, info } = made;
  const row: PictureRow = {
    id,
    type,
    width: info.width,
    height: info.height,
    bytes: data,
    created_at: new Date().toISOString(),
  };
  await knex<PictureRow>('pictures').insert(row).onConflict('id').merge();
  return { id: row.id, width: row.width, height: row.height };
}

/** A stored picture's bytes. @throws NotFound */
export async function loadPicture(knex: Knex, id: string): Promise<{ bytes: Buffer; type: string }> {
  const row = await knex<PictureRow>('pictures').where({ id }).first();
  if (!row) throw new NotFound('There is no such picture.');
  return { bytes: row.bytes, type: row.type };
}
