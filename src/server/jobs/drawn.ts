/**
 * Pictures in pixels. They are drawn several times as large, band by band, and made smaller by the mean: coverage that a renderer gets right to some
 * levels in each small pixel is right to a level or two in the mean of many, along and across alike.
 *
 * @example
 * const png = await drawn({ svg, size: 1024, view: { x: 0, y: 0, width: 180, height: 180 } });
 */
import { Resvg } from '@resvg/resvg-js';
import sharp, { type Sharp } from 'sharp';

import type { PixelJob } from '@/core/format';
import { Refused } from '../errors';

/** The longest side that a picture is drawn in before it is made smaller, in pixels. */
const LARGEST_DRAWN = 8800;

/** The most pixels that are drawn at once. */
const MOST_AT_ONCE = 12_000_000;

/** How many times as large a picture is drawn. What a filter draws counts in pixels: it is drawn as it is. */
const timesOf = ({ svg, size }: PixelJob): number =>
  svg.includes('<filter') ? 1 : ([16, 8, 4, 2].find((times) => size * times <= LARGEST_DRAWN) ?? 1);

/** A document that shows another part of its drawing, in so many pixels. */
function showing(
  svg: string,
  view: readonly [x: number, y: number, width: number, height: number],
  [wide, high]: readonly [number, number],
): string {
  const root = `width="${wide}" height="${high}" viewBox="${view.join(' ')}" preserveAspectRatio="none"`;
  return svg.replace(/width="[^"]*" height="[^"]*" viewBox="[^"]*"/, root);
}

/** Premultiplied red, green, blue and opacity of each pixel, row by row. */
const pixelsOf = (svg: string): Uint8Array =>
  new Resvg(svg, { font: { loadSystemFonts: false }, shapeRendering: 2 }).render().pixels;

/**
 * Rows of a picture that is so many times smaller: each pixel is the mean of those that it stands for.
 * @param wide pixels across of the smaller picture
 */
function smaller(data: Uint8Array, wide: number, times: number): Uint8Array {
  const row = 4 * wide * times;
  const made = new Uint8Array(data.length / times ** 2);
  const sums = new Float64Array(4);
  for (let k = 0; k < made.length; k += 4) {
    const first = Math.floor(k / (4 * wide)) * times * row + (k % (4 * wide)) * times;
    sums.fill(0);
    for (let y = 0; y < times; y += 1)
      for (let at = first + y * row; at < first + y * row + 4 * times; at += 4)
        for (let channel = 0; channel < 4; channel += 1)
          sums[channel] = (sums[channel] ?? 0) + (data[at + channel] ?? 0);
    for (let channel = 0; channel < 4; channel += 1)
      made[k + channel] = Math.round((sums[channel] ?? 0) / times ** 2);
  }
  return made;
}

/** The pixels of a picture, drawn band by band. */
function picture(job: PixelJob, wide: number, high: number): Uint8Array {
  const { svg, size, view } = job;
  const times = timesOf(job);
  const unit = Math.max(view.width, view.height) / size;
  const rows = times === 1 ? high : Math.max(1, Math.floor(MOST_AT_ONCE / (wide * times ** 2)));
  const made = new Uint8Array(4 * wide * high);
  for (let top = 0; top < high; top += rows) {
    const count = Math.min(rows, high - top);
    const part = [view.x, view.y + top * unit, wide * unit, count * unit] as const;
    const data = pixelsOf(showing(svg, part, [wide * times, count * times]));
    made.set(smaller(data, wide, times), 4 * wide * top);
  }
  return made;
}

/** Pixels as they are to be written. A WebP of quality 100 keeps every one. */
function encoded(pixels: Sharp, as: PixelJob['as']): Sharp {
  switch (as.type) {
    case 'png':
      return pixels.png();
    case 'jpeg':
      return pixels
        .flatten({ background: as.ground })
        .jpeg({ quality: as.quality, chromaSubsampling: '4:4:4' });
    case 'webp':
      return pixels.webp(as.quality === 100 ? { lossless: true } : { quality: as.quality });
  }
}

/** A picture as the bytes of a file. @throws Refused where it has more parts than can be drawn */
export async function drawn(job: PixelJob): Promise<Uint8Array> {
  const { size, view } = job;
  const longer = Math.max(view.width, view.height);
  const sideOf = (side: number): number => Math.max(1, Math.round((size * side) / longer));
  const [width, height] = [sideOf(view.width), sideOf(view.height)];
  try {
    const data = picture(job, width, height);
    const raw = { width, height, channels: 4 as const, premultiplied: true };
    return await encoded(sharp(data, { raw }), job.as).toBuffer();
  } catch (error) {
    if (error instanceof Error && /limit/i.test(error.message))
      throw new Refused(
        'The figure has more parts than can be drawn as pixels here: as SVG it has them all.',
      );
    throw error;
  }
}
