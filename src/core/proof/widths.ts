/**
 * How wide what is drawn is, place by place: at each point of an edge the largest disc that touches the edge there and has no other edge
 * in it. Its diameter is the local width, the same as twice the distance field's value on the medial axis (Blum, "A transformation for
 * extracting new descriptors of shape", 1967; the disc through two points with a given normal: Ma, Bae and Choi, "3D medial axis point
 * approximation using nearest neighbors and the normal field", The Visual Computer 28, 2012).
 *
 * @example
 * const narrow = narrowPlaces(picture, seamsOf(picture, 0.1), 0.25); // every place that is narrower than 0.25
 */
import type { DrawnPicture } from './picture';
import type { Seams } from './seams';
import { turnedIntoReach } from './sectorTurns';
import { Squares } from './squares';

/** A stretch of an edge at which what lies on one side of it is narrow. */
export interface Narrow {
  /** What is narrow: the tone on this side. */
  readonly tone: number;
  readonly width: number;
  /** The middle of what is narrow. */
  readonly x: number;
  readonly y: number;
  readonly piece: number;
  /** How long the stretch is. */
  readonly long: number;
  /** Along it, from its middle to its end. */
  readonly halfX: number;
  readonly halfY: number;
}

/**
 * Discs whose touching points are less than this far round from each other lie where edges run together: in a corner or a tip, which is no
 * narrow place. Between edges that run beside each other they are half a turn apart.
 */
const LEAST_APART = Math.cos((162 * Math.PI) / 180);

/** How much larger than the smallest a disc may be for its other touching points to count: all round within a circle. */
const NEARLY = 1.002;

/** Squares of the index to a width, at most. */
const SQUARES_A_WIDTH = 12;

/** Seams in squares, those of the neighbouring sectors too as far as they are within reach. */
class SeamIndex {
  readonly x: readonly number[];
  readonly y: readonly number[];
  readonly halfX: readonly number[];
  readonly halfY: readonly number[];
  readonly squares: Squares;

  /** @param side as small as squares may be */
  constructor(picture: DrawnPicture, seams: Seams, seen: readonly number[], reach: number, side: number) {
    const pick = (values: Float64Array): number[] => seen.map((k) => values[k] ?? 0);
    const [halfX, halfY] = [pick(seams.halfX), pick(seams.halfY)];
    const { x, y, of, cos, sin } = turnedIntoReach(picture, pick(seams.x), pick(seams.y), reach);
    const turned = (a: readonly number[], b: readonly number[], sign: 1 | -1): number[] =>
      of.map((seam, k) => (a[seam] ?? 0) * (cos[k] ?? 1) + sign * (b[seam] ?? 0) * (sin[k] ?? 0));
    [this.x, this.y] = [x, y];
    [this.halfX, this.halfY] = [turned(halfX, halfY, -1), turned(halfY, halfX, 1)];
    this.squares = new Squares(x, y, side);
  }
}

/**
 * The places of a picture's sector that are narrower than a width: of lines and of gaps.
 * @param seams in stretches no longer than about a third of the width
 * @param width in the figure's unit
 */
export function narrowPlaces(picture: DrawnPicture, seams: Seams, width: number): Narrow[] {
  const seen: number[] = [];
  for (let k = 0; k < seams.count; k += 1) if (seams.tone[2 * k] !== seams.tone[2 * k + 1]) seen.push(k);
  const mean = (picture.length / Math.max(1, seams.count)) * 2;
  const index = new SeamIndex(picture, seams, seen, width, Math.max(mean, width / SQUARES_A_WIDTH));
  const found: Narrow[] = [];
  for (const k of seen) {
    // So near to both its ends no place can be told from the corner there.
    if ((seams.long[k] ?? 0) < picture.blur) continue;
    const [x, y] = [seams.x[k] ?? 0, seams.y[k] ?? 0];
    const [halfX, halfY] = [seams.halfX[k] ?? 0, seams.halfY[k] ?? 0];
    const long = Math.hypot(halfX, halfY);
    for (const side of [1, -1] as const) {
      const [outX, outY] = [(-halfY / long) * side, (halfX / long) * side];
      const radius = discAt(index, x, y, outX, outY, width, picture.blur);
      if (radius === null) continue;
      found.push({
        tone: seams.tone[side === 1 ? 2 * k : 2 * k + 1] ?? picture.page,
        width: 2 * radius,
        x: x + outX * radius,
        y: y + outY * radius,
        piece: seams.piece[k] ?? -1,
        long: seams.long[k] ?? 0,
        halfX,
        halfY,
      });
    }
  }
  return found;
}

/**
 * The radius of the largest disc on one side of an edge that touches it at a point, where its diameter is below a width and it lies
 * between two edges rather than in a corner; null elsewhere.
 */
function discAt(
  index: SeamIndex,
  x: number,
  y: number,
  outX: number,
  outY: number,
  width: number,
  blur: number,
): number | null {
  const [onX, onY, radii]: [number[], number[], number[]] = [[], [], []];
  let least = width / 2;
  const take = (toX: number, toY: number): void => {
    const ahead = toX * outX + toY * outY;
    if (ahead <= blur) return;
    const radius = (toX * toX + toY * toY) / (2 * ahead);
    if (radius >= least * NEARLY) return;
    least = Math.min(least, radius);
    onX.push(toX);
    onY.push(toY);
    radii.push(radius);
  };
  const look = (k: number): void => {
    const [halfX, halfY] = [index.halfX[k] ?? 0, index.halfY[k] ?? 0];
    const [awayX, awayY] = [(index.x[k] ?? 0) - x, (index.y[k] ?? 0) - y];
    // What is farther than the disc can reach cannot touch it.
    const reach = 2 * least * NEARLY + Math.abs(halfX) + Math.abs(halfY);
    if (awayX * awayX + awayY * awayY > reach * reach) return;
    take(awayX - halfX, awayY - halfY);
    take(awayX + halfX, awayY + halfY);
    for (const along of smallestAlong(awayX, awayY, halfX, halfY, outX, outY))
      if (along > -1 && along < 1) take(awayX + along * halfX, awayY + along * halfY);
  };
  // Outward, square by square, as far as the disc reaches that is smallest so far.
  const { squares } = index;
  for (let away = 0; (away - 2) * squares.side <= 2 * least * NEARLY; away += 1)
    squares.ring(x, y, away, look);
  if (least >= width / 2) return null;
  // The disc's middle is at out · least; where else does it touch, seen from there?
  let apart = 1;
  for (let k = 0; k < radii.length; k += 1) {
    if ((radii[k] ?? Infinity) > least * NEARLY) continue;
    const [fromX, fromY] = [(onX[k] ?? 0) - outX * least, (onY[k] ?? 0) - outY * least];
    const far = Math.hypot(fromX, fromY);
    if (far > 0) apart = Math.min(apart, -(fromX * outX + fromY * outY) / far);
  }
  return apart <= LEAST_APART ? least : null;
}

/**
 * Where along a stretch the disc is smallest that touches the edge at 0, 0 and goes through the stretch: the radius there is
 * |a + u t|² / 2 n·(a + u t), and its derivative by u is 0.
 * @returns u, from −1 at the stretch's start to 1 at its end where it is on it
 */
function smallestAlong(
  awayX: number,
  awayY: number,
  halfX: number,
  halfY: number,
  outX: number,
  outY: number,
): number[] {
  const square = awayX * awayX + awayY * awayY;
  const mixed = awayX * halfX + awayY * halfY;
  const long = halfX * halfX + halfY * halfY;
  const ahead = awayX * outX + awayY * outY;
  const rise = halfX * outX + halfY * outY;
  if (long === 0) return [];
  const [a, b, c] = [long * rise, 2 * long * ahead, 2 * mixed * ahead - rise * square];
  if (Math.abs(a) < 1e-12 * Math.abs(b)) return [-c / b];
  const root = b * b - 4 * a * c;
  if (root < 0) return [];
  return [(-b + Math.sqrt(root)) / (2 * a), (-b - Math.sqrt(root)) / (2 * a)];
}

/** True where the discs of two places touch, about: what is narrow goes on from one to the other. */
const goOn = (a: Narrow, b: Narrow | undefined): boolean =>
  b !== undefined && Math.hypot(a.x - b.x, a.y - b.y) <= (a.width + b.width) / 2 + a.long + b.long;

/** Narrow places that are one: next to each other, of one tone. */
export interface NarrowRun {
  readonly tone: number;
  readonly width: number;
  /** Where it is narrowest. */
  readonly x: number;
  readonly y: number;
  readonly piece: number;
  /** How long it is, about. */
  readonly long: number;
}

/**
 * A run that narrows toward one of its ends, and is no longer than so many widths, is the tip of something: it comes to less than this share
 * of its widest place, and what is in it lies to one side of where it is narrowest, by more than this share of how far it goes.
 */
const TIP = { narrows: 0.7, aside: 0.3, long: 16 } as const;

/** Polygons make round ends up to half a percent thinner than they are: what is so near to a width has it. */
const MEASURED = 0.994;

/** What narrows to less than so many times what polygons differ from curves ends there, as far as can be told. */
const UNSEEN = 4;

/** So many stretches on to either side, in so many steps, it is looked whether what is narrow ends. */
const [CLOSING_STRETCHES, CLOSING_STEPS] = [3, 48];

/** True where what is narrow at a place ends right there or beside it: its two edges meet, as where round shapes touch. */
export const endsAt = (picture: DrawnPicture, place: Narrow): boolean =>
  place.width < UNSEEN * picture.blur || closesAt(picture, place);

function closesAt(picture: DrawnPicture, { x, y, tone, halfX, halfY }: Narrow): boolean {
  for (let k = -CLOSING_STEPS; k <= CLOSING_STEPS; k += 1) {
    const on = (2 * CLOSING_STRETCHES * k) / CLOSING_STEPS;
    if (picture.at(x + on * halfX, y + on * halfY).tone !== tone) return true;
  }
  return false;
}

/** Where what was found of a run lies. */
class Extent {
  private x = 0;
  private y = 0;
  long = 0;
  private readonly places: Narrow[] = [];

  take(place: Narrow): void {
    this.x += place.x * place.long;
    this.y += place.y * place.long;
    // Both edges of what is narrow are told.
    this.long += place.long / 2;
    this.places.push(place);
  }

  /** True where a run is much narrower at a place than elsewhere. */
  narrowsTo({ width: least }: Narrow): boolean {
    return least <= TIP.narrows * this.places.reduce((most, place) => Math.max(most, place.width), 0);
  }

  /** True where a place lies at one end of the run. */
  isTipAt({ x, y }: Narrow, width: number): boolean {
    if (this.long >= TIP.long * width) return false;
    const far = this.places.reduce((most, place) => Math.max(most, Math.hypot(place.x - x, place.y - y)), 0);
    const whole = 2 * this.long;
    return Math.hypot(this.x / whole - x, this.y / whole - y) > TIP.aside * far;
  }
}

/**
 * Narrow places put together to runs, the narrowest first; tips, which end in a point as they are meant to, are left out.
 * @param width below which they were looked for
 * @param picture whose sector they are of
 */
export function narrowRuns(places: readonly Narrow[], width: number, picture: DrawnPicture): NarrowRun[] {
  const { fold } = picture;
  const rows = new Map<string, number[]>();
  const keyOf = (tone: number, column: number, row: number): string => `${tone} ${column} ${row}`;
  const at = ({ x, y }: Narrow): [number, number] => [Math.floor(x / width), Math.floor(y / width)];
  places.forEach((place, k) => {
    const key = keyOf(place.tone, ...at(place));
    const row = rows.get(key);
    if (row) row.push(k);
    else rows.set(key, [k]);
  });
  const taken = new Uint8Array(places.length);
  const runs: NarrowRun[] = [];
  // What goes on over the edge of the sector goes on where a turn takes that edge.
  const turns = fold === 1 ? [0] : [0, 1, -1];
  const turned = (x: number, y: number, by: number): readonly [number, number] => {
    const angle = (2 * Math.PI * by) / fold;
    const [cos, sin] = by === 0 ? [1, 0] : [Math.cos(angle), Math.sin(angle)];
    return [x * cos - y * sin, x * sin + y * cos];
  };
  places.forEach((first, start) => {
    if (taken[start]) return;
    taken[start] = 1;
    // Each with how far it was turned to be where it goes on.
    const own: [place: number, by: number][] = [[start, 0]];
    let thinnest = first;
    const extent = new Extent();
    for (let next = own.pop(); next !== undefined; next = own.pop()) {
      const [index, by] = next;
      const place = places[index];
      if (!place) continue;
      const [placedX, placedY] = turned(place.x, place.y, by);
      const [halfX, halfY] = turned(place.halfX, place.halfY, by);
      const here = { ...place, x: placedX, y: placedY, halfX, halfY };
      extent.take(here);
      if (place.width < thinnest.width) thinnest = here;
      for (const on of turns) {
        const [lookX, lookY] = turned(place.x, place.y, on);
        const looked = { ...place, x: lookX, y: lookY };
        const [column, row] = at(looked);
        for (let across = column - 1; across <= column + 1; across += 1)
          for (let down = row - 1; down <= row + 1; down += 1)
            for (const other of rows.get(keyOf(place.tone, across, down)) ?? [])
              if (!taken[other] && goOn(looked, places[other])) {
                taken[other] = 1;
                own.push([other, by - on]);
              }
      }
    }
    const { tone, x, y, piece } = thinnest;
    const ends = extent.narrowsTo(thinnest) && (extent.isTipAt(thinnest, width) || endsAt(picture, thinnest));
    if (thinnest.width < MEASURED * width && !ends)
      runs.push({ tone, x, y, piece, width: thinnest.width, long: extent.long });
  });
  // Of those that are as narrow, as far as can be told, always the same one comes first.
  const narrowest = ({ width: own }: NarrowRun): number => Math.round(own / picture.blur);
  return runs.sort((a, b) => narrowest(a) - narrowest(b) || a.y - b.y || a.x - b.x);
}
