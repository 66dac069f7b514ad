/**
 * The lines of a weave as they stand in the whole, each once.
 *
 * @example
 * const strands = strandsOf([{ paths: [ring] }], 6, false, 1e-9); // six rings
 */
import {
  arcLength,
  type Bounds,
  boundsOfPaths,
  directionAt,
  distance,
  mapPath,
  MIRROR,
  parameterAt,
  type Path,
  pieceAlong,
  type Point,
  pointAt,
  reversedPath,
  samePath,
  turnMap,
} from '@/core/curve';
import { finding } from '@/core/finding';
import { turn } from '@/core/number';
import { MergeFailed } from '../merge';
import { asOneLine } from './oneLine';

/** A line as it stands in the whole. */
export interface Strand {
  /** Which of the woven lines it is of. */
  readonly line: number;
  readonly path: Path;
  readonly box: Bounds;
  readonly length: number;
  /** Lengths at which its segments begin. */
  readonly starts: readonly number[];
  /**
   * Where each turn of the whole makes another strand of it: the first of them, and by how many steps it is turned from that; lengths are the
   * same along all of them. Null where some of them lie on one another.
   */
  readonly copy: { readonly first: number; readonly step: number } | null;
}

const MOST_STRANDS = 800;

const strandOf = (line: number, path: Path): Strand => {
  let length = 0;
  const starts = path.segments.map((segment) => {
    const before = length;
    length += arcLength(segment);
    return before;
  });
  return { line, path, box: boundsOfPaths([path]), length, starts, copy: null };
};

/**
 * All lines in all turns and reflections. One that comes to lie on another is there once, and stretches that lie on one another are
 * one line (see `asOneLine`).
 * @throws MergeFailed where there are too many
 */
export function strandsOf(
  lines: readonly { readonly paths: readonly Path[] }[],
  fold: number,
  mirror: boolean,
  tolerance: number,
): Strand[] {
  const strands: Strand[] = [];
  /** For each path as it is and reflected: the strands that came of it, in the order of turns. */
  const copies: number[][] = [];
  lines.forEach(({ paths }, line) => {
    const own = mirror ? [...paths, ...paths.map((path) => mapPath(path, MIRROR))] : paths;
    const first = strands.length;
    const of = own.map((): number[] => []);
    for (let step = 0; step < fold; step += 1)
      own.forEach((path, k) => {
        const made = strandOf(line, mapPath(path, turnMap(turn(step, fold))));
        if (strands.slice(first).some((other) => isSameStrand(other, made, tolerance))) return;
        if (strands.length >= MOST_STRANDS) throw new MergeFailed(finding('weave.lines', MOST_STRANDS));
        of[k]?.push(strands.push(made) - 1);
      });
    copies.push(...of);
  });
  const single = asOneLine(strands, 100 * tolerance);
  if (single) return single.map(({ line, path }) => strandOf(line, path));
  for (const list of copies) {
    const [first = 0] = list;
    if (list.length === fold)
      list.forEach((k, step) => (strands[k] = { ...(strands[k] as Strand), copy: { first, step } }));
  }
  return strands;
}

const isSameStrand = (a: Strand, b: Strand, tolerance: number): boolean =>
  Math.abs(a.box.left - b.box.left) <= 8 * tolerance &&
  Math.abs(a.box.top - b.box.top) <= 8 * tolerance &&
  sameLine(a.path, b.path, tolerance);

/** True where two paths lie on one another, whichever way they run and wherever they begin. */
function sameLine(a: Path, b: Path, tolerance: number): boolean {
  return (
    samePath(a, b, tolerance) || samePath(a, reversedPath(b), tolerance) || areSameCircle(a, b, tolerance)
  );
}

function areSameCircle(a: Path, b: Path, tolerance: number): boolean {
  const [p, q] = [a.segments[0], b.segments[0]];
  const whole = ({ closed, segments }: Path): boolean =>
    closed &&
    segments.every(
      (segment) =>
        segment.kind === 'arc' &&
        segments[0]?.kind === 'arc' &&
        distance(segment.centre, segments[0].centre) <= tolerance,
    );
  return (
    p?.kind === 'arc' &&
    q?.kind === 'arc' &&
    whole(a) &&
    whole(b) &&
    distance(p.centre, q.centre) <= tolerance &&
    Math.abs(p.radius - q.radius) <= tolerance
  );
}

/** A length along a strand as one from its start: on a closed one what is past its end goes on from its start. */
export const onStrand = ({ path, length }: Strand, along: number): number =>
  path.closed ? along - Math.floor(along / length) * length : Math.min(length, Math.max(0, along));

/** The point at a length along a strand. */
export function pointOnStrand(strand: Strand, along: number): Point {
  const { path, starts } = strand;
  const at = onStrand(strand, along);
  let k = starts.length - 1;
  while (k > 0 && (starts[k] ?? 0) > at) k -= 1;
  const segment = path.segments[k];
  if (!segment) return { x: 0, y: 0 };
  const whole = arcLength(segment);
  return pointAt(segment, parameterAt(segment, Math.min(whole, at - (starts[k] ?? 0)), whole));
}

/** The directions in which a strand comes to a place and leaves it: two where it has a corner there. */
export function directionsOn(
  strand: Strand,
  along: number,
  tolerance: number,
): { readonly to: Point; readonly on: Point } {
  const { path, starts } = strand;
  const last = starts.length - 1;
  const at = onStrand(strand, along);
  let k = last;
  while (k > 0 && (starts[k] ?? 0) > at) k -= 1;
  const way = (index: number, t: number): Point => {
    const segment = path.segments[index];
    return segment ? directionAt(segment, t) : { x: 1, y: 0 };
  };
  const segment = path.segments[k];
  const whole = segment ? arcLength(segment) : 0;
  const into = at - (starts[k] ?? 0);
  if (into <= tolerance)
    return { to: k > 0 ? way(k - 1, 1) : path.closed ? way(last, 1) : way(0, 0), on: way(k, 0) };
  if (whole - into <= tolerance)
    return { to: way(k, 1), on: k < last ? way(k + 1, 0) : path.closed ? way(0, 0) : way(last, 1) };
  const here = way(k, segment ? parameterAt(segment, into, whole) : 0);
  return { to: here, on: here };
}

/** The piece of a strand between two lengths, which may lie before its start or past its end where it is closed. */
export function pieceOf({ path, length }: Strand, from: number, to: number): Path {
  if (!path.closed) return pieceAlong(path, from, to);
  const shift = Math.floor(from / length) * length;
  const [low, high] = [from - shift, to - shift];
  const pieces = [pieceAlong(path, low, Math.min(high, length))];
  if (high > length) pieces.push(pieceAlong(path, 0, high - length));
  return { closed: false, segments: pieces.flatMap(({ segments }) => segments) };
}
