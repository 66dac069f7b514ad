import { applyTo, inverse, type Point, subtract, turnMap } from '@/core/curve';
import type { Underlay } from '@/core/figure';
import { svgOf } from '@/core/format/svg';
import type { Colour, Scene } from '@/core/scene';
import { pictureAddress } from '@/state';

/** Pixels of the picture to a unit, and how large the piece of it is that is read. */
const FINE = 8;

const hex = (level: number | undefined): string => (level ?? 0).toString(16).padStart(2, '0');

/** The colour in the middle of what is drawn into one pixel; null where nothing is. */
function read(draw: (context: OffscreenCanvasRenderingContext2D) => void): Colour | null {
  const context = new OffscreenCanvas(1, 1).getContext('2d');
  if (!context) return null;
  draw(context);
  const [r, g, b, a] = context.getImageData(0, 0, 1, 1).data;
  return a ? `#${hex(r)}${hex(g)}${hex(b)}` : null;
}

async function pictureFrom(address: string): Promise<HTMLImageElement> {
  const image = new Image();
  image.src = address;
  await image.decode();
  return image;
}

/** Off the page this much of it round the point is drawn. */
const BESIDE = 0.02;

/** A scene with its page about a point, without its background: what lies there off its page. */
function beside(scene: Scene, at: Point): Scene {
  const side = Math.max(scene.page.width, scene.page.height) * BESIDE;
  const page = { ...scene.page, width: side, height: side, bleed: 0, background: null };
  return { ...scene, page: { ...page, centre: { x: -at.x, y: -at.y } } };
}

/** The colour that a figure shows at one of its points, gradients, blends and all, off its page too; null where nothing is. */
export async function pixelOfScene(whole: Scene, at: Point): Promise<Colour | null> {
  const scene = isOnPage(whole, at) ? whole : beside(whole, at);
  const { width, height, centre } = scene.page;
  const svg = svgOf(scene, { form: 'compact', decimals: 4, background: true });
  const address = URL.createObjectURL(new Blob([svg], { type: 'image/svg+xml' }));
  try {
    const image = await pictureFrom(address);
    const [x, y] = [at.x + width / 2 + centre.x, at.y + height / 2 + centre.y];
    return read((context) =>
      context.drawImage(image, 0.5 - x * FINE, 0.5 - y * FINE, width * FINE, height * FINE),
    );
  } finally {
    URL.revokeObjectURL(address);
  }
}

const isOnPage = ({ page: { width, height, centre } }: Scene, { x, y }: Point): boolean =>
  Math.abs(x + centre.x) <= width / 2 && Math.abs(y + centre.y) <= height / 2;

/** The colour of the underlay at a point of the Bench; null beside it. */
export async function pixelOfUnderlay(underlay: Underlay, at: Point): Promise<Colour | null> {
  const own = applyTo(inverse(turnMap(underlay.rotation)), subtract(at, underlay.at));
  const [x, y] = [own.x / underlay.width + 0.5, own.y / underlay.height + 0.5];
  if (x < 0 || x > 1 || y < 0 || y > 1) return null;
  const image = await pictureFrom(pictureAddress(underlay.picture));
  const { naturalWidth, naturalHeight } = image;
  return read((context) => context.drawImage(image, 0.5 - x * naturalWidth, 0.5 - y * naturalHeight));
}
