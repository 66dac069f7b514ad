import type { PixelFormat } from '../format';
import { pixelJob, pixelWords, SIZE, sizeOn, type PixelChoices } from '../pixels';
import { BACKGROUND, BLEED } from '../svg';

/** Portable Network Graphics. */
export const png: PixelFormat<PixelChoices> = {
  kind: 'pixels',
  id: 'png',
  name: 'PNG',
  ending: 'png',
  mediaType: 'image/png',
  fields: [SIZE, BACKGROUND, BLEED],
  start: { size: 1024, background: true, bleed: false },
  startOn: (page) => ({ size: sizeOn(page) }),
  about: (options, page) => `A picture of pixels, drawn on the server. ${pixelWords(options, page)}`,
  draw: (source, options) => ({ ...pixelJob(source, options), as: { type: 'png' } }),
};
