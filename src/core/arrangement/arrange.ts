import { line, ORIGIN, type Path, type Segment } from '@/core/curve';
import { coverOf, type Cover } from './cover';
import { coveredAnnuli, type Annulus, type Piece } from './covered';
import { Edges } from './edges';
import { Crossings, Folder } from './fold';
import { groupOf, type Group, type Symmetry } from './group';
import { valueAt } from './lists';
import { directionsOf, holdsCentre, measureFaces, reachesOfFaces, type FaceMeasures } from './measure';
import { inOrder } from './order';
import { Noder, USUAL_LIMIT, type WorkLimit } from './node';
import { rangeOfPart } from './polar';
import { regionsOf, type Regions } from './regions';
import { Sources } from './sources';
import type { Shell } from './shells';
import { Subdivision } from './subdivision';
import { NEAR, Vertices } from './vertices';
import type { CoverRule } from './windings';

/** Contours that cover by one rule, turned and reflected by the whole group. */
export interface ArrangedPath {
  readonly contours: readonly Path[];
  readonly rule: CoverRule;
  /** Paths of one member cover together: a copy of it covers where the same copy of any of its paths does. */
  readonly member: number;
}

export interface ArrangementRequest extends Symmetry {
  readonly paths: readonly ArrangedPath[];
  readonly members: number;
  /** What counts as touching, as a share of the figure's size (its farthest point from the centre). */
  readonly tolerance: number;
  readonly limit?: WorkLimit;
  /**
   * True where only what is covered at all is asked for: then annuli that the copies cover altogether are not
   * divided. Cells and depths there mean nothing but that they are covered.
   */
  readonly coveredOnly?: boolean;
}

/** The share of a figure's size within which points are one. */
export const FULL_TOLERANCE = 3e-8;

/** One kind of cells: an orbit of cells under the symmetry. */
export interface CellKind {
  /** How many cells of this kind there are in the plane. */
  readonly size: number;
  /** The area of one cell. */
  readonly area: number;
  /** Least and greatest distance of a cell from the centre. */
  readonly inner: number;
  readonly outer: number;
  /** For each member, how many of its copies cover the cell. */
  readonly depths: readonly number[];
}

/** The farthest reach of paths from the centre, at most 2^½ of it too large. */
function sizeOf(paths: readonly ArrangedPath[]): number {
  let size = 0;
  for (const { contours } of paths) {
    for (const segment of contours.flatMap(({ segments }) => segments)) {
      const points = [segment.from, segment.to];
      if (segment.kind === 'cubic') points.push(segment.out, segment.in);
      for (const p of points) size = Math.max(size, Math.hypot(p.x, p.y));
      if (segment.kind === 'arc')
        size = Math.max(
          size,
          Math.min(Math.hypot(segment.centre.x, segment.centre.y) + segment.radius, 1e300),
        );
    }
  }
  return size;
}

/** The cells that a motif's copies make of the plane, computed in one sector of the symmetry. */
export class Arrangement {
  readonly kinds: Regions;
  private readonly gates: ReadonlySet<number>;
  private readonly faces: FaceMeasures;
  private readonly largest: Int32Array;
  private readonly areas: Float64Array;

  /** How many slivers that only rounding made were given to a neighbour, all copies counted. */
  readonly slivers: number;

  constructor(
    readonly subdivision: Subdivision,
    readonly cover: Cover,
    readonly size: number,
  ) {
    const { faceCount } = subdivision;
    this.faces = measureFaces(subdivision);
    const { area } = this.faces;
    const cells = regionsOf(subdivision, (h) => subdivision.isArtificial(h));
    const { gates, count } = this.gatesOfSlivers(cells);
    this.slivers = count;
    this.gates = gates;
    this.kinds = count === 0 ? cells : regionsOf(subdivision, (h) => this.isOpen(h));
    this.largest = new Int32Array(this.kinds.count).fill(-1);
    this.areas = new Float64Array(this.kinds.count);
    for (let f = 0; f < faceCount; f += 1) {
      const kind = valueAt(this.kinds.of, f);
      const known = valueAt(this.largest, kind);
      if (known < 0 || valueAt(area, f) > valueAt(area, known)) this.largest[kind] = f;
      this.areas[kind] = valueAt(this.areas, kind) + valueAt(area, f);
    }
  }

  /**
   * A cell narrower than the tolerance is rounding's: it is opened to the neighbour behind its longest edge. Cells
   * are looked at as wholes, since a wall may cut a thin end off a large one.
   */
  private gatesOfSlivers(cells: Regions): { gates: ReadonlySet<number>; count: number } {
    const { subdivision } = this;
    const { face, group } = subdivision;
    const area = new Float64Array(cells.count);
    const border = new Float64Array(cells.count);
    for (let f = 0; f < subdivision.faceCount; f += 1) {
      const cell = valueAt(cells.of, f);
      area[cell] = valueAt(area, cell) + valueAt(this.faces.area, f);
      border[cell] = valueAt(border, cell) + valueAt(this.faces.border, f);
    }
    const outside = valueAt(cells.of, subdivision.unbounded);
    const { tolerance } = subdivision.vertices;
    const longest = new Map<number, number>();
    for (let h = 0; h < subdivision.halfEdgeCount; h += 1) {
      const f = valueAt(face, h);
      if (f < 0 || subdivision.isArtificial(h)) continue;
      const cell = valueAt(cells.of, f);
      if (cell === outside || 2 * valueAt(area, cell) >= tolerance * valueAt(border, cell)) continue;
      const right = subdivision.across(h);
      if (right < 0 || valueAt(cells.of, right) === cell) continue;
      const best = longest.get(cell);
      if (best === undefined || this.chord(h) > this.chord(best)) longest.set(cell, h);
    }
    let count = 0;
    for (const cell of longest.keys()) count += group.order / valueAt(cells.stabilizer, cell);
    return { gates: new Set([...longest.values()].flatMap((h) => [h, h ^ 1])), count };
  }

  /** True where nothing that counts parts the two sides of a half-edge: on a wall, or on the way into a sliver. */
  isOpen(half: number): boolean {
    return this.subdivision.isArtificial(half) || this.gates.has(half);
  }

  private chord(half: number): number {
    const { vertices } = this.subdivision;
    const u = this.subdivision.origin(half);
    const v = this.subdivision.origin(half ^ 1);
    return Math.hypot(vertices.xs.at(u) - vertices.xs.at(v), vertices.ys.at(u) - vertices.ys.at(v));
  }

  get kindCount(): number {
    return this.kinds.count;
  }

  /** The kind that reaches to infinity. */
  get outside(): number {
    return valueAt(this.kinds.of, this.subdivision.unbounded);
  }

  /** The largest of the faces of a kind in the sector. */
  largestFace(kind: number): number {
    return valueAt(this.largest, kind);
  }

  /** For each bounded kind, the other bounded kinds that share a drawn border with it. */
  neighbours(): Map<number, Set<number>> {
    const { subdivision, kinds } = this;
    const found = new Map<number, Set<number>>();
    for (let h = 0; h < subdivision.halfEdgeCount; h += 1) {
      const left = valueAt(subdivision.face, h);
      if (left < 0 || subdivision.isArtificial(h)) continue;
      const right = subdivision.across(h);
      if (right < 0) continue;
      const [a, b] = [valueAt(kinds.of, left), valueAt(kinds.of, right)];
      if (a === b || a === this.outside || b === this.outside) continue;
      found.set(a, (found.get(a) ?? new Set()).add(b));
    }
    return found;
  }

  /** For each kind, the others that share a drawn border with it; the one that reaches to infinity is among them. */
  besides(): ReadonlyMap<number, ReadonlySet<number>> {
    const { subdivision, kinds } = this;
    const found = new Map<number, Set<number>>();
    for (let h = 0; h < subdivision.halfEdgeCount; h += 1) {
      const left = valueAt(subdivision.face, h);
      if (left < 0 || this.isOpen(h)) continue;
      const right = subdivision.across(h);
      const [a, b] = [valueAt(kinds.of, left), right < 0 ? this.outside : valueAt(kinds.of, right)];
      if (a !== b) found.set(a, (found.get(a) ?? new Set()).add(b));
    }
    return found;
  }

  /** How many copies of a member cover the cells of a kind. */
  depthOf(kind: number, member: number): number {
    return valueAt(this.cover.depths, valueAt(this.largest, kind) * this.cover.members + member);
  }

  sizeOf(kind: number): number {
    return this.subdivision.group.order / valueAt(this.kinds.stabilizer, kind);
  }

  /** The area of one cell of a kind. */
  areaOf(kind: number): number {
    return valueAt(this.areas, kind) * valueAt(this.kinds.stabilizer, kind);
  }

  /**
   * All bounded kinds with their measures, from the centre outward; of those that lie equally far out the smaller first, then by
   * direction. What differs by less than rounding counts as equal, so that the order is the same at every size.
   * @param order `found` where nothing but rounding tells apart what lies equally far out, as it once was
   */
  cellKinds(order?: 'found'): (CellKind & { readonly kind: number })[] {
    const { subdivision, kinds } = this;
    const reaches = reachesOfFaces(subdivision);
    const inner = new Float64Array(kinds.count).fill(Infinity);
    const outer = new Float64Array(kinds.count);
    for (let f = 0; f < subdivision.faceCount; f += 1) {
      const kind = valueAt(kinds.of, f);
      inner[kind] = Math.min(valueAt(inner, kind), valueAt(reaches.inner, f));
      outer[kind] = Math.max(valueAt(outer, kind), valueAt(reaches.outer, f));
    }
    if (subdivision.group.hasWalls) {
      for (let h = 0; h < subdivision.halfEdgeCount; h += 1) {
        const f = valueAt(subdivision.face, h);
        if (f >= 0 && subdivision.origin(h) === 0) inner[valueAt(kinds.of, f)] = 0;
      }
    } else
      for (let f = 0; f < subdivision.faceCount; f += 1)
        if (f !== subdivision.unbounded && holdsCentre(subdivision, f)) inner[valueAt(kinds.of, f)] = 0;
    const found = [];
    for (let kind = 0; kind < kinds.count; kind += 1) {
      if (kind === this.outside) continue;
      found.push({
        kind,
        size: this.sizeOf(kind),
        area: this.areaOf(kind),
        inner: valueAt(inner, kind),
        outer: valueAt(outer, kind),
        depths: Array.from({ length: this.cover.members }, (_, m) => this.depthOf(kind, m)),
      });
    }
    if (order === 'found')
      return found.sort((a, b) => a.inner - b.inner || a.outer - b.outer || a.area - b.area);
    const { tolerance } = subdivision.vertices;
    const directions = directionsOf(subdivision, kinds);
    return inOrder(found, [
      { of: ({ inner: r }) => r, slack: tolerance },
      { of: ({ outer: r }) => r, slack: tolerance },
      { of: ({ area }) => area, slack: tolerance * this.size },
      { of: ({ kind }) => valueAt(directions, kind), slack: 1e-6 },
    ]);
  }

  /** The kind of the cell to the left of a half-edge. */
  kindAt(half: number): number {
    return valueAt(this.kinds.of, valueAt(this.subdivision.face, half));
  }

  /** Cells of the whole plane, by Euler's formula. */
  get cellCount(): number {
    let count = 0;
    for (let kind = 0; kind < this.kindCount; kind += 1)
      if (kind !== this.outside) count += this.sizeOf(kind);
    return count;
  }
}

/**
 * Divides the plane by all copies of paths. Yields shares of the work done, so that a caller can breathe,
 * report and stop in between.
 * @throws TooMuchWork, Inconsistent
 */
export function* arrange(request: ArrangementRequest): Generator<number, Arrangement> {
  const group = groupOf(request);
  const size = sizeOf(request.paths) || 1;
  const sources = new Sources(group);
  const vertices = new Vertices(group, request.tolerance * size);
  const edges = new Edges(sources, vertices);
  const folder = new Folder(group, sources, vertices, edges);
  const pieces: Piece[] = [];
  for (const [index, { contours }] of request.paths.entries())
    for (const contour of contours)
      for (const segment of closedSegments(contour))
        pieces.push(...folder.piecesOf(sources.add(segment, index)));
  const annuli = request.coveredOnly ? annuliWorthWhile(request, group, sources, pieces, vertices) : [];
  const omitted = annuli.map(() => new Crossings(request.paths.length, group.order));
  for (const [k, piece] of pieces.entries()) {
    if (annuli.length > 0) folder.foldOutside(piece, annuli, omitted);
    else folder.fold(piece);
    if (k % 64 === 63) yield 0.1;
  }
  const rims = request.paths.length;
  const shells = annuli.map(({ inner, outer }, k): Shell => ({
    outer: rimAt(folder, sources, vertices, outer, rims),
    inner: rimAt(folder, sources, vertices, inner, rims),
    omitted: omitted[k] as Crossings,
  }));
  yield 0.2;
  const noder = new Noder(group, edges, vertices, request.limit ?? USUAL_LIMIT);
  let share = 0.2;
  for (const _ of noder.run()) {
    share += (0.7 - share) / 16;
    yield share;
  }
  yield 0.7;
  const subdivision = new Subdivision(group, vertices, edges);
  yield 0.8;
  const paths = [...request.paths, { rule: 'line' as const, member: 0 }];
  const cover = coverOf(subdivision, paths, request.members, { shells, path: rims });
  yield 0.9;
  return new Arrangement(subdivision, cover, size);
}

/** A path that covers is closed by a straight line, if it does not end where it begins (SVG 2, "fill"). */
function closedSegments({ closed, segments }: Path): readonly Segment[] {
  const first = segments[0];
  const last = segments.at(-1);
  if (!closed || !first || !last) return segments;
  if (first.from.x === last.to.x && first.from.y === last.to.y) return segments;
  return [...segments, line(last.to, first.from)];
}

/** Fewer copies than this are divided as soon as it is known what they cover. */
const LEAST_FOLD = 72;

/** Covered annuli, from the outermost inward, if leaving them out saves a good part of the work. */
function annuliWorthWhile(
  request: ArrangementRequest,
  group: Group,
  sources: Sources,
  pieces: readonly Piece[],
  { apexRadius, tolerance }: Vertices,
): Annulus[] {
  if (group.fold < LEAST_FOLD) return [];
  const rules = request.paths.map(({ rule }) => rule);
  const annuli = coveredAnnuli(group, sources, pieces, rules, apexRadius, tolerance);
  const inside = annuli.map(({ inner, outer }) =>
    pieces.filter(({ source, from, to }) => {
      const { low, high } = rangeOfPart(sources, source, from, to);
      return low < outer && high > inner;
    }),
  );
  return annuli.filter((_, k) => (inside[k] as Piece[]).length > pieces.length / 16).reverse();
}

/** Draws a circle about the centre through the sector; returns its vertex on the near wall. */
function rimAt(folder: Folder, sources: Sources, vertices: Vertices, radius: number, path: number): number {
  const { farX, farY, angle } = sources.group;
  const arc: Segment = {
    kind: 'arc',
    from: { x: 0, y: -radius },
    to: { x: farX * radius, y: farY * radius },
    centre: ORIGIN,
    radius,
    sweep: angle,
  };
  for (const piece of folder.piecesOf(sources.add(arc, path))) folder.fold(piece);
  return vertices.onWall(NEAR, radius);
}
