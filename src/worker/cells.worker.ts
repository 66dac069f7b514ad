import { expose, transfer } from 'comlink';

import { remembered } from '../core/remembered';
import {
  type CanvasFrame,
  type Cells,
  drawCopies,
  flatColour,
  inColour,
  type Look,
  ready,
  type Ready,
} from './cellDrawing';
import { colourNumber, type Laid, LaidPicture, shownAs, weightsOf } from './laidPicture';
import { coloursOf, type Colours, type Mask, maskOf } from './masks';
import type { Region } from './region';
import { bytesOf, Canvases, CHANNELS, type OnSheet, type Part, sheetsOf } from './sheets';

/** Cells by their id, in a look. */
export interface DrawnCells {
  readonly cells: string;
  readonly look: Look;
}

/** What is to be seen. */
export interface CellPicture {
  readonly frame: CanvasFrame;
  /** Back to front: each a `DrawnCells` as JSON. */
  readonly drawings: readonly string[];
  /** The cells that were not sent before. */
  readonly fresh: readonly Cells[];
  /** How many of the copies of each are there yet, from 0 to 1. */
  readonly share: number;
}

/** How long it draws before it looks whether something newer is asked for, in milliseconds. */
const SLICE = 12;
/** Copies drawn between two looks at the clock. */
const BETWEEN_LOOKS = 64;

const pause = (): Promise<void> =>
  new Promise((resolve) => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = () => resolve();
    port2.postMessage(null);
  });

interface Wanted {
  readonly frame: CanvasFrame;
  readonly parts: readonly Part[];
  readonly share: number;
}

/** The same for frames that show the same place in the same way, however strong. */
const placeKey = remembered(({ width, height, scale, x, y, rotation, outline }: CanvasFrame): string =>
  JSON.stringify([width, height, scale, x, y, rotation, outline !== null]),
);

const countOf = (runs: OnSheet['runs']): number => runs.reduce((sum, [from, to]) => sum + to - from, 0);

/** Tells how far drawing is now and then. @returns false where it is to end */
type Tick = (copies: number) => Promise<boolean>;

/** What was read from canvases for one place in the figure, by the keys of parts, and the picture of it. */
interface Place {
  readonly key: string;
  readonly masks: Map<string, { readonly region: Region; readonly read: Mask }>;
  readonly colours: Map<string, { readonly region: Region; readonly read: Colours }>;
  readonly picture: LaidPicture;
}

const placeOf = (frame: CanvasFrame, weights: Uint8Array | null): Place => ({
  key: placeKey(frame),
  masks: new Map(),
  colours: new Map(),
  picture: new LaidPicture(frame, weights),
});

/** Forgets what is no longer to be seen. */
function keepOnly({ masks, colours }: Place, parts: readonly Part[]): void {
  const kept = new Set(parts.map(({ key }) => key));
  for (const map of [masks, colours]) for (const key of map.keys()) if (!kept.has(key)) map.delete(key);
}

/** A part as it is laid; none where it was not read. */
function laidOf({ key, flat }: Part, { masks, colours }: Place): Laid[] {
  if (flat === null) {
    const own = colours.get(key);
    return own ? [{ ...own, colour: null }] : [];
  }
  const mask = masks.get(key);
  return mask ? [{ ...mask, colour: colourNumber(flat) }] : [];
}

/** One place where very many cells are shown. */
class Pane {
  private readonly known = new Map<string, Ready>();
  private place: Place | null = null;
  private canvases: Canvases | null = null;
  private weights: { readonly key: string; readonly of: Uint8Array | null } | null = null;
  private newest: Wanted | null = null;
  private before: Promise<unknown> = Promise.resolve();

  /**
   * Draws a picture and shows it; what was drawn before in the same place is only laid anew. One that is asked for later ends it where it shows
   * another part of the figure, else follows it.
   * @returns true where it was drawn to its end
   */
  async draw(
    { frame, drawings, fresh, share }: CellPicture,
    show: (bitmap: ImageBitmap) => void,
    progress: (share: number) => void,
  ): Promise<boolean> {
    for (const cells of fresh) this.known.set(cells.id, ready(cells));
    const parts = drawings.flatMap((drawing) => this.partOf(drawing, frame));
    const kept = new Set(parts.map(({ cells }) => cells.id));
    for (const id of this.known.keys()) if (!kept.has(id)) this.known.delete(id);
    const mine = { frame, parts, share };
    this.newest = mine;
    const own = this.before.then(() => this.newest === mine && this.drawn(mine, show, progress));
    // One that fails does not hold up those after it.
    this.before = own.catch(() => undefined);
    return own;
  }

  private partOf(drawing: string, frame: CanvasFrame): Part[] {
    const { cells: id, look } = JSON.parse(drawing) as DrawnCells;
    const cells = this.known.get(id);
    if (!cells) return [];
    const flat = flatColour(look, cells.rule, frame);
    return [{ key: flat === null ? drawing : id, cells, look, flat }];
  }

  /** Draws a picture and shows it. @returns false where another place was asked for meanwhile */
  private async drawn(
    mine: Wanted,
    show: (bitmap: ImageBitmap) => void,
    progress: (share: number) => void,
  ): Promise<boolean> {
    const { frame, share } = mine;
    const shown = await (share < 1 ? this.someOf(mine, progress) : this.allOf(mine, progress));
    if (!shown) return false;
    const image = new ImageData(new Uint8ClampedArray(shown.buffer), frame.width, frame.height);
    const bitmap = await createImageBitmap(image);
    show(transfer(bitmap, [bitmap]));
    return true;
  }

  /** A share of the copies of each part, drawn as they lie. */
  private async someOf(
    { frame, parts, share }: Wanted,
    progress: (share: number) => void,
  ): Promise<Uint32Array<ArrayBuffer> | null> {
    const runs = parts.map(({ cells, look }) => ({ cells, look, end: Math.ceil(cells.count * share) }));
    const count = runs.reduce((sum, { end }) => sum + end, 0);
    const tick = this.ticks(frame, count, progress);
    const surface = this.canvasesOf(frame).forColours();
    for (const { cells, look, end } of runs)
      if (!(await drawRun(surface, cells, look, frame, [0, end], tick))) return null;
    return shownAs(new Uint32Array(bytesOf(surface).buffer), this.weightsIn(frame));
  }

  /** All parts, after those that are new here were drawn and read. */
  private async allOf(
    { frame, parts }: Wanted,
    progress: (share: number) => void,
  ): Promise<Uint32Array<ArrayBuffer> | null> {
    const weights = this.weightsIn(frame);
    const place = this.place?.key === placeKey(frame) ? this.place : placeOf(frame, weights);
    this.place = place;
    keepOnly(place, parts);
    const fresh = new Map(
      parts.filter((part) => laidOf(part, place).length === 0).map((part) => [part.key, part]),
    );
    const sheets = sheetsOf([...fresh.values()], frame);
    const count = sheets.flat().reduce((sum, { runs }) => sum + countOf(runs), 0);
    const tick = this.ticks(frame, count, progress);
    for (const sheet of sheets) if (!(await this.readSheet(sheet, frame, place, tick))) return null;
    place.picture.weigh(weights);
    place.picture.lay(parts.flatMap((part) => laidOf(part, place)));
    return place.picture.shown;
  }

  private canvasesOf({ width, height }: CanvasFrame): Canvases {
    if (this.canvases?.width !== width || this.canvases.height !== height)
      this.canvases = new Canvases(width, height);
    return this.canvases;
  }

  /** How strong each pixel of a frame is; the same list as long as it says the same. */
  private weightsIn(frame: CanvasFrame): Uint8Array | null {
    const { full, strength, scale, x, y, width, height } = frame;
    const key = JSON.stringify([full, strength, scale, x, y, width, height]);
    if (this.weights?.key === key) return this.weights.of;
    const of = weightsOf(
      width * height,
      strength,
      full === null || strength === 1 ? null : this.maskOf(full, frame),
    );
    this.weights = { key, of };
    return of;
  }

  /** The mask of an area in the figure's unit. @param data its path data, upright */
  private maskOf(data: string, frame: CanvasFrame): Mask {
    const { scale, x, y, width, height } = frame;
    const surface = this.canvasesOf(frame).forMasks();
    const [{ byte, colour }] = CHANNELS;
    surface.setTransform(scale, 0, 0, scale, x, y);
    surface.fillStyle = colour;
    surface.fill(new Path2D(data));
    return maskOf(bytesOf(surface), width, [[0, 0, width, height]], byte);
  }

  private async readSheet(
    sheet: readonly OnSheet[],
    frame: CanvasFrame,
    { masks, colours }: Place,
    tick: Tick,
  ): Promise<boolean> {
    const canvases = this.canvasesOf(frame);
    const isMasks = sheet.some(({ channel }) => channel !== null);
    const surface = isMasks ? canvases.forMasks() : canvases.forColours();
    for (const { part, runs, channel } of sheet) {
      const drawn = channel ? inColour(channel.colour, frame) : { look: part.look, frame };
      for (const run of runs)
        if (!(await drawRun(surface, part.cells, drawn.look, drawn.frame, run, tick))) return false;
    }
    const bytes = bytesOf(surface);
    const pixels = new Uint32Array(bytes.buffer);
    for (const { part, region, channel } of sheet) {
      const rects = region.rects();
      if (channel) masks.set(part.key, { region, read: maskOf(bytes, frame.width, rects, channel.byte) });
      else colours.set(part.key, { region, read: coloursOf(pixels, frame.width, rects) });
    }
    return true;
  }

  private ticks(frame: CanvasFrame, all: number, progress: (share: number) => void): Tick {
    let done = 0;
    let looked = performance.now();
    return async (copies) => {
      done += copies;
      if (performance.now() - looked < SLICE) return true;
      progress(done / all);
      await pause();
      looked = performance.now();
      return !this.newest || placeKey(this.newest.frame) === placeKey(frame);
    };
  }
}

/** Draws copies of cells, some at a time. @returns false where it was ended */
async function drawRun(
  surface: OffscreenCanvasRenderingContext2D,
  cells: Ready,
  look: Look,
  frame: CanvasFrame,
  [first, end]: readonly [number, number],
  tick: Tick,
): Promise<boolean> {
  for (let from = first; from < end; from += BETWEEN_LOOKS) {
    const to = Math.min(end, from + BETWEEN_LOOKS);
    drawCopies(surface, cells, look, frame, [from, to]);
    if (!(await tick(to - from))) return false;
  }
  return true;
}

/** The browser's door to pictures of very many cells, which would hold up the page; panes by any number. */
class CellDoor {
  private readonly panes = new Map<number, Pane>();

  /** Draws a picture into a pane. @returns true where it was drawn to its end */
  draw(
    pane: number,
    picture: CellPicture,
    show: (bitmap: ImageBitmap) => void,
    progress: (share: number) => void,
  ): Promise<boolean> {
    const own = this.panes.get(pane) ?? new Pane();
    this.panes.set(pane, own);
    return own.draw(picture, show, progress);
  }

  /** Forgets a pane that is no longer shown. */
  close(pane: number): void {
    this.panes.delete(pane);
  }
}

export type { CellDoor };

expose(new CellDoor());
