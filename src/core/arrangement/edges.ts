import { Floats, Ints } from './lists';
import type { Sources } from './sources';
import { LINE } from './sources';
import type { Vertices } from './vertices';

/** The angle between a chord and a direction. */
const leanOf = (cx: number, cy: number, dx: number, dy: number): number =>
  Math.abs(Math.atan2(cx * dy - cy * dx, cx * dx + cy * dy));

/**
 * The edges between vertices, each with the uses of it: the parts of copies of segments that run along it.
 * The first use gives an edge its geometry; the others are the same curve within the tolerance.
 */
export class Edges {
  readonly starts = new Ints();
  readonly ends = new Ints();
  readonly firstUses = new Ints();
  /** 0 for an edge that has been replaced by others. */
  readonly alive = new Ints();
  /** The farthest that the curve is from its chord. */
  readonly bulges = new Floats();
  /** The largest angle between the curve and its chord, in radians; 0 for lines. */
  readonly leans = new Floats();

  readonly useSources = new Ints();
  readonly useElements = new Ints();
  /** The parameter at the edge's start and at its end. */
  readonly useFrom = new Floats();
  readonly useTo = new Floats();
  readonly useNext = new Ints();

  constructor(
    readonly sources: Sources,
    readonly vertices: Vertices,
  ) {}

  get count(): number {
    return this.starts.length;
  }

  /** Adds an edge without uses, or −1 where its ends are one vertex. */
  add(start: number, end: number): number {
    const edge = this.starts.push(start);
    this.ends.push(end);
    this.firstUses.push(-1);
    this.alive.push(1);
    this.bulges.push(0);
    this.leans.push(0);
    return edge;
  }

  /** Adds a use to an edge, the parameters in the edge's direction. The first one is measured. */
  addUse(edge: number, source: number, element: number, from: number, to: number): void {
    const first = this.firstUses.at(edge);
    for (let u = first; u >= 0; u = this.useNext.at(u))
      if (
        this.useSources.at(u) === source &&
        this.useElements.at(u) === element &&
        Math.abs(this.useFrom.at(u) - from) + Math.abs(this.useTo.at(u) - to) < 1e-9
      )
        return;
    const use = this.useSources.push(source);
    this.useElements.push(element);
    this.useFrom.push(from);
    this.useTo.push(to);
    if (first < 0) {
      this.useNext.push(-1);
      this.firstUses.set(edge, use);
      this.measure(edge, use);
    } else {
      this.useNext.push(this.useNext.at(first));
      this.useNext.set(first, use);
    }
  }

  private measure(edge: number, use: number): void {
    const s = this.sources;
    const source = this.useSources.at(use);
    if (s.kind(source) === LINE) return;
    const element = this.useElements.at(use);
    const from = this.useFrom.at(use);
    const to = this.useTo.at(use);
    const way = to > from ? 1 : -1;
    s.evaluateTangent(source, element, from, way);
    const x0 = s.x;
    const y0 = s.y;
    const ax = s.dx * way;
    const ay = s.dy * way;
    s.evaluateTangent(source, element, to, -way);
    const cx = s.x - x0;
    const cy = s.y - y0;
    const a = leanOf(cx, cy, ax, ay);
    const b = leanOf(cx, cy, s.dx * way, s.dy * way);
    const chord = Math.sqrt(cx * cx + cy * cy);
    // A piece that bends one way lies in the triangle of its chord and its end tangents.
    const height =
      a + b > 1e-12 && a < 1.2 && b < 1.2
        ? (chord * Math.sin(a) * Math.sin(b)) / Math.sin(a + b)
        : chord * (a + b);
    // Flat to a small part of the tolerance is straight: its chord does for every question but the last.
    if (height < this.vertices.tolerance / 16) return;
    this.bulges.set(edge, height);
    this.leans.set(edge, Math.max(a, b));
  }

  /** Puts a point of the edge's curve, at a share of its first use's range, into the sources' x and y. */
  evaluateAt(edge: number, share: number): number {
    const use = this.firstUses.at(edge);
    const from = this.useFrom.at(use);
    const t = from + (this.useTo.at(use) - from) * share;
    this.sources.evaluate(this.useSources.at(use), this.useElements.at(use), t);
    return t;
  }

  /** How far a point is from an edge's curve, and in `footAt` the parameter of the nearest point. */
  distanceTo(edge: number, x: number, y: number): number {
    const use = this.firstUses.at(edge);
    const source = this.useSources.at(use);
    const element = this.useElements.at(use);
    const t = this.sources.project(source, element, this.useFrom.at(use), this.useTo.at(use), x, y);
    this.sources.evaluate(source, element, t);
    this.footAt = t;
    const dx = this.sources.x - x;
    const dy = this.sources.y - y;
    return Math.sqrt(dx * dx + dy * dy);
  }

  footAt = 0;

  /** True where two edges between the same vertices are one curve within the tolerance. */
  coincide(a: number, b: number): boolean {
    const straight = this.leans.at(a) === 0 && this.leans.at(b) === 0;
    if (straight) return true;
    const { tolerance } = this.vertices;
    for (let k = 0; k < 2; k += 1) {
      this.evaluateAt(a, k === 0 ? 0.35 : 0.7);
      if (this.distanceTo(b, this.sources.x, this.sources.y) > tolerance) return false;
    }
    return true;
  }

  /** Adds all uses of one edge to another between the same vertices, and lets the first go. */
  bundle(from: number, into: number): void {
    const turned = this.starts.at(from) !== this.starts.at(into);
    for (let u = this.firstUses.at(from); u >= 0; u = this.useNext.at(u)) {
      const a = this.useFrom.at(u);
      const b = this.useTo.at(u);
      this.addUse(into, this.useSources.at(u), this.useElements.at(u), turned ? b : a, turned ? a : b);
    }
    this.alive.set(from, 0);
  }
}
