/**
 * What an item covers, as polygons: for asking whether a point is covered, and for going along its edges.
 *
 * @example
 * const flat = flatItem(item, 0.001);
 * flat.fill && isFilled(flat, 'nonzero', 3, -40);
 */
import { flatten, type Path, pathLength } from '@/core/curve';
import type { FillRule, SceneItem, Stroke } from '@/core/scene';

/** Points one after another, x and y in turn. */
type Polyline = Float64Array;

interface FlatLine {
  readonly points: Polyline;
  readonly closed: boolean;
}

/** What a side is of its line: its first or last one, where the line is open, or what closes it for filling only. */
const [FIRST, LAST, CLOSING] = [1, 2, 4];

const NONE = new Int32Array(0);

/** So many sides that follow one another are passed over together where none of them can matter. */
const SIDES_A_BLOCK = 12;

/** All sides of an item's polygons, found by their height, in blocks. */
class Sides {
  /** Both ends of each, x and y in turn. */
  readonly ends: Float64Array;
  readonly role: Uint8Array;
  /** How far each block reaches: left, top, right and bottom in turn. */
  readonly boxes: Float64Array;
  private readonly rows: Int32Array[];
  private readonly top: number;
  private readonly high: number;

  /** @param margin how far a side reaches beyond its ends */
  constructor(lines: readonly FlatLine[], margin: number) {
    const [ends, role]: [number[], number[]] = [[], []];
    const put = (fromX = 0, fromY = 0, toX = 0, toY = 0, own = 0): void => {
      if (fromX === toX && fromY === toY) return;
      ends.push(fromX, fromY, toX, toY);
      role.push(own);
    };
    for (const { points, closed } of lines) {
      const last = points.length - 2;
      for (let k = 0; k < last; k += 2) {
        const isEnd = (k === 0 ? FIRST : 0) | (k === last - 2 ? LAST : 0);
        put(points[k], points[k + 1], points[k + 2], points[k + 3], closed ? 0 : isEnd);
      }
      put(points[last], points[last + 1], points[0], points[1], closed ? 0 : CLOSING);
    }
    this.ends = Float64Array.from(ends);
    this.role = Uint8Array.from(role);
    this.boxes = boxesOf(this.ends, margin);
    const blocks = this.boxes.length / 4;
    let [top, bottom] = [Infinity, -Infinity];
    for (let k = 0; k < this.boxes.length; k += 4) {
      top = Math.min(top, this.boxes[k + 1] ?? 0);
      bottom = Math.max(bottom, this.boxes[k + 3] ?? 0);
    }
    this.top = top;
    const count = Math.max(1, blocks * 2);
    this.high = (bottom - top) / count || 1;
    const rows: number[][] = Array.from({ length: count }, () => []);
    for (let block = 0; block < blocks; block += 1) {
      const from = Math.max(0, this.rowOf(this.boxes[4 * block + 1] ?? 0));
      const to = Math.min(count - 1, this.rowOf(this.boxes[4 * block + 3] ?? 0));
      for (let row = from; row <= to; row += 1) rows[row]?.push(block);
    }
    this.rows = rows.map((row) => Int32Array.from(row));
  }

  private rowOf(y: number): number {
    return Math.floor((y - this.top) / this.high);
  }

  /** Blocks of which some side may be at a height. */
  blocksAt(y: number): Int32Array {
    return this.rows[this.rowOf(y)] ?? NONE;
  }

  /** Where the ends of a block's sides begin, and where those of the next do. */
  rangeOf(block: number): readonly [from: number, to: number] {
    const from = 4 * SIDES_A_BLOCK * block;
    return [from, Math.min(this.ends.length, from + 4 * SIDES_A_BLOCK)];
  }
}

/** Boxes about each block of sides. */
function boxesOf(ends: Float64Array, margin: number): Float64Array {
  const size = 4 * SIDES_A_BLOCK;
  const boxes = new Float64Array(4 * Math.ceil(ends.length / size));
  for (let block = 0; 4 * block < boxes.length; block += 1) {
    let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
    const stop = Math.min(ends.length, (block + 1) * size);
    for (let k = block * size; k < stop; k += 2) {
      const [x, y] = [ends[k] ?? 0, ends[k + 1] ?? 0];
      [left, right] = [Math.min(left, x), Math.max(right, x)];
      [top, bottom] = [Math.min(top, y), Math.max(bottom, y)];
    }
    boxes.set([left - margin, top - margin, right + margin, bottom + margin], 4 * block);
  }
  return boxes;
}

export interface FlatItem {
  readonly lines: readonly FlatLine[];
  readonly sides: Sides;
  readonly stroke: Stroke | null;
  /** A circle about all of it, its stroke with it. */
  readonly middle: { readonly x: number; readonly y: number };
  readonly radius: number;
}

function polyline(path: Path, tolerance: number): Polyline {
  const points = flatten(path, tolerance);
  const made = new Float64Array(2 * points.length);
  points.forEach(({ x, y }, k) => {
    made[2 * k] = x;
    made[2 * k + 1] = y;
  });
  return made;
}

/** The stretches of a line that dashes draw. */
function dashed({ points, closed }: FlatLine, dashes: readonly number[]): FlatLine[] {
  const whole = dashes.reduce((sum, each) => sum + each, 0);
  if (whole <= 0) return [{ points, closed }];
  const pattern = dashes.length % 2 === 0 ? dashes : [...dashes, ...dashes];
  const made: FlatLine[] = [];
  let [place, left] = [0, pattern[0] ?? whole];
  let own: number[] = [points[0] ?? 0, points[1] ?? 0];
  const end = (): void => {
    if (place % 2 === 0 && own.length > 2) made.push({ points: Float64Array.from(own), closed: false });
  };
  for (let k = 2; k < points.length; k += 2) {
    let [x, y] = [points[k - 2] ?? 0, points[k - 1] ?? 0];
    const [toX, toY] = [points[k] ?? 0, points[k + 1] ?? 0];
    let rest = Math.hypot(toX - x, toY - y);
    while (rest > left) {
      const share = left / rest;
      [x, y] = [x + (toX - x) * share, y + (toY - y) * share];
      rest -= left;
      own.push(x, y);
      end();
      own = [x, y];
      place += 1;
      left = pattern[place % pattern.length] ?? whole;
    }
    left -= rest;
    own.push(toX, toY);
  }
  end();
  return made;
}

/** Dashes beyond this many are looked at as one line: one cannot see them apart. */
const MOST_DASHES = 4000;

function linesOf(item: SceneItem, tolerance: number): FlatLine[] {
  const { stroke, fill } = item.paint;
  const lines = item.paths
    .map((path) => ({ points: polyline(path, tolerance), closed: path.closed }))
    .filter(({ points }) => points.length > 2);
  const dashes = stroke?.dashes ?? [];
  const whole = dashes.reduce((sum, each) => sum + each, 0);
  const long = item.paths.reduce((sum, path) => sum + pathLength(path), 0);
  // A fill is bounded by all of its outline; its dashes are a detail of it.
  if (fill !== null || whole === 0 || (long / whole) * dashes.length > MOST_DASHES) return lines;
  return lines.flatMap((line) => dashed(line, dashes));
}

/** An item as polygons, no chord farther from its curve than `tolerance`. */
export function flatItem(item: SceneItem, tolerance: number): FlatItem {
  const lines = linesOf(item, tolerance);
  const { stroke } = item.paint;
  let [left, right, top, bottom] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const { points } of lines)
    for (let k = 0; k < points.length; k += 2) {
      const [x, y] = [points[k] ?? 0, points[k + 1] ?? 0];
      [left, right] = [Math.min(left, x), Math.max(right, x)];
      [top, bottom] = [Math.min(top, y), Math.max(bottom, y)];
    }
  const sides = new Sides(lines, stroke ? stroke.width : 0);
  if (left > right) return { lines, sides, stroke, middle: { x: 0, y: 0 }, radius: 0 };
  const radius = Math.hypot(right - left, bottom - top) / 2 + (stroke ? stroke.width : 0);
  return { lines, sides, stroke, middle: { x: (left + right) / 2, y: (top + bottom) / 2 }, radius };
}

/** True where the fill of an item covers a point. */
export function isFilled({ sides }: FlatItem, rule: FillRule, x: number, y: number): boolean {
  let around = 0;
  const { ends, boxes } = sides;
  for (const block of sides.blocksAt(y)) {
    // Sides to the right of the point are counted.
    if ((boxes[4 * block + 2] ?? 0) < x) continue;
    const [first, stop] = sides.rangeOf(block);
    for (let k = first; k < stop; k += 4) {
      const [fromX, fromY, toX, toY] = [ends[k] ?? 0, ends[k + 1] ?? 0, ends[k + 2] ?? 0, ends[k + 3] ?? 0];
      if (fromY <= y === toY <= y) continue;
      const side = (toX - fromX) * (y - fromY) - (toY - fromY) * (x - fromX);
      if (toY > fromY && side > 0) around += 1;
      if (toY <= fromY && side < 0) around -= 1;
    }
  }
  return rule === 'nonzero' ? around !== 0 : around % 2 !== 0;
}

/**
 * True where the stroke of an item covers a point: nearer to its line than half its width. Corners count as round ones; caps as they are.
 */
export function isStroked({ sides, stroke }: FlatItem, x: number, y: number): boolean {
  if (!stroke) return false;
  const { boxes } = sides;
  for (const block of sides.blocksAt(y)) {
    const k = 4 * block;
    if (x < (boxes[k] ?? 0) || x > (boxes[k + 2] ?? 0) || y < (boxes[k + 1] ?? 0) || y > (boxes[k + 3] ?? 0))
      continue;
    const [first, stop] = sides.rangeOf(block);
    for (let side = first; side < stop; side += 4) if (isOnSide(sides, side, stroke, x, y)) return true;
  }
  return false;
}

/** True where the stroke of one side covers a point. @param k where its ends begin */
function isOnSide({ ends, role }: Sides, k: number, stroke: Stroke, x: number, y: number): boolean {
  const own = role[k / 4] ?? 0;
  if (own & CLOSING) return false;
  const half = stroke.width / 2;
  const [fromX, fromY] = [ends[k] ?? 0, ends[k + 1] ?? 0];
  const [wayX, wayY] = [(ends[k + 2] ?? 0) - fromX, (ends[k + 3] ?? 0) - fromY];
  const long = Math.sqrt(wayX * wayX + wayY * wayY);
  const [ownX, ownY] = [x - fromX, y - fromY];
  const aside = Math.abs(ownX * wayY - ownY * wayX) / long;
  if (aside > half) return false;
  const ahead = (ownX * wayX + ownY * wayY) / long;
  if (ahead >= 0 && ahead <= long) return true;
  const isOpenEnd = ahead < 0 ? (own & FIRST) !== 0 : (own & LAST) !== 0;
  const over = ahead < 0 ? -ahead : ahead - long;
  if (isOpenEnd && stroke.cap !== 'round') return over <= (stroke.cap === 'square' ? half : 0);
  return over * over + aside * aside <= half * half;
}

/**
 * Told a place of an edge, the way from it to the end of a straight piece of the edge about it, and how long the stretch is that it stands
 * for: as long as that piece, or longer where the edge bends.
 */
type TakeEdge = (x: number, y: number, halfX: number, halfY: number, long: number) => void;

/** Goes along a stretch in steps no longer than `step`. */
function stretch(fromX: number, fromY: number, toX: number, toY: number, step: number, take: TakeEdge): void {
  const long = Math.hypot(toX - fromX, toY - fromY);
  if (long === 0) return;
  const count = Math.max(1, Math.ceil(long / step));
  const [wayX, wayY] = [(toX - fromX) / count, (toY - fromY) / count];
  for (let k = 0; k < count; k += 1)
    take(fromX + (k + 0.5) * wayX, fromY + (k + 0.5) * wayY, wayX / 2, wayY / 2, long / count);
}

/** Sides of the polygon that stands for a round cap. */
const CAP_SIDES = 24;

function strokeEdges({ points, closed }: FlatLine, stroke: Stroke, step: number, take: TakeEdge): void {
  const half = stroke.width / 2;
  const all = sidesOf(points);
  const chords = closed ? all : all.subarray(0, all.length - 4);
  for (const side of [-half, half]) {
    const beside = new Float64Array(chords.length);
    for (let k = 0; k < chords.length; k += 4) {
      const [fromX, fromY] = [chords[k] ?? 0, chords[k + 1] ?? 0];
      const [toX, toY] = [chords[k + 2] ?? 0, chords[k + 3] ?? 0];
      const long = Math.hypot(toX - fromX, toY - fromY) || 1;
      const [outX, outY] = [((fromY - toY) / long) * side, ((toX - fromX) / long) * side];
      beside.set([fromX + outX, fromY + outY, toX + outX, toY + outY], k);
    }
    alongChords(beside, step, take);
  }
  if (closed) return;
  for (const [k, way] of [
    [0, 1],
    [chords.length - 4, -1],
  ] as const) {
    const [fromX, fromY] = [chords[k] ?? 0, chords[k + 1] ?? 0];
    const [toX, toY] = [chords[k + 2] ?? 0, chords[k + 3] ?? 0];
    const long = Math.hypot(toX - fromX, toY - fromY);
    if (long === 0) continue;
    const [outX, outY] = [((fromY - toY) / long) * half * way, ((toX - fromX) / long) * half * way];
    capEdges(way === 1 ? fromX : toX, way === 1 ? fromY : toY, outX, outY, stroke.cap, step, take);
  }
}

/** The edge of a cap, from one side of the line round to the other. @param outX to the side, half the width long */
function capEdges(
  x: number,
  y: number,
  outX: number,
  outY: number,
  cap: Stroke['cap'],
  step: number,
  take: TakeEdge,
): void {
  const corners: [number, number][] = [];
  if (cap === 'round')
    for (let k = 0; k <= CAP_SIDES; k += 1) {
      const angle = (Math.PI * k) / CAP_SIDES;
      const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
      corners.push([x + outX * cos - outY * sin, y + outY * cos + outX * sin]);
    }
  else {
    const [backX, backY] = cap === 'square' ? [-outY, outX] : [0, 0];
    corners.push([x + outX, y + outY], [x + outX + backX, y + outY + backY]);
    corners.push([x - outX + backX, y - outY + backY], [x - outX, y - outY]);
  }
  for (let k = 1; k < corners.length; k += 1) {
    const [from, to] = [corners[k - 1], corners[k]];
    if (from && to) stretch(from[0], from[1], to[0], to[1], step, take);
  }
}

/**
 * Goes along chords in steps no longer than `step`, and not much shorter: chords that are short against it are told as one, by the place
 * and the direction of the middle one of them.
 */
function alongChords(chords: Float64Array, step: number, take: TakeEdge): void {
  const least = Math.min(step, 1e300) * SHORTEST;
  const count = chords.length / 4;
  const endsOf = (k: number): [number, number, number, number] => [
    chords[4 * k] ?? 0,
    chords[4 * k + 1] ?? 0,
    chords[4 * k + 2] ?? 0,
    chords[4 * k + 3] ?? 0,
  ];
  let [first, whole] = [0, 0];
  /** Tells the short chords before one, together. */
  const tellBefore = (k: number): void => {
    if (first < k) together(endsOf((first + k - 1) >> 1), whole, take);
    [first, whole] = [k, 0];
  };
  for (let k = 0; k < count; k += 1) {
    const [fromX, fromY, toX, toY] = endsOf(k);
    const long = Math.sqrt((toX - fromX) ** 2 + (toY - fromY) ** 2);
    if (long >= least) {
      tellBefore(k);
      stretch(fromX, fromY, toX, toY, step, take);
      first = k + 1;
      continue;
    }
    whole += long;
    if (whole >= least) tellBefore(k + 1);
  }
  tellBefore(count);
}

/** Several chords that are so long together, by one of them. */
function together(
  [fromX, fromY, toX, toY]: readonly [number, number, number, number],
  whole: number,
  take: TakeEdge,
): void {
  const size = Math.hypot(toX - fromX, toY - fromY);
  if (size === 0) return;
  // Farther along its direction than that the edge has left it.
  const half = Math.min(whole / 2, size) / size;
  take((fromX + toX) / 2, (fromY + toY) / 2, (toX - fromX) * half, (toY - fromY) * half, whole);
}

/** Of a step chords are this long at least, or are told together. */
const SHORTEST = 0.5;

/** The sides of a polygon as chords, its closing side with them. */
function sidesOf(points: Polyline): Float64Array {
  const count = points.length / 2;
  const chords = new Float64Array(4 * count);
  for (let k = 0; k < count; k += 1) {
    const next = 2 * ((k + 1) % count);
    chords.set([points[2 * k] ?? 0, points[2 * k + 1] ?? 0, points[next] ?? 0, points[next + 1] ?? 0], 4 * k);
  }
  return chords;
}

/** Goes along all edges of an item, those of its fill and those of its stroke, in steps no longer than `step`. */
export function edgesOf({ lines, stroke }: FlatItem, hasFill: boolean, step: number, take: TakeEdge): void {
  for (const line of lines) {
    if (hasFill) alongChords(sidesOf(line.points), step, take);
    if (stroke) strokeEdges(line, stroke, step, take);
  }
}
