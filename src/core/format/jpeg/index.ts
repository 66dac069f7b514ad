import type { PixelFormat } from '../format';
import { pixelJob, pixelWords, QUALITY, SIZE, sizeOn, type PixelChoices } from '../pixels';
import { BACKGROUND, BLEED } from '../svg';

type JpegChoices = PixelChoices & { readonly quality: number };

/** What shows where nothing is drawn, as a JPEG cannot be seen through. */
const GROUND = '#ffffff';

/** JPEG (ISO/IEC 10918-1). */
export const jpeg: PixelFormat<JpegChoices> = {
  kind: 'pixels',
  id: 'jpeg',
  name: 'JPEG',
  ending: 'jpg',
  mediaType: 'image/jpeg',
  fields: [SIZE, QUALITY, BACKGROUND, BLEED],
  start: { size: 1024, quality: 92, background: true, bleed: false },
  startOn: (page) => ({ size: sizeOn(page) }),
  about: (options, page) =>
    `A picture of pixels, white where nothing is drawn; edges are cleaner as PNG. ${pixelWords(options, page)}`,
  draw: (source, options) => ({
    ...pixelJob(source, options),
    as: { type: 'jpeg', quality: options.quality, ground: GROUND },
  }),
};
