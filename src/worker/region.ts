/**
 * A part of a canvas, in tiles of whole pixels: what is drawn in one that shares no tile with another leaves the pixels of that as they are.
 *
 * @example
 * const region = new Region(frame);
 * region.add(boxes, 0);                    // where something is drawn
 * for (const rect of region.rects()) read(rect);
 */

/** Pixels along a tile's side. */
const TILE = 8;
/** Smoothing colours pixels so far beyond an outline's box. */
export const SMOOTHED = 1;

/** A canvas in pixels, where on it the figure's centre is, and how many pixels are a unit of the figure. */
export interface View {
  readonly width: number;
  readonly height: number;
  readonly scale: number;
  readonly x: number;
  readonly y: number;
}

/** A rectangle in pixels: its upper left corner, its width and height. */
export type Rect = readonly [x: number, y: number, width: number, height: number];

/** Tiles whose bits are one number: the lower five bits of a column say which. */
const BITS = 32;

export class Region {
  private readonly columns: number;
  private readonly rows: number;
  /** Numbers in a row of tiles. */
  private readonly stride: number;
  /** A bit for each tile, row by row. */
  private readonly bits: Uint32Array;

  constructor(private readonly view: View) {
    this.columns = Math.ceil(view.width / TILE);
    this.rows = Math.ceil(view.height / TILE);
    this.stride = Math.ceil(this.columns / BITS);
    this.bits = new Uint32Array(this.stride * this.rows);
  }

  /** Takes in the kth of boxes, four numbers each: left, top, right, bottom, in the figure's unit from its centre. */
  add(boxes: Float64Array, k: number): void {
    const { scale, x, y } = this.view;
    const [left = 0, top = 0, right = 0, bottom = 0] = [
      boxes[4 * k],
      boxes[4 * k + 1],
      boxes[4 * k + 2],
      boxes[4 * k + 3],
    ];
    const firstColumn = Math.max(0, Math.floor((left * scale + x - SMOOTHED) / TILE));
    const firstRow = Math.max(0, Math.floor((top * scale + y - SMOOTHED) / TILE));
    const lastColumn = Math.min(this.columns - 1, Math.floor((right * scale + x + SMOOTHED) / TILE));
    const lastRow = Math.min(this.rows - 1, Math.floor((bottom * scale + y + SMOOTHED) / TILE));
    for (let row = firstRow; row <= lastRow; row += 1)
      for (let column = firstColumn; column <= lastColumn; column += 1) {
        const at = row * this.stride + (column >>> 5);
        this.bits[at] = (this.bits[at] ?? 0) | (1 << (column & 31));
      }
  }

  /** True where another of the same canvas has no tile that this one has. */
  isApartFrom(other: Region): boolean {
    for (let at = 0; at < this.bits.length; at += 1)
      if (((this.bits[at] ?? 0) & (other.bits[at] ?? 0)) !== 0) return false;
    return true;
  }

  /** Takes in all of another of the same canvas. */
  take(other: Region): void {
    for (let at = 0; at < this.bits.length; at += 1)
      this.bits[at] = (this.bits[at] ?? 0) | (other.bits[at] ?? 0);
  }

  private has(row: number, column: number): boolean {
    return (((this.bits[row * this.stride + (column >>> 5)] ?? 0) >>> (column & 31)) & 1) === 1;
  }

  /** The rectangles that it is made of, in whole pixels: runs of tiles. */
  rects(): Rect[] {
    const found: Rect[] = [];
    for (let row = 0; row < this.rows; row += 1) {
      let from = -1;
      for (let column = 0; column <= this.columns; column += 1) {
        const isIn = column < this.columns && this.has(row, column);
        if (isIn && from < 0) from = column;
        if (isIn || from < 0) continue;
        const [left, top] = [from * TILE, row * TILE];
        const [right, bottom] = [
          Math.min(column * TILE, this.view.width),
          Math.min(top + TILE, this.view.height),
        ];
        found.push([left, top, right - left, bottom - top]);
        from = -1;
      }
    }
    return found;
  }
}

/** The smallest rectangle that holds others; one without size where there are none. */
export function boundsOfRects(rects: readonly Rect[]): Rect {
  if (rects.length === 0) return [0, 0, 0, 0];
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const [x, y, width, height] of rects) {
    left = Math.min(left, x);
    top = Math.min(top, y);
    right = Math.max(right, x + width);
    bottom = Math.max(bottom, y + height);
  }
  return [left, top, right - left, bottom - top];
}

/**
 * Puts parts of a canvas on as few sheets as may be so that no two on a sheet meet: each goes on the first one that has room for it.
 * @returns for each sheet the numbers of those on it
 */
export function onSheets(view: View, regions: readonly Region[]): readonly (readonly number[])[] {
  const sheets: { readonly taken: Region; readonly parts: number[] }[] = [];
  regions.forEach((region, part) => {
    let sheet = sheets.find(({ taken }) => region.isApartFrom(taken));
    if (!sheet) {
      sheet = { taken: new Region(view), parts: [] };
      sheets.push(sheet);
    }
    sheet.taken.take(region);
    sheet.parts.push(part);
  });
  return sheets.map(({ parts }) => parts);
}
