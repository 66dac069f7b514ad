/**
 * Points in squares, to find those that are near a place.
 *
 * @example
 * const squares = new Squares(x, y, 0.5);
 * squares.ring(3, -40, 0, (k) => look(x[k], y[k])); // those of the square that the place is in
 */

/** The squares are as large as it takes for no more of them than this many for each point. */
const MOST_A_POINT = 4;
const ALWAYS = 1024;

export class Squares {
  /** The side of a square. */
  readonly side: number;
  private readonly left: number;
  private readonly top: number;
  private readonly across: number;
  private readonly down: number;
  /** Where the points of each square begin in `points`, and after them the end. */
  private readonly starts: Int32Array;
  private readonly points: Int32Array;

  /** @param side as small as squares may be */
  constructor(x: ArrayLike<number>, y: ArrayLike<number>, side: number) {
    let [left, right, top, bottom] = [Infinity, -Infinity, Infinity, -Infinity];
    for (let k = 0; k < x.length; k += 1) {
      [left, right] = [Math.min(left, x[k] ?? 0), Math.max(right, x[k] ?? 0)];
      [top, bottom] = [Math.min(top, y[k] ?? 0), Math.max(bottom, y[k] ?? 0)];
    }
    const [width, height] = x.length === 0 ? [0, 0] : [right - left, bottom - top];
    const most = ALWAYS + MOST_A_POINT * x.length;
    this.side = Math.max(side, Math.sqrt((width * height) / most), width / most, height / most) || 1;
    [this.left, this.top] = x.length === 0 ? [0, 0] : [left, top];
    this.across = Math.floor(width / this.side) + 1;
    this.down = Math.floor(height / this.side) + 1;
    const squares = Int32Array.from({ length: x.length }, (_, k) => this.squareOf(x[k] ?? 0, y[k] ?? 0));
    this.starts = new Int32Array(this.across * this.down + 1);
    for (const square of squares) this.starts[square + 1] = (this.starts[square + 1] ?? 0) + 1;
    for (let k = 1; k < this.starts.length; k += 1)
      this.starts[k] = (this.starts[k] ?? 0) + (this.starts[k - 1] ?? 0);
    const next = this.starts.slice();
    this.points = new Int32Array(x.length);
    squares.forEach((square, k) => {
      const at = next[square] ?? 0;
      this.points[at] = k;
      next[square] = at + 1;
    });
  }

  private readonly columnOf = (x: number): number => Math.floor((x - this.left) / this.side);
  private readonly rowOf = (y: number): number => Math.floor((y - this.top) / this.side);
  private readonly squareOf = (x: number, y: number): number =>
    this.rowOf(y) * this.across + this.columnOf(x);

  /** The points of some squares of a row, by where they begin and end in `points`. */
  private rowRange(row: number, from: number, to: number): readonly [from: number, stop: number] {
    if (row < 0 || row >= this.down || to < 0 || from >= this.across) return [0, 0];
    const first = row * this.across + Math.max(0, from);
    const last = row * this.across + Math.min(this.across - 1, to);
    return [this.starts[first] ?? 0, this.starts[last + 1] ?? 0];
  }

  private takeRow(row: number, from: number, to: number, take: (k: number) => void): void {
    const [first, stop] = this.rowRange(row, from, to);
    for (let at = first; at < stop; at += 1) take(this.points[at] ?? 0);
  }

  /** Goes through all in the squares that are so many away from that of a place: none of them is nearer than one square less. */
  ring(x: number, y: number, away: number, take: (k: number) => void): void {
    const [column, row] = [this.columnOf(x), this.rowOf(y)];
    for (let down = -away; down <= away; down += 1) {
      if (Math.abs(down) === away) this.takeRow(row + down, column - away, column + away, take);
      else
        for (const across of [-away, away]) this.takeRow(row + down, column + across, column + across, take);
    }
  }

  /** True where some point within reach of a place is one that is looked for; some beyond reach are asked too. */
  some(x: number, y: number, reach: number, isIt: (k: number) => boolean): boolean {
    const [from, to] = [this.columnOf(x - reach), this.columnOf(x + reach)];
    for (let row = this.rowOf(y - reach); row <= this.rowOf(y + reach); row += 1) {
      const [first, stop] = this.rowRange(row, from, to);
      for (let at = first; at < stop; at += 1) if (isIt(this.points[at] ?? 0)) return true;
    }
    return false;
  }
}
