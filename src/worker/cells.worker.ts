import { expose, transfer } from 'comlink';

import { remembered } from '../core/remembered';
import {
  boxesOf,
  type CanvasFrame,
  type Cells,
  copiesIn,
  drawCopies,
  flatColour,
  inColour,
  type Look,
  ready,
  type Ready,
  type Run,
} from './cellDrawing';
import { colourNumber, type Laid, LaidPicture, shownAs, weightsOf } from './laidPicture';
import { coloursOf, type Colours, type Mask, maskOf } from './masks';
import { boundsOfRects, type Region } from './region';
import { Canvases, CHANNELS, type OnSheet, type Part, readPixels, sheetsOf } from './sheets';

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
  /** It may be painted otherwise in a moment: what cells cover is read for that. */
  readonly isAtHand: boolean;
}

/** How long it draws before it looks whether something newer is asked for, in milliseconds. */
const SLICE = 12;
/** Copies drawn between two looks at the clock. */
const BETWEEN_LOOKS = 64;

/** How long nothing new is asked for before masks are read that nobody waits for, in milliseconds. */
const CALM = 200;
/** Where more than this share of all copies is new, drawing all of them straight is quicker than reading masks first. */
const MOST_NEW = 0.4;

const pause = (): Promise<void> =>
  new Promise((resolve) => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = () => resolve();
    port2.postMessage(null);
  });

type Show = (bitmap: ImageBitmap) => void;
type Progress = (share: number) => void;

interface Wanted extends Pick<CellPicture, 'frame' | 'share' | 'isAtHand'> {
  readonly parts: readonly Part[];
}

/** The same for frames that show the same place in the same way, however strong. */
const placeKey = remembered(({ width, height, scale, x, y, rotation, outline }: CanvasFrame): string =>
  JSON.stringify([width, height, scale, x, y, rotation, outline !== null]),
);

const copiesOf = (parts: readonly Part[]): number => parts.reduce((sum, { cells }) => sum + cells.count, 0);

/** How long something is gone on with, and who is told how far it is. */
interface Going {
  readonly isWanted: () => boolean;
  readonly progress: Progress;
}

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

const notRead = (parts: readonly Part[], place: Place): Part[] =>
  parts.filter((part) => laidOf(part, place).length === 0);

/** One place where very many cells are shown. */
class Pane {
  private readonly known = new Map<string, Ready>();
  private place: Place | null = null;
  private canvases: Canvases | null = null;
  private weights: { readonly key: string; readonly of: Uint8Array | null } | null = null;
  private newest: Wanted | null = null;
  private before: Promise<unknown> = Promise.resolve();

  /**
   * Draws a picture and shows it; what was read before in the same place is only laid anew. One that is asked for later ends it where it shows
   * another part of the figure, else follows it.
   * @returns true where it was drawn to its end
   */
  async draw(
    { frame, drawings, fresh, share, isAtHand }: CellPicture,
    show: Show,
    progress: Progress,
  ): Promise<boolean> {
    for (const cells of fresh) this.known.set(cells.id, ready(cells));
    const parts = drawings.flatMap((drawing) => this.partOf(drawing, frame));
    const kept = new Set(parts.map(({ cells }) => cells.id));
    for (const id of this.known.keys()) if (!kept.has(id)) this.known.delete(id);
    const mine = { frame, parts, share, isAtHand };
    this.newest = mine;
    return this.inTurn(() => (this.newest === mine ? this.drawn(mine, show, progress) : false));
  }

  /** Does something after what is under way; what fails does not hold up what comes after it. */
  private async inTurn(act: () => Promise<boolean> | boolean): Promise<boolean> {
    const own = this.before.then(act);
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
  private async drawn(mine: Wanted, show: Show, progress: Progress): Promise<boolean> {
    const isRead = mine.share === 1 && !this.isMostlyNew(mine);
    const going = { isWanted: () => this.isSamePlace(mine), progress };
    const shown = await (isRead ? this.allOf(mine, going) : this.someOf(mine, going));
    if (!shown) return false;
    await present(shown, mine.frame, show);
    // Where that fails the picture stays as it was drawn.
    if (!isRead && mine.share === 1 && mine.isAtHand) this.readWhenCalm(mine, show).catch(() => undefined);
    return true;
  }

  /** Reads what is new in a picture once nothing else was asked for a while, and shows it laid from that. */
  private async readWhenCalm(mine: Wanted, show: Show): Promise<void> {
    await new Promise((resolve) => setTimeout(resolve, CALM));
    const going = { isWanted: () => this.newest === mine, progress: () => undefined };
    await this.inTurn(async () => {
      const shown = going.isWanted() ? await this.allOf(mine, going) : null;
      if (shown) await present(shown, mine.frame, show);
      return shown !== null;
    });
  }

  private isSamePlace({ frame }: Wanted): boolean {
    return !this.newest || placeKey(this.newest.frame) === placeKey(frame);
  }

  private isMostlyNew({ frame, parts }: Wanted): boolean {
    const { place } = this;
    if (place?.key !== placeKey(frame)) return true;
    return copiesOf(notRead(parts, place)) > MOST_NEW * copiesOf(parts);
  }

  /** A share of the copies of each part, drawn straight, as they lie. */
  private async someOf(
    { frame, parts, share }: Wanted,
    going: Going,
  ): Promise<Uint32Array<ArrayBuffer> | null> {
    const surface = this.canvasesOf(frame).forColours();
    const tick = ticks(copiesOf(parts) * share, going);
    for (const { cells, look } of parts) {
      const end = Math.ceil(cells.count * share);
      for (const [from, to] of copiesIn(boxesOf(cells, look.paint, frame), frame))
        if (!(await drawRun(surface, cells, look, frame, [from, Math.min(end, to)], tick))) return null;
    }
    const { bytes } = readPixels(surface, [0, 0, frame.width, frame.height]);
    return shownAs(new Uint32Array(bytes.buffer), this.weightsIn(frame));
  }

  /** All parts, after those that are new here were drawn and read. */
  private async allOf({ frame, parts }: Wanted, going: Going): Promise<Uint32Array<ArrayBuffer> | null> {
    const weights = this.weightsIn(frame);
    const place = this.place?.key === placeKey(frame) ? this.place : placeOf(frame, weights);
    this.place = place;
    keepOnly(place, parts);
    const fresh = new Map(notRead(parts, place).map((part) => [part.key, part]));
    const tick = ticks(copiesOf([...fresh.values()]), going);
    for (const sheet of sheetsOf([...fresh.values()], frame))
      if (!(await this.readSheet(sheet, frame, place, tick))) return null;
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
    const all = [0, 0, width, height] as const;
    return maskOf(readPixels(surface, all), [all], width, byte);
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
    const placed = sheet.map((each) => ({ ...each, rects: each.region.rects() }));
    const pixels = readPixels(surface, boundsOfRects(placed.flatMap(({ rects }) => rects)));
    for (const { part, region, channel, rects } of placed)
      if (channel) masks.set(part.key, { region, read: maskOf(pixels, rects, frame.width, channel.byte) });
      else colours.set(part.key, { region, read: coloursOf(pixels, rects, frame.width) });
    return true;
  }
}

/** @param all how many copies are to be drawn */
function ticks(all: number, { isWanted, progress }: Going): Tick {
  let done = 0;
  let looked = performance.now();
  return async (copies) => {
    done += copies;
    if (performance.now() - looked < SLICE) return true;
    progress(done / all);
    await pause();
    looked = performance.now();
    return isWanted();
  };
}

/** Shows pixels. */
async function present(
  pixels: Uint32Array<ArrayBuffer>,
  { width, height }: CanvasFrame,
  show: Show,
): Promise<void> {
  const bitmap = await createImageBitmap(new ImageData(new Uint8ClampedArray(pixels.buffer), width, height));
  show(transfer(bitmap, [bitmap]));
}

/** Draws copies of cells, some at a time. @returns false where it was ended */
async function drawRun(
  surface: OffscreenCanvasRenderingContext2D,
  cells: Ready,
  look: Look,
  frame: CanvasFrame,
  [first, end]: Run,
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
  draw(pane: number, picture: CellPicture, show: Show, progress: Progress): Promise<boolean> {
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
