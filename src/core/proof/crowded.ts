/**
 * Where edges run near others: only there can what is drawn be narrow. Edges are looked at in long stretches first, and in shorter ones
 * where those are near others; what is seen on either side of them is not asked.
 *
 * @example
 * const { isAt, length } = crowdedIn(picture, 0.25);
 * isAt(3, -40);  // false: no edge there has another one within 0.25 of it
 */
import type { DrawnPicture } from './picture';
import { turnedIntoReach } from './sectorTurns';
import { Squares } from './squares';

export interface Crowded {
  /** True where an edge that has another one within reach may be within a width; it may be true elsewhere too. */
  readonly isAt: (x: number, y: number) => boolean;
  /** How long the edges of the sector are of which that is so. */
  readonly length: number;
}

/** Edges are looked at in so many stretches at first, about. */
const FIRST_STRETCHES = 4000;
/** The last stretches are so many widths long, and each time they are shortened to one part in so many. */
const LAST_WIDTHS = 2;
const SHORTER = 4;

/**
 * A run of stretches is an edge that goes on, and not another one that is near, as long as it turns by less than this in all, in radians,
 * and is hardly longer than it goes far: it bends too little to come near itself.
 */
const TURNS = Math.PI / 3;
const STRAIGHT = 0.97;

/** The sine of the angle between two edges that are one. */
const PARALLEL = 1e-3;

/** Stretches of edges, in the order in which they follow one another. */
class Stretches {
  readonly x: number[] = [];
  readonly y: number[] = [];
  /** Its direction, as a unit vector. */
  readonly wayX: number[] = [];
  readonly wayY: number[] = [];
  readonly long: number[] = [];
  /** All of it is within this of its place. */
  readonly reach: number[] = [];

  take(x: number, y: number, halfX: number, halfY: number, long: number): void {
    const half = Math.sqrt(halfX * halfX + halfY * halfY);
    if (half === 0) return;
    // One that stands for several chords may lie to one side of its place.
    this.put(x, y, halfX / half, halfY / half, long, long > 2.000001 * half ? long : half);
  }

  private put(x: number, y: number, wayX: number, wayY: number, long: number, reach: number): void {
    this.x.push(x);
    this.y.push(y);
    this.wayX.push(wayX);
    this.wayY.push(wayY);
    this.long.push(long);
    this.reach.push(reach);
  }

  get count(): number {
    return this.x.length;
  }

  /** How far on from a stretch, by the order, the edge goes on as it does there. @param by 1 or −1 */
  private endOfRun(from: number, by: 1 | -1, reach: number): number {
    const { x, y, wayX, wayY, long } = this;
    const [startX = 0, startY = 0, startWayX = 0, startWayY = 0] = [x[from], y[from], wayX[from], wayY[from]];
    let [path, at] = [0, from];
    for (let next = at + by; next >= 0 && next < this.count && path < reach; next += by) {
      const step = ((long[at] ?? 0) + (long[next] ?? 0)) / 2;
      const [onX, onY] = [(x[next] ?? 0) - (x[at] ?? 0), (y[next] ?? 0) - (y[at] ?? 0)];
      const far = Math.hypot((x[next] ?? 0) - startX, (y[next] ?? 0) - startY);
      const ahead = (onX * (wayX[at] ?? 0) + onY * (wayY[at] ?? 0)) * by;
      const turn = startWayX * (wayX[next] ?? 0) + startWayY * (wayY[next] ?? 0);
      const goesOn =
        Math.hypot(onX, onY) <= step * 1.001 &&
        ahead >= step * Math.cos(TURNS) &&
        turn >= Math.cos(TURNS) &&
        far >= STRAIGHT * (path + step);
      if (!goesOn) return at;
      path += step;
      at = next;
    }
    return at;
  }

  /** These without those that lie exactly on an earlier one, as the borders of neighbouring cells do. */
  once(near: number): Stretches {
    const squares = new Squares(this.x, this.y, near);
    const left = new Stretches();
    for (let k = 0; k < this.count; k += 1) {
      const [x, y, wayX, wayY] = [this.x[k] ?? 0, this.y[k] ?? 0, this.wayX[k] ?? 0, this.wayY[k] ?? 0];
      const isTwice = squares.some(
        x,
        y,
        near,
        (other) =>
          other < k &&
          Math.abs((this.x[other] ?? 0) - x) <= near &&
          Math.abs((this.y[other] ?? 0) - y) <= near &&
          Math.abs(wayX * (this.wayY[other] ?? 0) - wayY * (this.wayX[other] ?? 0)) <= PARALLEL,
      );
      if (!isTwice) left.put(x, y, wayX, wayY, this.long[k] ?? 0, this.reach[k] ?? 0);
    }
    return left;
  }

  /** Those that have another edge within a width. */
  crowded(picture: DrawnPicture, width: number): number[] {
    const most = this.reach.reduce((far, each) => Math.max(far, each), 0);
    const { x, y, of, isTurned } = turnedIntoReach(picture, this.x, this.y, 2 * most + width);
    const squares = new Squares(x, y, most + width / 2);
    const found: number[] = [];
    for (let k = 0; k < this.count; k += 1) {
      const [ownX, ownY, ownReach] = [this.x[k] ?? 0, this.y[k] ?? 0, this.reach[k] ?? 0];
      const first = this.endOfRun(k, -1, ownReach + most + width);
      const last = this.endOfRun(k, 1, ownReach + most + width);
      const isNear = (other: number): boolean => {
        const stretch = of[other] ?? 0;
        if (!isTurned[other] && stretch >= first && stretch <= last) return false;
        const reach = ownReach + (this.reach[stretch] ?? 0) + width;
        const [awayX, awayY] = [(x[other] ?? 0) - ownX, (y[other] ?? 0) - ownY];
        return awayX * awayX + awayY * awayY <= reach * reach;
      };
      if (squares.some(ownX, ownY, ownReach + most + width, isNear)) found.push(k);
    }
    return found;
  }

  /** The places that are so near to some of them, or nearly, as squares of a side. */
  placesBy(
    picture: DrawnPicture,
    some: readonly number[],
    near: number,
    side: number,
  ): (x: number, y: number) => boolean {
    const keyOf = (column: number, row: number): number => column * 94_906_265 + row;
    const taken = new Set<number>();
    const most = some.reduce((far, k) => Math.max(far, this.reach[k] ?? 0), 0);
    const pick = (values: readonly number[]): number[] => some.map((k) => values[k] ?? 0);
    // One that goes over the edge of the sector goes on where a turn takes that edge.
    const { x, y, of } = turnedIntoReach(picture, pick(this.x), pick(this.y), most + near);
    of.forEach((own, k) => {
      const reach = (this.reach[some[own] ?? 0] ?? 0) + near;
      const [atX, atY] = [x[k] ?? 0, y[k] ?? 0];
      const [right, bottom] = [Math.floor((atX + reach) / side), Math.floor((atY + reach) / side)];
      for (let column = Math.floor((atX - reach) / side); column <= right; column += 1)
        for (let row = Math.floor((atY - reach) / side); row <= bottom; row += 1)
          taken.add(keyOf(column, row));
    });
    return (askedX, askedY) => taken.has(keyOf(Math.floor(askedX / side), Math.floor(askedY / side)));
  }
}

/**
 * Where edges of a picture's sector have others within a width, in the figure's unit.
 * @param isAsked true where some place within so much of one is looked at; all are without it
 */
export function crowdedIn(
  picture: DrawnPicture,
  width: number,
  isAsked: (x: number, y: number, near: number) => boolean = () => true,
): Crowded {
  let isAt = (x: number, y: number, near: number): boolean => isAsked(x, y, near);
  let { length } = picture;
  const last = LAST_WIDTHS * width;
  for (let step = Math.max(last, length / FIRST_STRETCHES); ; step = Math.max(last, step / SHORTER)) {
    const all = new Stretches();
    const isHere = isAt;
    picture.edges(step, (_, x, y, halfX, halfY, long) => {
      if (isHere(x, y, long)) all.take(x, y, halfX, halfY, long);
    });
    const stretches = all.once(picture.blur);
    const crowded = stretches.crowded(picture, width);
    // A stretch that is shorter lies within reach by its end, and by its middle not yet.
    const isBeside = stretches.placesBy(picture, crowded, width + step / SHORTER / 2, step);
    isAt = isBeside;
    length = crowded.reduce((sum, k) => sum + (stretches.long[k] ?? 0), 0);
    if (step <= last || crowded.length === 0) return { isAt: isBeside, length };
  }
}
