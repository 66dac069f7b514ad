import type { Edges } from './edges';
import { rootBetween } from '@/core/number';

/** What a meeting asks for: an edge is to go through a vertex, or is to be halved to be told apart. */
export interface Splits {
  /** `t` is the parameter on the edge's first use, or NaN where it is to be found. */
  through(edge: number, vertex: number, t: number): void;
  halve(edge: number): void;
}

const NEWTON_STEPS = 12;

/** Directions that differ by less, in radians, count as the same. */
const LEAST_ANGLE = 1e-6;

/** Two pieces of 30 degrees lean less than this together, in radians. */
const MOST_LEAN = 1.2;

const clamp = (t: number, low: number, high: number): number => (t < low ? low : t > high ? high : t);

/**
 * Where two edges meet. Edges are nearly straight and bend one way. Where their directions differ by more
 * than they bend they cross once at most, and Newton's method finds it; where they do not, both are graphs
 * over a common direction, and the gap between them has one extremum at most: its sign tells touching,
 * crossing once and crossing twice apart.
 */
export class Meetings {
  /** How many pairs were looked at, for the work limit. */
  tests = 0;

  constructor(
    private readonly edges: Edges,
    private readonly splits: Splits,
  ) {}

  /** Looks at two edges and asks for the splits that follow. */
  pair(a: number, b: number): void {
    const { edges } = this;
    this.tests += 1;
    const { xs, ys, tolerance } = edges.vertices;
    const au = edges.starts.at(a);
    const av = edges.ends.at(a);
    const bu = edges.starts.at(b);
    const bv = edges.ends.at(b);
    const shared = (au === bu || au === bv ? 1 : 0) + (av === bu || av === bv ? 1 : 0);
    if (shared === 2) {
      this.sameEnds(a, b);
      return;
    }
    const straight = edges.leans.at(a) === 0 && edges.leans.at(b) === 0;
    if (straight && shared === 1) return;

    const ax = xs.at(au);
    const ay = ys.at(au);
    const alongX = xs.at(av) - ax;
    const alongY = ys.at(av) - ay;
    const bx = xs.at(bu);
    const by = ys.at(bu);
    const otherX = xs.at(bv) - bx;
    const otherY = ys.at(bv) - by;
    const lengthA = Math.sqrt(alongX * alongX + alongY * alongY);
    const lengthB = Math.sqrt(otherX * otherX + otherY * otherY);
    const turned = alongX * otherY - alongY * otherX;
    // Moments of the ends of each chord about the other: their signs tell the sides, their sizes the distances.
    const a0 = alongX * (by - ay) - alongY * (bx - ax);
    const a1 = a0 + turned;
    const b0 = otherY * (bx - ax) - otherX * (by - ay);
    const b1 = b0 - turned;
    const reach = edges.bulges.at(a) + edges.bulges.at(b) + tolerance;
    const reachA = reach * lengthA;
    const reachB = reach * lengthB;
    if ((a0 > reachA && a1 > reachA) || (a0 < -reachA && a1 < -reachA)) return;
    if ((b0 > reachB && b1 > reachB) || (b0 < -reachB && b1 < -reachB)) return;

    // Chords on one line within a part of the tolerance do not cross, whatever signs rounding gives.
    const least = tolerance / 4;
    const apart =
      Math.max(Math.abs(a0), Math.abs(a1)) > least * lengthA &&
      Math.max(Math.abs(b0), Math.abs(b1)) > least * lengthB;
    const crossing = shared === 0 && apart && a0 > 0 !== a1 > 0 && b0 > 0 !== b1 > 0;
    if (straight) {
      if (crossing) {
        const share = b0 / (b0 - b1);
        this.split(a, b, ax + alongX * share, ay + alongY * share, NaN, NaN);
      }
      return;
    }
    const lean = edges.leans.at(a) + edges.leans.at(b) + LEAST_ANGLE;
    let met: boolean;
    if (lean > MOST_LEAN) {
      // Bent too much to be looked at as a graph, as next to a cusp.
      this.halveBoth(a, b);
      return;
    }
    if (Math.abs(turned) > lean * lengthA * lengthB) {
      // They cross once at most; where they share an end, that is where.
      if (shared === 1) return;
      met = this.crossOnce(a, b, clamp(b0 / turned, 0, 1), clamp(-a0 / turned, 0, 1));
    } else {
      const way = alongX * otherX + alongY * otherY < 0 ? -1 : 1;
      const dx = alongX / lengthA + (way * otherX) / lengthB;
      const dy = alongY / lengthA + (way * otherY) / lengthB;
      const length = Math.sqrt(dx * dx + dy * dy);
      met = this.alongEachOther(a, b, dx / length, dy / length, way);
    }
    // The curves do not cross here, but their chords do: shorter chords will not.
    if (!met && crossing) this.halveBoth(a, b);
  }

  private sameEnds(a: number, b: number): void {
    if (this.edges.coincide(a, b)) this.edges.bundle(b, a);
    else this.halveBoth(a, b);
  }

  private halveBoth(a: number, b: number): void {
    if (this.edges.leans.at(a) > 0) this.splits.halve(a);
    if (this.edges.leans.at(b) > 0) this.splits.halve(b);
  }

  private split(a: number, b: number, x: number, y: number, ta: number, tb: number): void {
    const vertex = this.edges.vertices.at(x, y);
    this.splits.through(a, vertex, ta);
    this.splits.through(b, vertex, tb);
  }

  /** Newton's method for P(s) = Q(t) from shares of both edges; true where it found a crossing. */
  private crossOnce(a: number, b: number, shareA: number, shareB: number): boolean {
    const { edges } = this;
    const { sources } = edges;
    const useA = edges.firstUses.at(a);
    const useB = edges.firstUses.at(b);
    const sourceA = edges.useSources.at(useA);
    const sourceB = edges.useSources.at(useB);
    const elementA = edges.useElements.at(useA);
    const elementB = edges.useElements.at(useB);
    const fromA = edges.useFrom.at(useA);
    const fromB = edges.useFrom.at(useB);
    const spanA = edges.useTo.at(useA) - fromA;
    const spanB = edges.useTo.at(useB) - fromB;
    let s = fromA + spanA * shareA;
    let t = fromB + spanB * shareB;
    let x = 0;
    let y = 0;
    let settled = false;
    for (let step = 0; step < NEWTON_STEPS && !settled; step += 1) {
      sources.evaluate(sourceA, elementA, s);
      x = sources.x;
      y = sources.y;
      const px = sources.dx;
      const py = sources.dy;
      sources.evaluate(sourceB, elementB, t);
      const gapX = sources.x - x;
      const gapY = sources.y - y;
      const det = px * -sources.dy + py * sources.dx;
      if (det === 0) break;
      const ds = (gapX * -sources.dy + gapY * sources.dx) / det;
      const dt = (px * gapY - py * gapX) / det;
      s += ds;
      t += dt;
      // A step far out of both ranges only says that they do not meet.
      if (Math.abs((s - fromA) / spanA - 0.5) > 2 || Math.abs((t - fromB) / spanB - 0.5) > 2) return false;
      settled = Math.abs(ds) + Math.abs(dt) < 1e-14;
    }
    const slack = 1e-12;
    const onA = (s - fromA) / spanA;
    const onB = (t - fromB) / spanB;
    if (onA < -slack || onA > 1 + slack || onB < -slack || onB > 1 + slack) return false;
    if (!settled) {
      sources.evaluate(sourceA, elementA, s);
      x = sources.x;
      y = sources.y;
      sources.evaluate(sourceB, elementB, t);
      // Too slow, as where a curve starts with a zero tangent: shorter pieces will do better.
      if (Math.hypot(sources.x - x, sources.y - y) > edges.vertices.tolerance / 8) {
        this.halveBoth(a, b);
        return true;
      }
    }
    sources.evaluate(sourceA, elementA, s);
    this.split(a, b, sources.x, sources.y, s, t);
    return true;
  }

  /** For two nearly parallel edges; (dx, dy) is their common direction. True where they cross or touch. */
  private alongEachOther(a: number, b: number, dx: number, dy: number, way: number): boolean {
    const { edges, gap } = this;
    const half = edges.vertices.tolerance / 2;
    const at = (edge: number, share: number): number => {
      edges.evaluateAt(edge, share);
      return edges.sources.x * dx + edges.sources.y * dy;
    };
    const low = Math.max(at(a, 0), at(b, way > 0 ? 0 : 1));
    const high = Math.min(at(a, 1), at(b, way > 0 ? 1 : 0));
    if (high - low <= edges.vertices.tolerance) return false;
    gap.between(edges, a, b, dx, dy, way);
    const g0 = gap.at(low);
    const s0 = gap.slope;
    const g1 = gap.at(high);
    const s1 = gap.slope;
    const zero0 = Math.abs(g0) <= half;
    const zero1 = Math.abs(g1) <= half;
    const height = (x: number): number => gap.at(x);
    let met = false;
    const cross = (from: number, to: number, f0: number, f1: number): void => {
      this.meetAt(a, b, rootBetween(height, from, to, f0, f1));
      met = true;
    };
    if (s0 > 0 === s1 > 0) {
      if (!zero0 && !zero1 && g0 > 0 !== g1 > 0) cross(low, high, g0, g1);
      return met;
    }
    const steep = (x: number): number => {
      gap.at(x);
      return gap.slope;
    };
    const turning = rootBetween(steep, low, high, s0, s1);
    const extreme = gap.at(turning);
    if (Math.abs(extreme) <= half) {
      // Within the tolerance at both ends as well, they are one curve here; else they touch.
      if (zero0 && zero1) return false;
      this.meetAt(a, b, turning);
      return true;
    }
    if (!zero0 && g0 > 0 !== extreme > 0) cross(low, turning, g0, extreme);
    if (!zero1 && g1 > 0 !== extreme > 0) cross(turning, high, extreme, g1);
    return met;
  }

  private meetAt(a: number, b: number, x: number): void {
    const { gap } = this;
    gap.at(x);
    this.split(a, b, gap.x, gap.y, gap.ta, gap.tb);
  }

  private readonly gap = new Gap();
}

/** The distance between two nearly parallel edges, square to a direction, as a function of the way along it. */
class Gap {
  slope = 0;
  ta = 0;
  tb = 0;
  x = 0;
  y = 0;

  private edges: Edges | null = null;
  private a = 0;
  private b = 0;
  private dx = 0;
  private dy = 0;
  private way = 1;

  between(edges: Edges, a: number, b: number, dx: number, dy: number, way: number): void {
    this.edges = edges;
    this.a = a;
    this.b = b;
    this.dx = dx;
    this.dy = dy;
    this.way = way;
  }

  /** Height of an edge over the direction at a way along it; its parameter is left in `t`, its slope in `rise`. */
  private heightOf(edge: number, along: number, way: number): number {
    const edges = this.edges as Edges;
    const { sources } = edges;
    const use = edges.firstUses.at(edge);
    const source = edges.useSources.at(use);
    const element = edges.useElements.at(use);
    let low = edges.useFrom.at(use);
    let high = edges.useTo.at(use);
    if (way < 0) [low, high] = [high, low];
    const { dx, dy } = this;
    // `low` is where the way along begins, whichever parameter is larger.
    sources.evaluate(source, element, low);
    const x0 = sources.x * dx + sources.y * dy;
    sources.evaluate(source, element, high);
    const x1 = sources.x * dx + sources.y * dy;
    let t = x1 === x0 ? low : low + (high - low) * clamp((along - x0) / (x1 - x0), 0, 1);
    for (let step = 0; step < 20; step += 1) {
      sources.evaluate(source, element, t);
      const off = sources.x * dx + sources.y * dy - along;
      const speed = sources.dx * dx + sources.dy * dy;
      if (off > 0) high = t;
      else low = t;
      const newton = speed === 0 ? NaN : t - off / speed;
      const isBetween = (newton - low) * (newton - high) <= 0;
      const next = isBetween ? newton : (low + high) / 2;
      const moved = Math.abs(next - t);
      t = next;
      // Newton's steps square what is left: after one as short as this there is nothing.
      if (moved < (isBetween ? 1e-9 : 1e-15)) break;
    }
    // At an end without speed the slope is that of the curve inside.
    const from = edges.useFrom.at(use);
    const to = edges.useTo.at(use);
    const inward = Math.abs(t - from) < Math.abs(t - to) ? to - from : from - to;
    sources.evaluateTangent(source, element, t, inward > 0 ? 1 : -1);
    this.t = t;
    const speed = sources.dx * dx + sources.dy * dy;
    this.rise = speed === 0 ? 0 : (sources.dy * dx - sources.dx * dy) / speed;
    return sources.y * dx - sources.x * dy;
  }

  private t = 0;
  private rise = 0;

  at(along: number): number {
    const { sources } = this.edges as Edges;
    const first = this.heightOf(this.a, along, 1);
    this.ta = this.t;
    this.x = sources.x;
    this.y = sources.y;
    const rise = this.rise;
    const second = this.heightOf(this.b, along, this.way);
    this.tb = this.t;
    this.slope = rise - this.rise;
    return first - second;
  }
}
