/**
 * Lines that lie on one another, drawn once: what of a line runs along a line before it, or along a copy of it, is left out.
 *
 * @example
 * const { lines, doubled } = drawnOnce([square, itsNeighbour], [turnMap(turn(1, 6))], 0.01);
 */
import { inverse, type Affine } from './affine';
import { boundsOfSegment, type Bounds } from './bounds';
import { arcLength } from './length';
import { nearestOnPath } from './nearest';
import { partOf } from './part';
import type { Path } from './path';
import { mapSegment, pointAt, type Segment } from './segment';

/** A stretch of a segment, by its parameters. */
type Span = readonly [number, number];

/** Where a stretch is looked at, as shares of it. */
const SPOTS = [0.03, 0.26, 0.5, 0.74, 0.97];

const isNear = (a: Bounds, b: Bounds, within: number): boolean =>
  a.left <= b.right + within &&
  b.left <= a.right + within &&
  a.top <= b.bottom + within &&
  b.top <= a.bottom + within;

const footOn = (segment: Segment, p: { x: number; y: number }) =>
  nearestOnPath({ closed: false, segments: [segment] }, p);

/** The stretch of a segment that runs along another one; null where none does. */
function spanAlong(segment: Segment, other: Segment, within: number): Span | null {
  const ends = [other.from, other.to].flatMap((end) => {
    const foot = footOn(segment, end);
    return foot && foot.distance <= within ? [foot.t] : [];
  });
  const cuts = [...new Set([0, ...ends, 1])].sort((a, b) => a - b);
  const lies = (t: number): boolean => (footOn(other, pointAt(segment, t))?.distance ?? Infinity) <= within;
  let found: Span | null = null;
  cuts.slice(1).forEach((to, k) => {
    const from = cuts[k] ?? 0;
    if (!SPOTS.every((share) => lies(from + share * (to - from)))) return;
    found = found ? [found[0], to] : [from, to];
  });
  return found;
}

/** What spans leave of 0 to 1, without what is shorter than a length. */
function leftOf(segment: Segment, spans: readonly Span[], least: number): Span[] {
  let rest: Span[] = [[0, 1]];
  for (const [from, to] of spans)
    rest = rest.flatMap(([low, high]): Span[] => [
      ...(Math.min(high, from) > low ? [[low, Math.min(high, from)] as const] : []),
      ...(high > Math.max(low, to) ? [[Math.max(low, to), high] as const] : []),
    ]);
  return rest.filter(([low, high]) => arcLength(partOf(segment, low, high)) > least);
}

/** The stretch of a segment that lies on an earlier part of one of its own copies, as of an arc about the centre. */
function spanOnItself(segment: Segment, back: Affine, within: number): Span[] {
  const [image, another] = mapSegment(segment, back);
  const span = image && !another ? spanAlong(image, segment, within) : null;
  if (!image || !span) return [];
  const middle = (span[0] + span[1]) / 2;
  const at = footOn(segment, pointAt(image, middle))?.t ?? 1;
  return at < middle - 1e-6 ? [span] : [];
}

interface Known {
  readonly segment: Segment;
  readonly box: Bounds;
}

const known = (segment: Segment): Known => ({ segment, box: boundsOfSegment(segment) });

/** Pieces that follow one another as open paths; all of a closed path stays closed. */
function chained(path: Path, pieces: readonly (readonly Segment[])[], isWhole: readonly boolean[]): Path[] {
  if (isWhole.every(Boolean)) return [path];
  const chains: Segment[][] = [];
  let open = false;
  for (const [k, own] of pieces.entries()) {
    for (const [place, piece] of own.entries()) {
      if (open && place === 0 && startsAt(path, k, piece)) chains[chains.length - 1]?.push(piece);
      else chains.push([piece]);
      open = endsAt(path, k, piece);
    }
    if (own.length === 0) open = false;
  }
  const [first, last] = [chains[0], chains[chains.length - 1]];
  // A closed path that is cut goes on over its start.
  const isOver =
    path.closed && first && last && first !== last && open && first[0] && startsAt(path, 0, first[0]);
  if (isOver) {
    last.push(...first);
    chains.shift();
  }
  return chains.map((segments): Path => ({ closed: false, segments }));
}

const startsAt = ({ segments }: Path, k: number, { from }: Segment): boolean =>
  segments[k]?.from.x === from.x && segments[k].from.y === from.y;
const endsAt = ({ segments }: Path, k: number, { to }: Segment): boolean =>
  segments[k]?.to.x === to.x && segments[k].to.y === to.y;

/**
 * Lines without what of them runs along a line before, or along a copy of one.
 * @param copies maps from the motif to its copies, the motif itself not among them
 * @param within how near, in the figure's unit, two lines are one
 * @returns what is left of each, and how many stretches were left out
 */
export function drawnOnce(
  lines: readonly (readonly Path[])[],
  copies: readonly Affine[],
  within: number,
): { readonly lines: Path[][]; readonly doubled: number } {
  const here: Known[] = [];
  let doubled = 0;
  // A segment lies on a copy of another where the one moved back lies on that other.
  const backs = copies.map(inverse);
  const spansOf = (segment: Segment): Span[] => {
    const box = boundsOfSegment(segment);
    const own = here
      .filter((other) => isNear(box, other.box, within))
      .flatMap((other) => {
        const span = spanAlong(segment, other.segment, within);
        return span ? [span] : [];
      });
    const moved = backs.flatMap((back): Span[] => {
      const [image, another] = mapSegment(segment, back);
      if (!image || another) return [];
      const near = boundsOfSegment(image);
      return here
        .filter((other) => isNear(near, other.box, within))
        .flatMap((other) => {
          const span = spanAlong(image, other.segment, within);
          return span ? [span] : [];
        });
    });
    return [...own, ...moved, ...backs.flatMap((back) => spanOnItself(segment, back, within))];
  };
  const made = lines.map((paths) =>
    paths.flatMap((path) => {
      const pieces = path.segments.map((segment) => {
        const spans = spansOf(segment);
        const rest = spans.length === 0 ? [[0, 1] as const] : leftOf(segment, spans, within);
        if (spans.length > 0) doubled += 1;
        const kept = rest.map(([from, to]) => partOf(segment, from, to));
        here.push(...kept.map(known));
        return kept;
      });
      return chained(
        path,
        pieces,
        pieces.map((own, k) => own.length === 1 && own[0] === path.segments[k]),
      );
    }),
  );
  return { lines: made, doubled };
}
