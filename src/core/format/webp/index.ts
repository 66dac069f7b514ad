import type { PixelFormat } from '../format';
import { pixelJob, pixelWords, QUALITY, SIZE, sizeOn, type PixelChoices } from '../pixels';
import { BACKGROUND, BLEED } from '../svg';

type WebpChoices = PixelChoices & { readonly quality: number };

/** WebP (RFC 9649); of quality 100 it keeps every pixel. */
export const webp: PixelFormat<WebpChoices> = {
  kind: 'pixels',
  id: 'webp',
  name: 'WebP',
  ending: 'webp',
  mediaType: 'image/webp',
  fields: [SIZE, QUALITY, BACKGROUND, BLEED],
  start: { size: 1024, quality: 100, background: true, bleed: false },
  startOn: (page) => ({ size: sizeOn(page) }),
  about: (options, page) =>
    `A picture of pixels for the web; at 100 % every pixel is kept. ${pixelWords(options, page)}`,
  draw: (source, options) => ({
    ...pixelJob(source, options),
    as: { type: 'webp', quality: options.quality },
  }),
};
