import { renderAsync } from '@resvg/resvg-js';

import { Refused } from './errors';

/** Largest side of a picture, in pixels. */
export const LARGEST_PICTURE = 8192;

/**
 * An SVG document of ours as PNG, its longer side `size` pixels. Drawn outside the JavaScript thread.
 * @throws Refused for a size that is none.
 */
export async function pngOf(svg: string, size: number, wide: boolean): Promise<Buffer> {
  if (!Number.isInteger(size) || size < 1 || size > LARGEST_PICTURE) {
    throw new Refused(`A picture is from 1 to ${LARGEST_PICTURE} pixels large.`);
  }
  const image = await renderAsync(svg, {
    fitTo: wide ? { mode: 'width', value: size } : { mode: 'height', value: size },
    font: { loadSystemFonts: false },
    shapeRendering: 2,
  });
  return image.asPng();
}
