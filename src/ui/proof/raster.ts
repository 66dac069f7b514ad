/**
 * A figure as pixels, and as others see these pixels.
 *
 * @example
 * const pixels = await rasterOf(scene, 32, true);
 * const grey = changed(pixels, grey);
 */
import type { PixelChange } from '@/core/paint';
import { svgOf } from '@/core/format/svg';
import type { Scene } from '@/core/scene';

const loaded = (address: string): Promise<HTMLImageElement> =>
  new Promise((resolve, reject) => {
    const image = new Image();
    image.onload = () => resolve(image);
    image.onerror = () => reject(new Error('The figure could not be drawn.'));
    image.src = address;
  });

/** A figure as an SVG picture. @returns its address, to be given back with `URL.revokeObjectURL` */
export const addressOf = (scene: Scene, background: boolean): string =>
  URL.createObjectURL(
    new Blob([svgOf(scene, { form: 'compact', decimals: 4, background })], { type: 'image/svg+xml' }),
  );

/** The pixels of a picture, its longer side so many long. */
export async function rasterOf(address: string, scene: Scene, side: number): Promise<ImageData> {
  const image = await loaded(address);
  const { width, height } = scene.page;
  const scale = side / Math.max(width, height);
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(width * scale));
  canvas.height = Math.max(1, Math.round(height * scale));
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context) throw new Error('This browser draws no pictures.');
  context.drawImage(image, 0, 0, canvas.width, canvas.height);
  return context.getImageData(0, 0, canvas.width, canvas.height);
}

/** Pixels changed one by one. */
export function changed(pixels: ImageData, change: PixelChange): ImageData {
  const made = new ImageData(pixels.width, pixels.height);
  const { data } = pixels;
  for (let k = 0; k < data.length; k += 4) {
    const [r, g, b, a] = change([data[k] ?? 0, data[k + 1] ?? 0, data[k + 2] ?? 0, data[k + 3] ?? 0]);
    made.data[k] = r;
    made.data[k + 1] = g;
    made.data[k + 2] = b;
    made.data[k + 3] = a;
  }
  return made;
}
