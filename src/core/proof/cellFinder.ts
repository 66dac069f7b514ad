/**
 * Finds the cell at a point among very many: cells in squares.
 *
 * @example
 * finderOf(groups).at({ x: 3, y: -40 });   // { group, copy }, or null where no cell is
 */
import {
  type Affine,
  applyTo,
  boxOfPaths,
  compose,
  inverse,
  MIRROR,
  type Point,
  turnMap,
} from '@/core/curve';
import { type CellCopy, type CellGroup, isInside } from '@/core/merge';
import { remembered } from '../remembered';

interface FoundCell {
  readonly group: CellGroup;
  readonly copy: CellCopy;
}

interface Known extends FoundCell {
  readonly back: Affine;
}

class CellFinder {
  private readonly squares = new Map<number, Known[]>();
  private readonly side: number;

  constructor(groups: readonly CellGroup[]) {
    const count = groups.reduce((sum, { copies }) => sum + copies.length, 0);
    const reach = groups.reduce((most, { outer }) => Math.max(most, outer), 1e-9);
    this.side = (2 * reach) / Math.max(1, Math.sqrt(count));
    for (const group of groups) {
      const { left, right, top, bottom } = boxOfPaths(group.loops);
      const middle = { x: (left + right) / 2, y: (top + bottom) / 2 };
      const radius = Math.hypot(right - left, bottom - top) / 2;
      for (const copy of group.copies) {
        const turned = turnMap(copy.turn);
        const map = copy.mirrored ? compose(turned, MIRROR) : turned;
        this.put(applyTo(map, middle), radius, { group, copy, back: inverse(map) });
      }
    }
  }

  private readonly keyOf = (column: number, row: number): number => column * 67_108_864 + row;
  private readonly squareOf = (value: number): number => Math.floor(value / this.side);

  private put({ x, y }: Point, radius: number, known: Known): void {
    for (let column = this.squareOf(x - radius); column <= this.squareOf(x + radius); column += 1)
      for (let row = this.squareOf(y - radius); row <= this.squareOf(y + radius); row += 1) {
        const key = this.keyOf(column, row);
        const own = this.squares.get(key);
        if (own) own.push(known);
        else this.squares.set(key, [known]);
      }
  }

  /** @param p in the frame of the cells, in which the first copy stands upright */
  at(p: Point): FoundCell | null {
    const own = this.squares.get(this.keyOf(this.squareOf(p.x), this.squareOf(p.y))) ?? [];
    return own.find(({ group, back }) => isInside(group.loops, applyTo(back, p))) ?? null;
  }
}

/** The finder of some cells; made once for the same list. */
export const finderOf = remembered((groups: readonly CellGroup[]) => new CellFinder(groups));
