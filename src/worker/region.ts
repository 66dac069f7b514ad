/**
 * A part of a canvas that is to be drawn anew, in tiles of whole pixels: at their edges nothing is blended, so that what is drawn there alone is
 * what drawing all of it would give.
 *
 * @example
 * const region = new Region(frame);
 * region.add(boxes, 0);                     // where something changed
 * if (region.touches(boxes, 7)) redraw(7);  // what reaches into it; of that region.rects() are taken
 */

/** Pixels along a tile's side. */
const TILE = 8;
/** Smoothing colours pixels so far beyond an outline's box. */
const SMOOTHED = 1;

/** A canvas in pixels, where on it the figure's centre is, and how many pixels are a unit of the figure. */
interface View {
  readonly width: number;
  readonly height: number;
  readonly scale: number;
  readonly x: number;
  readonly y: number;
}

/** A rectangle in pixels: its upper left corner, its width and height. */
export type Rect = readonly [x: number, y: number, width: number, height: number];

export class Region {
  private readonly columns: number;
  private readonly rows: number;
  private readonly tiles: Uint8Array;

  constructor(private readonly view: View) {
    this.columns = Math.ceil(view.width / TILE);
    this.rows = Math.ceil(view.height / TILE);
    this.tiles = new Uint8Array(this.columns * this.rows);
  }

  /** Takes in the kth of boxes, four numbers each: left, top, right, bottom, in the figure's unit from its centre. */
  add(boxes: Float64Array, k: number): void {
    this.within(boxes, k, (tile) => {
      this.tiles[tile] = 1;
      return false;
    });
  }

  /** True where the kth of boxes reaches into it. */
  touches(boxes: Float64Array, k: number): boolean {
    return this.within(boxes, k, (tile) => this.tiles[tile] === 1);
  }

  /** The rectangles that it is made of: runs of tiles. */
  rects(): Rect[] {
    const found: Rect[] = [];
    for (let row = 0; row < this.rows; row += 1) {
      let from = -1;
      for (let column = 0; column <= this.columns; column += 1) {
        const isIn = column < this.columns && this.tiles[row * this.columns + column] === 1;
        if (isIn && from < 0) from = column;
        if (isIn || from < 0) continue;
        found.push([from * TILE, row * TILE, (column - from) * TILE, TILE]);
        from = -1;
      }
    }
    return found;
  }

  /** True where something holds of a tile that a box, smoothed, reaches into. */
  private within(boxes: Float64Array, k: number, holds: (tile: number) => boolean): boolean {
    const { scale, x, y } = this.view;
    const firstColumn = Math.max(0, Math.floor(((boxes[4 * k] ?? 0) * scale + x - SMOOTHED) / TILE));
    const lastColumn = Math.min(
      this.columns - 1,
      Math.floor(((boxes[4 * k + 2] ?? 0) * scale + x + SMOOTHED) / TILE),
    );
    const firstRow = Math.max(0, Math.floor(((boxes[4 * k + 1] ?? 0) * scale + y - SMOOTHED) / TILE));
    const lastRow = Math.min(
      this.rows - 1,
      Math.floor(((boxes[4 * k + 3] ?? 0) * scale + y + SMOOTHED) / TILE),
    );
    for (let row = firstRow; row <= lastRow; row += 1)
      for (let column = firstColumn; column <= lastColumn; column += 1)
        if (holds(row * this.columns + column)) return true;
    return false;
  }
}
