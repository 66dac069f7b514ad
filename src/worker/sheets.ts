/**
 * Sheets: canvases on which many parts of a picture are drawn, so that each can be read from them by itself.
 *
 * @example
 * for (const sheet of sheetsOf(parts, frame)) {
 *   for (const { part, channel } of sheet) draw(part, channel);
 *   for (const { region, channel } of sheet) read(region.rects(), channel);
 * }
 */
import type { Colour } from '@/core/scene';
import { boxesOf, type CanvasFrame, copiesIn, type Look, type Ready, type Run } from './cellDrawing';
import type { ReadPixels } from './masks';
import { onSheets, type Rect, Region } from './region';

/** Cells in a look. */
export interface Part {
  /** The same for all that are read from a canvas alike: cells in any one colour, or in one look. */
  readonly key: string;
  readonly cells: Ready;
  readonly look: Look;
  /** The one colour that is all of it; null where it has more. */
  readonly flat: Colour | null;
}

/** What a part is drawn in to be read as a mask: a pure colour, so that three of them are drawn on one canvas. */
interface Channel {
  readonly byte: 0 | 1 | 2;
  readonly colour: Colour;
}

export const CHANNELS = [
  { byte: 0, colour: '#ff0000' },
  { byte: 1, colour: '#00ff00' },
  { byte: 2, colour: '#0000ff' },
] as const satisfies readonly Channel[];

export interface OnSheet {
  readonly part: Part;
  readonly region: Region;
  readonly runs: readonly Run[];
  /** Null where it is drawn in its own colours. */
  readonly channel: Channel | null;
}

/** Parts on as few canvases as may be, so that each can be read from them by itself. */
export function sheetsOf(parts: readonly Part[], frame: CanvasFrame): readonly (readonly OnSheet[])[] {
  const placed = parts.map((part) => {
    const boxes = boxesOf(part.cells, part.look.paint, frame);
    const region = new Region(frame);
    const runs = copiesIn(boxes, frame);
    for (const [from, to] of runs) for (let k = from; k < to; k += 1) region.add(boxes, k);
    return { part, region, runs };
  });
  const apart = (those: typeof placed): (typeof placed)[] =>
    onSheets(
      frame,
      those.map(({ region }) => region),
    ).map((numbers) => numbers.flatMap((number) => those[number] ?? []));
  const masks: OnSheet[][] = [];
  apart(placed.filter(({ part }) => part.flat !== null)).forEach((those, k) => {
    const channel = CHANNELS[k % CHANNELS.length] ?? null;
    if (k % CHANNELS.length === 0) masks.push([]);
    masks.at(-1)?.push(...those.map((each) => ({ ...each, channel })));
  });
  const coloured = apart(placed.filter(({ part }) => part.flat === null)).map((those) =>
    those.map((each) => ({ ...each, channel: null })),
  );
  return [...masks, ...coloured];
}

/** A canvas that is read. @param alpha false for one that is black to begin with */
function canvasOf(width: number, height: number, alpha: boolean): OffscreenCanvasRenderingContext2D {
  const surface = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true, alpha });
  if (!surface) throw new Error('This browser gives no canvas to a worker.');
  return surface;
}

/** What is on a part of a canvas. */
export const readPixels = (surface: OffscreenCanvasRenderingContext2D, of: Rect): ReadPixels => {
  const [x, y, width, height] = of;
  return { bytes: surface.getImageData(x, y, Math.max(1, width), Math.max(1, height)).data, of };
};

/** Canvases of one size that are drawn on and read, again and again: a new one has to wait for the page. */
export class Canvases {
  private readonly opaque: OffscreenCanvasRenderingContext2D;
  private readonly clear: OffscreenCanvasRenderingContext2D;

  constructor(
    readonly width: number,
    readonly height: number,
  ) {
    this.opaque = canvasOf(width, height, false);
    this.clear = canvasOf(width, height, true);
  }

  /** A black one, on which covers add up as laying a colour over itself does, by screen: 1 - (1 - a)(1 - b). */
  forMasks(): OffscreenCanvasRenderingContext2D {
    this.opaque.reset();
    this.opaque.globalCompositeOperation = 'screen';
    return this.opaque;
  }

  /** A transparent one. */
  forColours(): OffscreenCanvasRenderingContext2D {
    this.clear.reset();
    return this.clear;
  }
}
