import type { Underlay } from '@/core/figure';
import type { ColourPicture } from '@/core/picture';
import { pictureAddress } from '@/state';

/** Pictures are looked at with no more pixels than this along their longer side. */
export const MOST_PIXELS = 1200;

function canvasOf(
  width: number,
  height: number,
): {
  readonly canvas: HTMLCanvasElement;
  readonly context: CanvasRenderingContext2D;
} {
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = height;
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context) throw new Error('This browser gives no canvas to read the picture with.');
  return { canvas, context };
}

/**
 * The picture of an underlay, as wide to its height as it lies.
 * @param least pixels along its longer side, where there are fewer it is made larger
 * @throws where it cannot be read
 */
export async function pixelsOfUnderlay(underlay: Underlay, least = 1): Promise<ColourPicture> {
  const image = new Image();
  image.src = pictureAddress(underlay.picture);
  await image.decode();
  const longer = Math.max(underlay.width, underlay.height);
  const natural = Math.max(image.naturalWidth, image.naturalHeight);
  const size = Math.max(least, Math.min(MOST_PIXELS, natural));
  const [width, height] = [underlay.width, underlay.height].map((side) =>
    Math.max(1, Math.round((side / longer) * size)),
  ) as [number, number];
  const { context } = canvasOf(width, height);
  context.drawImage(image, 0, 0, width, height);
  return { width, height, data: context.getImageData(0, 0, width, height).data };
}

/** A picture as a PNG file. */
export async function fileOfPixels({ width, height, data }: ColourPicture): Promise<Blob> {
  const { canvas, context } = canvasOf(width, height);
  context.putImageData(new ImageData(new Uint8ClampedArray(data), width, height), 0, 0);
  return new Promise((resolve, reject) =>
    canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error('The picture could not be made.')))),
  );
}
