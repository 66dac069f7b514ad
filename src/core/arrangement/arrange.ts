import type { Path } from '../curve/path';
import { coverOf, type Cover, type CoverRule } from './cover';
import { Edges } from './edges';
import { Folder } from './fold';
import { Group, type Symmetry } from './group';
import { valueAt } from './lists';
import { holdsCentre, measureFaces, type FaceMeasures } from './measure';
import { Noder, USUAL_LIMIT, type WorkLimit } from './node';
import { regionsOf, type Regions } from './regions';
import { Sources } from './sources';
import { Subdivision } from './subdivision';
import { Vertices } from './vertices';

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
}

/** Shares of the figure's size within which points are one: at rest, and while a hand moves something. */
export const FULL_TOLERANCE = 1e-7;
export const COARSE_TOLERANCE = 1e-5;

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
        size = Math.max(size, Math.min(Math.hypot(segment.centre.x, segment.centre.y) + segment.radius, 1e300));
    }
  }
  return size;
}

/** The cells that a motif's copies make of the plane, computed in one sector of the symmetry. */
export class Arrangement {
  readonly kinds: Regions;
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
    const { group, faceCount, edges, face } = subdivision;
    this.faces = measureFaces(subdivision);
    const { area, border } = this.faces;
    const tolerance = edges.vertices.tolerance;
    // A face narrower than the tolerance belongs to the neighbour behind its longest edge.
    const opened = new Map<number, number>();
    let slivers = 0;
    for (let f = 0; f < faceCount; f += 1)
      if (f !== subdivision.unbounded && 2 * valueAt(area, f) < tolerance * valueAt(border, f)) opened.set(f, -1);
    if (opened.size > 0) {
      for (let h = 0; h < subdivision.halfEdgeCount; h += 1) {
        const f = valueAt(face, h);
        const best = opened.get(f);
        if (best === undefined || subdivision.across(h) === f || subdivision.isArtificial(h)) continue;
        if (best < 0 || this.chord(h) > this.chord(best)) opened.set(f, h);
      }
      slivers = opened.size * group.order;
    }
    const gates = new Set([...opened.values()].flatMap((h) => (h < 0 ? [] : [h, h ^ 1])));
    this.slivers = slivers;
    this.kinds = regionsOf(subdivision, (h) => subdivision.isArtificial(h) || gates.has(h));
    this.largest = new Int32Array(this.kinds.count).fill(-1);
    this.areas = new Float64Array(this.kinds.count);
    for (let f = 0; f < faceCount; f += 1) {
      const kind = valueAt(this.kinds.of, f);
      const known = valueAt(this.largest, kind);
      if (known < 0 || valueAt(area, f) > valueAt(area, known)) this.largest[kind] = f;
      this.areas[kind] = valueAt(this.areas, kind) + valueAt(area, f);
    }
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

  /** All bounded kinds with their measures, from the centre outward. */
  cellKinds(): (CellKind & { readonly kind: number })[] {
    const { subdivision, kinds } = this;
    const inner = new Float64Array(kinds.count).fill(Infinity);
    const outer = new Float64Array(kinds.count);
    for (let f = 0; f < subdivision.faceCount; f += 1) {
      const kind = valueAt(kinds.of, f);
      inner[kind] = Math.min(valueAt(inner, kind), valueAt(this.faces.inner, f));
      outer[kind] = Math.max(valueAt(outer, kind), valueAt(this.faces.outer, f));
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
    return found.sort((a, b) => a.inner - b.inner || a.outer - b.outer || a.area - b.area);
  }

  /** Cells, crossings and edges of the whole plane, for Euler's formula and the facts. */
  get cellCount(): number {
    let count = 0;
    for (let kind = 0; kind < this.kindCount; kind += 1) if (kind !== this.outside) count += this.sizeOf(kind);
    return count;
  }
}

/**
 * Divides the plane by all copies of paths. Yields shares of the work done, so that a caller can breathe,
 * report and stop in between.
 * @throws TooMuchWork, Inconsistent
 */
export function* arrange(request: ArrangementRequest): Generator<number, Arrangement> {
  const group = new Group(request);
  const size = sizeOf(request.paths) || 1;
  const sources = new Sources(group);
  const vertices = new Vertices(group, request.tolerance * size);
  const edges = new Edges(sources, vertices);
  const folder = new Folder(group, sources, vertices, edges);
  let folded = 0;
  for (const [index, { contours }] of request.paths.entries()) {
    for (const contour of contours) {
      for (const segment of contour.segments) {
        folder.fold(sources.add(segment, index));
        folded += 1;
        if (folded % 64 === 0) yield 0.1;
      }
      closeGap(folder, sources, contour, index);
    }
  }
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
  const cover = coverOf(subdivision, request.paths, request.members);
  yield 0.9;
  return new Arrangement(subdivision, cover, size);
}

/** A path that covers is closed by a straight line, if it does not end where it begins (SVG 2, "fill"). */
function closeGap(folder: Folder, sources: Sources, path: Path, index: number): void {
  const first = path.segments[0];
  const last = path.segments.at(-1);
  if (!path.closed || !first || !last) return;
  if (first.from.x === last.to.x && first.from.y === last.to.y) return;
  folder.fold(sources.add({ kind: 'line', from: last.to, to: first.from }, index));
}
