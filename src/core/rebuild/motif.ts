/**
 * One motif of all copies of a part: by the median of their points, so that what one of them has wrong is outvoted, or as one of them is.
 *
 * @example
 * const node = motifNode(part, round, centre, 0.05, 'median'); // where the first copy stands
 */
import {
  type Affine,
  applyTo,
  arcFromBulge,
  bulgeOf,
  compose,
  cubic,
  distance,
  inverse,
  line,
  mapPath,
  type Path,
  type Point,
  reversedPath,
  type Segment,
} from '@/core/curve';
import { circlePath } from '@/core/maker';
import { type DrawnNode, mappedPaint } from '@/core/format/drawing';
import type { Outline, Mark } from './mark';
import { matchUnder, mirrorAbout, turnAbout } from './match';
import type { Part, ReadRound } from './rounds';

/** Which of the copies the motif is: what most of them say, the one that is nearest to that, or one by its place, 0 first. */
export type MotifBy = 'median' | 'nearest' | number;

/** A copy, and the map from where the first one stands to it. */
interface Placed {
  readonly mark: Mark;
  readonly map: Affine;
}

/** Contours of a copy where those of the first one are, segment for segment. */
type Facing = readonly Path[];

const FULL = 2 * Math.PI;

function placedCopies({ copies, reflections }: Part, round: ReadRound, centre: Point): Placed[] {
  const step = ((round.isBackward ? -1 : 1) * FULL) / round.fold;
  const axis = (round.start.num / round.start.den) * FULL;
  const turned = (k: number): Affine => turnAbout(centre, k * step);
  return [
    ...copies.flatMap((mark, k) => (mark ? [{ mark, map: turned(k) }] : [])),
    ...(reflections ?? []).flatMap((mark, k) =>
      mark ? [{ mark, map: compose(turned(k), mirrorAbout(centre, axis)) }] : [],
    ),
  ];
}

/** A closed path begun at another of its segments. */
const begunAt = ({ closed, segments }: Path, shift: number): Path => ({
  closed,
  segments: [...segments.slice(shift), ...segments.slice(0, shift)],
});

/** The contours of a copy turned back to where the first one is. */
function facing(first: Mark, { mark, map }: Placed, within: number): Facing | null {
  const match = matchUnder(first, mark, map, within);
  if (!match) return null;
  const back = inverse(map);
  return match.pairs.map(({ to, shift, isBackward }) =>
    mapPath(begunAt(isBackward ? reversedPath(to.path) : to.path, shift), back),
  );
}

/** The middle one of numbers. */
function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const half = sorted.length >> 1;
  return sorted.length % 2 === 1 ? (sorted[half] ?? 0) : ((sorted[half - 1] ?? 0) + (sorted[half] ?? 0)) / 2;
}

const medianPoint = (points: readonly Point[]): Point => ({
  x: median(points.map(({ x }) => x)),
  y: median(points.map(({ y }) => y)),
});

function medianSegment(all: readonly Segment[], from: Point, to: Point): Segment {
  const [first] = all;
  if (first?.kind === 'cubic') {
    const cubics = all.filter((each) => each.kind === 'cubic');
    return cubic(
      from,
      medianPoint(cubics.map((each) => each.out)),
      medianPoint(cubics.map((each) => each.in)),
      to,
    );
  }
  if (first?.kind === 'arc') {
    const arcs = all.filter((each) => each.kind === 'arc');
    return arcFromBulge(from, to, median(arcs.map(bulgeOf)));
  }
  return line(from, to);
}

/** The path whose points are the medians of those of others, segment for segment. */
function medianPath(paths: readonly Path[]): Path {
  const [first] = paths as [Path];
  const nodes = first.segments.map((_, k) =>
    medianPoint(paths.map(({ segments }) => (segments[k] as Segment).from)),
  );
  const last = paths.map(({ segments }) => (segments[segments.length - 1] as Segment).to);
  const end = first.closed ? (nodes[0] as Point) : medianPoint(last);
  return {
    closed: first.closed,
    segments: first.segments.map((_, k) =>
      medianSegment(
        paths.map(({ segments }) => segments[k] as Segment),
        nodes[k] as Point,
        nodes[k + 1] ?? end,
      ),
    ),
  };
}

/** The circle that is the median of others. */
function medianRing(rings: readonly { readonly middle: Point; readonly radius: number }[]): Path {
  return circlePath(
    medianPoint(rings.map(({ middle }) => middle)),
    median(rings.map(({ radius }) => radius)),
  );
}

function farFrom(a: Facing, b: Facing): number {
  const nodes = (paths: Facing): Point[] => paths.flatMap(({ segments }) => segments.map(({ from }) => from));
  const others = nodes(b);
  return Math.max(0, ...nodes(a).map((p, k) => distance(p, others[k] ?? p)));
}

const outlinesOf = ({ layers }: Mark): readonly Outline[] => layers.flatMap(({ outlines }) => outlines);

/** Paths of one copy or of the median of all, where the first one is. */
function motifPaths(first: Mark, placed: readonly Placed[], within: number, by: MotifBy): readonly Path[] {
  const own = outlinesOf(first);
  const all = placed.map((each) => facing(first, each, within)).filter((each) => each !== null);
  const made = own.map((outline, k): Path => {
    if (outline.kind === 'line') return medianPath(all.map((paths) => paths[k] as Path));
    const rings = placed.flatMap(({ mark, map }) => {
      const match = matchUnder(first, mark, map, within);
      const to = match?.pairs[k]?.to;
      return to?.kind === 'ring' ? [{ middle: applyTo(inverse(map), to.middle), radius: to.radius }] : [];
    });
    return medianRing(rings);
  });
  if (by !== 'nearest') return made;
  const lines = own.map(({ kind }) => kind === 'line');
  const onlyLines = (paths: Facing): Path[] => paths.filter((_, k) => lines[k]);
  const nearest = all.reduce((a, b) =>
    farFrom(onlyLines(b), onlyLines(made)) < farFrom(onlyLines(a), onlyLines(made)) ? b : a,
  );
  return own.map((outline, k) => (outline.kind === 'line' ? nearest[k] : made[k]) as Path);
}

/** What a map takes a node to. */
const mappedNode = (node: DrawnNode, map: Affine): DrawnNode =>
  node.kind === 'group'
    ? {
        ...node,
        children: node.children.map((child) => mappedNode(child, map)),
        clip: node.clip && {
          ...node.clip,
          shapes: node.clip.shapes.map(({ paths, rule }) => ({
            paths: paths.map((path) => mapPath(path, map)),
            rule,
          })),
        },
      }
    : { ...node, paths: node.paths.map((path) => mapPath(path, map)), paint: mappedPaint(node.paint, map) };

/**
 * The node of a part's motif, where its first copy stands.
 * @param within how far copies may be from one another
 */
export function motifNode(
  part: Part,
  round: ReadRound,
  centre: Point,
  within: number,
  by: MotifBy,
): DrawnNode {
  const placed = placedCopies(part, round, centre);
  const chosen = typeof by === 'number' ? part.copies[by % round.fold] : null;
  const [known] = placed as [Placed];
  const one = placed.find(({ mark }) => mark === chosen);
  // A group that is one thing is as its first copy is: what it is clipped by goes with it.
  if (one ?? known.mark.node.kind === 'group') {
    const { mark, map } = one ?? known;
    return mappedNode(mark.node, inverse(map));
  }
  const { node } = known.mark;
  // The first copy may be one that is not there: then the first that is stands for it.
  const first = placed.map(({ mark, map }) => ({ mark, map: compose(map, inverse(known.map)) }));
  const paths = motifPaths(known.mark, first, within, by);
  return mappedNode({ ...node, paths }, inverse(known.map));
}
