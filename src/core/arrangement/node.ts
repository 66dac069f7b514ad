import type { Edges } from './edges';
import { TooMuchWork } from './errors';
import { Grid, Raster } from './grid';
import type { Group } from './group';
import { Floats, Ints } from './lists';
import { Meetings, type Splits } from './meet';
import { APEX, INNER, NEAR, type Vertices } from './vertices';

/** How much an arrangement may cost: far beyond any drawing, well below what would hang. */
export interface WorkLimit {
  readonly edges: number;
  readonly tests: number;
}

export const USUAL_LIMIT: WorkLimit = { edges: 2_000_000, tests: 60_000_000 };

const MOST_ROUNDS = 64;
const BREATH = 4096;

const tooMuch = (): TooMuchWork =>
  new TooMuchWork('These shapes cross in too many places to be merged; they were left as they are.');

/** Splits asked for during a round, by edge. */
class Asked implements Splits {
  private heads = new Int32Array(0);
  private readonly vertices = new Ints();
  private readonly parameters = new Floats();
  private readonly following = new Ints();
  readonly edgesAsked = new Ints();

  constructor(private readonly edges: Edges) {}

  begin(): void {
    if (this.heads.length < this.edges.count) this.heads = new Int32Array(2 * this.edges.count);
    this.heads.fill(-1);
    this.vertices.clear();
    this.parameters.clear();
    this.following.clear();
    this.edgesAsked.clear();
  }

  through(edge: number, vertex: number, t: number): void {
    if (vertex === this.edges.starts.at(edge) || vertex === this.edges.ends.at(edge)) return;
    const head = this.heads[edge] as number;
    for (let k = head; k >= 0; k = this.following.at(k)) if (this.vertices.at(k) === vertex) return;
    if (head < 0) this.edgesAsked.push(edge);
    this.vertices.push(vertex);
    this.parameters.push(t);
    this.following.push(head);
    this.heads[edge] = this.vertices.length - 1;
  }

  halve(edge: number): void {
    const t = this.edges.evaluateAt(edge, 0.5);
    const { sources, vertices } = this.edges;
    this.through(edge, vertices.at(sources.x, sources.y), t);
  }

  /** Fills the lists with what was asked of an edge, unsorted. */
  read(edge: number, vertices: number[], parameters: number[]): void {
    for (let k = this.heads[edge] as number; k >= 0; k = this.following.at(k)) {
      vertices.push(this.vertices.at(k));
      parameters.push(this.parameters.at(k));
    }
  }
}

/**
 * Cuts edges until they meet only at vertices, no vertex lies on an edge or between an edge and its chord,
 * and no two edges run between the same vertices. Then the chords are a plane straight-line graph with the
 * topology of the curves. It ends: docs/engine.md says why.
 */
export class Noder {
  private readonly asked: Asked;
  private readonly meetings: Meetings;
  private fresh = 0;
  private freshVertices = 0;

  constructor(
    private readonly group: Group,
    private readonly edges: Edges,
    private readonly vertices: Vertices,
    private readonly limit: WorkLimit,
  ) {
    this.asked = new Asked(edges);
    this.meetings = new Meetings(edges, this.asked);
  }

  /** Rounds until nothing is left to cut; yields between batches of work. @throws TooMuchWork */
  *run(): Generator<undefined> {
    for (let round = 0; ; round += 1) {
      if (round === MOST_ROUNDS) throw tooMuch();
      this.asked.begin();
      const [edgesBefore, verticesBefore] = [this.edges.count, this.vertices.count];
      yield* this.look();
      if (this.asked.edgesAsked.length === 0) return;
      for (let k = 0; k < this.asked.edgesAsked.length; k += 1) {
        const edge = this.asked.edgesAsked.at(k);
        if (this.edges.alive.at(edge) === 1) this.cut(edge);
      }
      this.fresh = edgesBefore;
      this.freshVertices = verticesBefore;
      if (this.edges.count > this.limit.edges) throw tooMuch();
      yield;
    }
  }

  private *look(): Generator<undefined> {
    const { edges, vertices } = this;
    const { xs, ys, tolerance } = vertices;
    let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
    for (let v = 0; v < vertices.count; v += 1) {
      left = Math.min(left, xs.at(v));
      right = Math.max(right, xs.at(v));
      top = Math.min(top, ys.at(v));
      bottom = Math.max(bottom, ys.at(v));
    }
    let living = 0;
    const count = edges.count;
    const known = vertices.count;
    for (let e = 0; e < count; e += 1) living += edges.alive.at(e);
    if (living === 0) return;
    const raster = new Raster(left, top, right, bottom, Math.max(16, 2 * living));
    const [grid, spots] = [new Grid(raster), new Grid(raster)];
    for (let v = 0; v < known; v += 1) {
      raster.gather(xs.at(v), ys.at(v), xs.at(v), ys.at(v), 0);
      spots.insert(v);
    }
    const seen = new Int32Array(count).fill(-1);
    const found = new Ints();
    const fresh = this.fresh;
    for (let pass = 0; pass < 2; pass += 1) {
      // Edges that were there before meet only the new ones, so they go in first and ask nothing.
      for (let e = pass === 0 ? 0 : fresh; e < (pass === 0 ? fresh : count); e += 1) {
        if (edges.alive.at(e) === 0) continue;
        const u = edges.starts.at(e);
        const v = edges.ends.at(e);
        const x0 = xs.at(u);
        const y0 = ys.at(u);
        const x1 = xs.at(v);
        const y1 = ys.at(v);
        raster.gather(x0, y0, x1, y1, edges.bulges.at(e) + tolerance);
        if (pass === 1) {
          if (e % BREATH === 0) yield;
          grid.query(found);
          for (let k = 0; k < found.length; k += 1) {
            const other = found.at(k);
            if (seen[other] === e || edges.alive.at(other) === 0) continue;
            seen[other] = e;
            this.meetings.pair(other, e);
            if (edges.alive.at(e) === 0) break;
          }
          if (this.meetings.tests > this.limit.tests) throw tooMuch();
        }
        if (edges.alive.at(e) === 0) continue;
        grid.insert(e);
        spots.query(found);
        for (let k = 0; k < found.length; k += 1) {
          const vertex = found.at(k);
          if ((pass === 1 || vertex >= this.freshVertices) && vertex !== u && vertex !== v)
            this.beside(e, vertex);
        }
        if (pass === 1 && edges.leans.at(e) > 0) this.offWall(e, u, v);
      }
    }
  }

  /** A vertex near an edge: on it the edge is cut there, between curve and chord the edge is halved. */
  private beside(edge: number, vertex: number): void {
    const { edges, vertices } = this;
    const { xs, ys, tolerance } = vertices;
    const u = edges.starts.at(edge);
    const v = edges.ends.at(edge);
    const x0 = xs.at(u);
    const y0 = ys.at(u);
    const dx = xs.at(v) - x0;
    const dy = ys.at(v) - y0;
    const px = xs.at(vertex) - x0;
    const py = ys.at(vertex) - y0;
    const square = dx * dx + dy * dy;
    const along = px * dx + py * dy;
    const length = Math.sqrt(square);
    const aside = (dx * py - dy * px) / length;
    const bulge = edges.bulges.at(edge);
    const margin = bulge + tolerance;
    if (aside > margin || aside < -margin) return;
    if (edges.leans.at(edge) === 0) {
      if (along <= 0 || along >= square) return;
      if (Math.abs(aside) <= tolerance / 2) this.asked.through(edge, vertex, NaN);
      return;
    }
    if (along < -margin * length || along > square + margin * length) return;
    const away = edges.distanceTo(edge, xs.at(vertex), ys.at(vertex));
    const t = edges.footAt;
    const use = edges.firstUses.at(edge);
    if (t === edges.useFrom.at(use) || t === edges.useTo.at(use)) {
      if (along > 0 && along < square && Math.abs(aside) <= tolerance / 2) this.asked.halve(edge);
      return;
    }
    if (away <= tolerance / 2) {
      this.asked.through(edge, vertex, t);
      return;
    }
    const { sources } = edges;
    const height = (dx * (sources.y - y0) - dy * (sources.x - x0)) / length;
    const between = height > 0 === aside > 0 && Math.abs(aside) < Math.abs(height);
    if (between || Math.abs(aside) <= tolerance / 2) this.asked.halve(edge);
  }

  /** A curve between two vertices of one wall leaves it: halved, so that its chord is not the wall. */
  private offWall(edge: number, u: number, v: number): void {
    const { places, tolerance } = this.vertices;
    const a = places.at(u);
    const b = places.at(v);
    if (a === INNER || b === INNER || (a !== b && a !== APEX && b !== APEX)) return;
    const { edges, group } = this;
    if (edges.bulges.at(edge) <= tolerance / 2) return;
    edges.evaluateAt(edge, 0.5);
    const { x, y } = edges.sources;
    const near = a === NEAR || b === NEAR;
    if (Math.abs(near ? x : group.farX * y - group.farY * x) > tolerance) this.asked.halve(edge);
  }

  /** Replaces an edge by the parts between the vertices that were asked for. */
  private cut(edge: number): void {
    const { edges, vertices } = this;
    const at: number[] = [];
    const given: number[] = [];
    this.asked.read(edge, at, given);
    const first = edges.firstUses.at(edge);
    const { sources } = edges;
    const parameterOf = (use: number, vertex: number): number =>
      sources.project(
        edges.useSources.at(use),
        edges.useElements.at(use),
        edges.useFrom.at(use),
        edges.useTo.at(use),
        vertices.xs.at(vertex),
        vertices.ys.at(vertex),
      );
    const shares = at.map((vertex, k) => {
      const t = given[k] as number;
      const from = edges.useFrom.at(first);
      const span = edges.useTo.at(first) - from;
      return span === 0 ? 0 : ((Number.isNaN(t) ? parameterOf(first, vertex) : t) - from) / span;
    });
    const order = at.map((_, k) => k).sort((i, j) => (shares[i] as number) - (shares[j] as number));
    const stops = [edges.starts.at(edge), ...order.map((k) => at[k] as number), edges.ends.at(edge)];
    const firstNew = edges.count;
    for (let k = 1; k < stops.length; k += 1) edges.add(stops[k - 1] as number, stops[k] as number);
    for (let use = first; use >= 0; use = edges.useNext.at(use)) {
      const from = edges.useFrom.at(use);
      const to = edges.useTo.at(use);
      let before = from;
      for (let k = 1; k < stops.length; k += 1) {
        const last = k === stops.length - 1;
        let t = to;
        if (!last) {
          t =
            use === first
              ? from + (to - from) * (shares[order[k - 1] as number] as number)
              : parameterOf(use, stops[k] as number);
          // Parameters never run backwards, whatever rounding does.
          t = to > from ? Math.min(to, Math.max(before, t)) : Math.max(to, Math.min(before, t));
        }
        edges.addUse(firstNew + k - 1, edges.useSources.at(use), edges.useElements.at(use), before, t);
        before = t;
      }
    }
    edges.alive.set(edge, 0);
  }
}
