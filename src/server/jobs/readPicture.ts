import { Resvg } from '@resvg/resvg-js';
import sharp from 'sharp';

import { Refused } from '../errors';
import { harmlessSvg } from '../harmlessSvg';

/** Largest picture looked at, in pixels; longest side kept. */
const MOST_PIXELS = 100_000_000;
const MOST_SIDE = 3000;

/** A picture as it is kept. */
export interface ReadPicture {
  readonly bytes: Uint8Array;
  readonly type: string;
  readonly width: number;
  readonly height: number;
}

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
 * Decodes a picture and makes it no larger than 3000 pixels a side, without what else the file held.
 * @param file the bytes of a PNG, JPEG, WebP or SVG file
 * @throws Refused with a sentence for what is no picture, broken, or too large
 */
export async function readPicture(file: Uint8Array): Promise<ReadPicture> {
  const given = Buffer.from(file);
  const bytes = looksLikeSvg(given) ? drawnSvg(given) : given;
  try {
    const picture = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' });
    const { format } = await picture.metadata();
    if (format !== 'png' && format !== 'jpeg' && format !== 'webp')
      throw new Refused('Pictures are PNG, JPEG, WebP or SVG files.');
    const { data, info } = await picture
      .rotate()
      .resize({ width: MOST_SIDE, height: MOST_SIDE, fit: 'inside', withoutEnlargement: true })
      .toFormat(format)
      .toBuffer({ resolveWithObject: true });
    return { bytes: data, type: `image/${format}`, width: info.width, height: info.height };
  } catch (error) {
    if (error instanceof Refused) throw error;
    const large = error instanceof Error && /pixel limit/i.test(error.message);
    throw new Refused(
      large
        ? `This picture has more than ${MOST_PIXELS / 1e6} million pixels.`
        : 'This file is no picture that can be read: PNG, JPEG, WebP and SVG can.',
    );
  }
}
