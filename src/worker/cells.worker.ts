import { expose, transfer } from 'comlink';

import {
  boxesOf,
  canvasArea,
  drawCopies,
  drawRegion,
  layDrawing,
  reachingInto,
  ready,
  type CanvasFrame,
  type CellDrawing,
  type Ready,
} from './cellDrawing';
import { Region } from './region';

/** What is to be seen: drawings by their ids, back to front. Those that were not sent before come with it. */
export interface CellPicture {
  readonly frame: CanvasFrame;
  readonly ids: readonly number[];
  readonly fresh: readonly CellDrawing[];
  /** How many of the copies of each are there yet, from 0 to 1. */
  readonly share: number;
}

/** How long it draws before it looks whether something newer is asked for, in milliseconds. */
const SLICE = 12;
/** Copies drawn between two looks at the clock. */
const BETWEEN_LOOKS = 64;
/** Where more than this share of all copies is to be drawn for a part of the picture, all of it is drawn anew. */
const MOST_CHANGED = 0.4;

const pause = (): Promise<void> =>
  new Promise((resolve) => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = () => resolve();
    port2.postMessage(null);
  });

function canvasOf({ width, height }: CanvasFrame): OffscreenCanvasRenderingContext2D {
  const surface = new OffscreenCanvas(width, height).getContext('2d');
  if (!surface) throw new Error('This browser gives no canvas to a worker.');
  return surface;
}

const countOf = (drawings: readonly Ready[]): number => drawings.reduce((sum, { count }) => sum + count, 0);

interface Wanted {
  readonly frame: CanvasFrame;
  readonly drawings: readonly Ready[];
  readonly share: number;
}

interface Drawn extends Wanted {
  readonly surface: OffscreenCanvasRenderingContext2D;
}

const sameFrame = (a: CanvasFrame, b: CanvasFrame): boolean => JSON.stringify(a) === JSON.stringify(b);

/** One place where very many cells are shown. */
class Pane {
  private readonly known = new Map<number, Ready>();
  private readonly boxes = new WeakMap<Ready, { readonly rotation: number; readonly boxes: Float64Array }>();
  private drawn: Drawn | null = null;
  private newest: Wanted | null = null;
  private before: Promise<unknown> = Promise.resolve();

  /**
   * Draws a picture and shows it; where little changed since the former one only the part of it in which something did. One that is asked for
   * later ends it where it shows another part of the figure, else follows it.
   * @returns true where it was drawn to its end
   */
  async draw(
    { frame, ids, fresh, share }: CellPicture,
    show: (bitmap: ImageBitmap) => void,
    progress: (share: number) => void,
  ): Promise<boolean> {
    for (const drawing of fresh) this.known.set(drawing.id, ready(drawing));
    const drawings = ids.flatMap((id) => this.known.get(id) ?? []);
    const kept = new Set(ids);
    for (const id of this.known.keys()) if (!kept.has(id)) this.known.delete(id);
    const mine = { frame, drawings, share };
    this.newest = mine;
    if (this.patch(mine)) this.lay(show);
    const own = this.before.then(
      () => this.isDrawn(mine) || (this.newest === mine && this.drawAll(mine, show, progress)),
    );
    // One that fails does not hold up those after it.
    this.before = own.catch(() => undefined);
    return own;
  }

  private async drawAll(
    mine: Wanted,
    show: (bitmap: ImageBitmap) => void,
    progress: (share: number) => void,
  ): Promise<boolean> {
    const { frame, drawings, share } = mine;
    const surface = canvasOf(frame);
    const placed = drawings.map((drawing) => [drawing, this.boxesAt(drawing, frame)] as const);
    const seen = reachingInto(canvasArea(frame), placed);
    const all = seen.reduce((sum, [, from, to]) => sum + to - from, 0);
    let done = 0;
    let looked = performance.now();
    for (const [drawing, first, last] of seen) {
      const end = Math.min(last, Math.ceil(drawing.count * share));
      for (let from = first; from < end; from += BETWEEN_LOOKS) {
        const to = Math.min(end, from + BETWEEN_LOOKS);
        drawCopies(surface, drawing, frame, from, to);
        done += to - from;
        if (performance.now() - looked < SLICE) continue;
        progress(done / all);
        await pause();
        if (this.newest && !sameFrame(this.newest.frame, frame)) return false;
        looked = performance.now();
      }
    }
    this.drawn = { surface, frame, drawings, share };
    // What was shown meanwhile is not taken back.
    if (this.newest && this.newest !== mine) this.patch(this.newest);
    this.lay(show);
    return true;
  }

  private isDrawn({ drawings }: Wanted): boolean {
    return this.drawn?.drawings === drawings;
  }

  /** Draws the parts of the former picture anew in which something changed. @returns false where too much did for that */
  private patch({ frame, drawings, share }: Wanted): boolean {
    const before = this.drawn;
    if (!before || share < 1 || before.share < 1 || !sameFrame(before.frame, frame)) return false;
    const [had, has] = [new Set(before.drawings), new Set(drawings)];
    const stayed = before.drawings.filter((drawing) => has.has(drawing));
    // What stays has to lie in the order that it had.
    if (drawings.filter((drawing) => had.has(drawing)).some((drawing, k) => drawing !== stayed[k]))
      return false;
    const fresh = drawings.filter((drawing) => !had.has(drawing));
    if (countOf(fresh) > MOST_CHANGED * countOf(drawings)) return false;
    const region = new Region(frame);
    for (const drawing of [...before.drawings, ...drawings])
      if (!had.has(drawing) || !has.has(drawing)) {
        const boxes = this.boxesAt(drawing, frame);
        for (let k = 0; k < drawing.count; k += 1) region.add(boxes, k);
      }
    const placed = drawings.map((drawing) => [drawing, this.boxesAt(drawing, frame)] as const);
    const reaching = reachingInto(region, placed);
    const count = reaching.reduce((sum, [, from, to]) => sum + to - from, 0);
    if (count > MOST_CHANGED * countOf(drawings)) return false;
    drawRegion(before.surface, canvasOf(frame), region, reaching, frame);
    this.drawn = { surface: before.surface, frame, drawings, share };
    return true;
  }

  /** Where the copies of a drawing are; worked out once for all views of it. */
  private boxesAt(drawing: Ready, { rotation }: CanvasFrame): Float64Array {
    const known = this.boxes.get(drawing);
    if (known?.rotation === rotation) return known.boxes;
    const boxes = boxesOf(drawing, rotation);
    this.boxes.set(drawing, { rotation, boxes });
    return boxes;
  }

  /** Shows what is drawn. */
  private lay(show: (bitmap: ImageBitmap) => void): void {
    if (!this.drawn) return;
    const { surface, frame } = this.drawn;
    const out = canvasOf(frame);
    layDrawing(out, surface.canvas, frame);
    const bitmap = out.canvas.transferToImageBitmap();
    show(transfer(bitmap, [bitmap]));
  }
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
