import { Ints, valueAt } from './lists';

/** Square cells over a box, and which of them a chord passes. */
export class Raster {
  readonly columns: number;
  readonly rows: number;
  /** The cells that were gathered last. */
  readonly passed = new Ints();
  private readonly scale: number;

  constructor(
    private readonly left: number,
    private readonly top: number,
    right: number,
    bottom: number,
    cells: number,
  ) {
    const width = Math.max(right - left, 1e-300);
    const height = Math.max(bottom - top, 1e-300);
    // Square cells, as many as asked for, but never more than that along a thin box.
    const size = Math.max(Math.sqrt((width * height) / cells), Math.max(width, height) / cells);
    this.scale = 1 / size;
    this.columns = Math.max(1, Math.ceil(width / size));
    this.rows = Math.max(1, Math.ceil(height / size));
  }

  private column(x: number): number {
    return Math.max(0, Math.min(this.columns - 1, Math.floor((x - this.left) * this.scale)));
  }

  private row(y: number): number {
    return Math.max(0, Math.min(this.rows - 1, Math.floor((y - this.top) * this.scale)));
  }

  /** Gathers the cells that a chord with a margin to all sides passes. */
  gather(x0: number, y0: number, x1: number, y1: number, margin: number): void {
    const { passed } = this;
    passed.clear();
    const low = x0 <= x1 ? x0 : x1;
    const high = x0 <= x1 ? x1 : x0;
    const first = this.column(low - margin);
    const last = this.column(high + margin);
    const steep = x1 === x0 ? 0 : (y1 - y0) / (x1 - x0);
    const width = 1 / this.scale;
    for (let column = first; column <= last; column += 1) {
      let top = y0 <= y1 ? y0 : y1;
      let bottom = y0 <= y1 ? y1 : y0;
      if (first !== last && x1 !== x0) {
        // The part of the chord over this column, widened by the margin.
        const from = Math.max(low, this.left + column * width - margin);
        const to = Math.min(high, this.left + (column + 1) * width + margin);
        const a = y0 + (from - x0) * steep;
        const b = y0 + (to - x0) * steep;
        top = a <= b ? a : b;
        bottom = a <= b ? b : a;
      }
      const lastRow = this.row(bottom + margin);
      for (let row = this.row(top - margin); row <= lastRow; row += 1)
        passed.push(row * this.columns + column);
    }
  }
}

/** Finds what may be near a chord: items lie in the cells of a raster that were gathered for them. */
export class Grid {
  private readonly heads: Int32Array;
  private readonly items = new Ints();
  private readonly following = new Ints();

  constructor(private readonly raster: Raster) {
    this.heads = new Int32Array(raster.columns * raster.rows).fill(-1);
  }

  /** Puts an item into the cells that the raster gathered last. */
  insert(item: number): void {
    const { passed } = this.raster;
    for (let k = 0; k < passed.length; k += 1) {
      const cell = passed.at(k);
      this.items.push(item);
      this.following.push(valueAt(this.heads, cell));
      this.heads[cell] = this.items.length - 1;
    }
  }

  /** Lists the items in the cells that the raster gathered last; some may be listed more than once. */
  query(into: Ints): void {
    into.clear();
    const { passed } = this.raster;
    for (let k = 0; k < passed.length; k += 1) {
      for (let at = valueAt(this.heads, passed.at(k)); at >= 0; at = this.following.at(at))
        into.push(this.items.at(at));
    }
  }
}
