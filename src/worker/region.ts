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
const SMOOTHED = 1;

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
    const { scale, x, y } = this.view;
    const tileAt = (side: 0 | 1 | 2 | 3, from: number, beyond: number): number =>
      Math.floor(((boxes[4 * k + side] ?? 0) * scale + from + beyond) / TILE);
    const [firstColumn, firstRow] = [
      Math.max(0, tileAt(0, x, -SMOOTHED)),
      Math.max(0, tileAt(1, y, -SMOOTHED)),
    ];
    const lastColumn = Math.min(this.columns - 1, tileAt(2, x, SMOOTHED));
    const lastRow = Math.min(this.rows - 1, tileAt(3, y, SMOOTHED));
    if (lastColumn < firstColumn) return;
    for (let row = firstRow; row <= lastRow; row += 1)
      this.tiles.fill(1, row * this.columns + firstColumn, row * this.columns + lastColumn + 1);
  }

  /** True where another of the same canvas has no tile that this one has. */
  isApartFrom(other: Region): boolean {
    for (let tile = 0; tile < this.tiles.length; tile += 1)
      if (this.tiles[tile] === 1 && other.tiles[tile] === 1) return false;
    return true;
  }

  /** Takes in all of another of the same canvas. */
  take(other: Region): void {
    for (let tile = 0; tile < this.tiles.length; tile += 1) if (other.tiles[tile] === 1) this.tiles[tile] = 1;
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
