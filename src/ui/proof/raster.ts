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

/** Pixels changed one by one; a colour that comes again becomes what it became before. */
export function changed(pixels: ImageData, change: PixelChange): ImageData {
  const made = new ImageData(pixels.width, pixels.height);
  const from = new Uint32Array(pixels.data.buffer, pixels.data.byteOffset, pixels.data.length / 4);
  const to = new Uint32Array(made.data.buffer);
  const known = new Map<number, number>();
  from.forEach((colour, k) => {
    const before = known.get(colour);
    if (before !== undefined) {
      to[k] = before;
      return;
    }
    const [r = 0, g = 0, b = 0, a = 0] = pixels.data.subarray(4 * k, 4 * k + 4);
    made.data.set(change([r, g, b, a]), 4 * k);
    known.set(colour, to[k] ?? 0);
  });
  return made;
}
