/**
 * All cells of a division by running numbers, and what the symmetry makes of each.
 *
 * @example
 * const index = new CellIndex(division.cells, division.fold);
 * const [cell] = index.cellsAt('rupan21eudiqm-0@3');
 * const next = index.turned(cell, 1);               // the same cell of the next copy
 */
import { applyTo, MIRROR, type Path, type Point, turnMap } from '@/core/curve';
import { NO_TURN, type Turn } from '@/core/number';
import type { Cells } from './merge';
import { placedLoops } from './placed';

const STEP_SHARE = 0.25;

/** A kind's cells by number, and what the symmetry makes of each. */
class KindCells {
  readonly size: number;
  /** What is added to a place in the row of turns for the place in a reference. */
  private readonly shift: readonly [number, number];

  constructor(
    readonly cells: Cells,
    private readonly fold: number,
  ) {
    this.size = cells.turns.length + cells.mirrored.length;
    // Where the row of copies begins is an accident: places are counted from the direction of the axis.
    const { x, y } = cells.centroid;
    const from = (p: Point): number =>
      Math.floor((Math.atan2(p.x, -p.y) / (2 * Math.PI)) * fold + STEP_SHARE) || 0;
    this.shift = [from({ x, y }), from({ x: -x, y })];
  }

  /** How many copies a row has: the turned ones, or the reflected. */
  private row(mirrored: boolean): number {
    return mirrored ? this.cells.mirrored.length : this.cells.turns.length;
  }

  private wrapped(place: number, mirrored: boolean): number {
    const row = this.row(mirrored);
    return ((place % row) + row) % row;
  }

  isMirrored(index: number): boolean {
    return index >= this.cells.turns.length;
  }

  copy(index: number): { turn: Turn; mirrored: boolean } {
    const mirrored = this.isMirrored(index);
    const turns = mirrored ? this.cells.mirrored : this.cells.turns;
    return { turn: turns[mirrored ? index - this.cells.turns.length : index] ?? NO_TURN, mirrored };
  }

  ref(index: number): string {
    const mirrored = this.isMirrored(index);
    const base = mirrored ? this.cells.turns.length : 0;
    const place = this.wrapped(index - base + this.shift[mirrored ? 1 : 0], mirrored);
    return `${this.cells.key}@${base + place}`;
  }

  /** The number of the cell at a place of a reference; null where the kind has fewer. */
  indexAt(place: number): number | null {
    if (place >= this.size) return null;
    const mirrored = this.isMirrored(place);
    const base = mirrored ? this.cells.turns.length : 0;
    return base + this.wrapped(place - base - this.shift[mirrored ? 1 : 0], mirrored);
  }

  turned(index: number, steps: number): number {
    const mirrored = this.isMirrored(index);
    const base = mirrored ? this.cells.turns.length : 0;
    return base + this.wrapped(index - base + steps, mirrored);
  }

  /** The cell that the reflection about the axis makes of one. */
  reflected(index: number): number {
    const row = this.cells.turns.length;
    if (this.cells.mirrored.length > 0)
      return this.isMirrored(index) ? this.wrapped(row - index, false) : row + this.wrapped(-index, true);
    // Its own reflection about some axis: found by where that axis is.
    const { x, y } = this.cells.centroid;
    const steps = Math.round((-2 * Math.atan2(x, -y) * this.fold) / (2 * Math.PI));
    return this.wrapped(steps - index, false);
  }
}

/** All cells of a division by running numbers. */
export class CellIndex {
  readonly kinds: readonly KindCells[];
  private readonly starts: readonly number[];
  private readonly byKey: ReadonlyMap<string, number>;
  readonly count: number;

  constructor(cells: readonly Cells[], fold: number) {
    this.kinds = cells.map((each) => new KindCells(each, fold));
    let count = 0;
    this.starts = this.kinds.map(({ size }) => (count += size) - size);
    this.count = count;
    this.byKey = new Map(cells.map(({ key }, k) => [key, k]));
  }

  at(kind: number, index: number): number {
    return (this.starts[kind] ?? 0) + index;
  }

  kindOf(cell: number): number {
    let [low, high] = [0, this.starts.length - 1];
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if ((this.starts[middle] ?? 0) <= cell) low = middle;
      else high = middle - 1;
    }
    return low;
  }

  private mapped(cell: number, change: (kind: KindCells, index: number) => number): number {
    const kind = this.kindOf(cell);
    const cells = this.kinds[kind];
    return cells ? this.at(kind, change(cells, cell - this.at(kind, 0))) : cell;
  }

  turned = (cell: number, steps: number): number => this.mapped(cell, (kind, k) => kind.turned(k, steps));
  reflected = (cell: number): number => this.mapped(cell, (kind, k) => kind.reflected(k));

  ref(cell: number): string {
    const kind = this.kindOf(cell);
    return this.kinds[kind]?.ref(cell - this.at(kind, 0)) ?? '';
  }

  /** The cells that a reference means: all of its kind, or one; none where it is no longer there. */
  cellsAt(ref: string): number[] {
    const [key = '', place] = ref.split('@');
    const kind = this.byKey.get(key);
    const cells = kind === undefined ? undefined : this.kinds[kind];
    if (kind === undefined || !cells) return [];
    if (place === undefined) return Array.from({ length: cells.size }, (_, k) => this.at(kind, k));
    const index = cells.indexAt(Number(place));
    return index === null ? [] : [this.at(kind, index)];
  }

  /** A point inside a cell where it stands in the whole. */
  insideAt(cell: number): Point {
    const kind = this.kindOf(cell);
    const cells = this.kinds[kind];
    if (!cells) return { x: 0, y: 0 };
    const { turn: by, mirrored } = cells.copy(cell - this.at(kind, 0));
    const { inside } = cells.cells;
    return applyTo(turnMap(by), mirrored ? applyTo(MIRROR, inside) : inside);
  }

  /** A cell's outline where it stands in the whole. */
  loopsAt(cell: number): Path[] {
    const kind = this.kindOf(cell);
    const cells = this.kinds[kind];
    if (!cells) return [];
    const { turn: by, mirrored } = cells.copy(cell - this.at(kind, 0));
    return placedLoops(cells.cells.loops, by, mirrored);
  }
}
