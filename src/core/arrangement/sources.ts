import type { Segment } from '@/core/curve';
import type { Group } from './group';
import { Floats, Ints, valueAt } from './lists';

export const LINE = 0;
export const ARC = 1;
export const CUBIC = 2;

const STRIDE = 8;

/** φ − sin φ without cancellation for small angles (Taylor series). */
function angleLessSine(angle: number): number {
  if (Math.abs(angle) > 0.25) return angle - Math.sin(angle);
  const square = angle * angle;
  return (
    ((angle * square) / 6) *
    (1 - (square / 20) * (1 - (square / 42) * (1 - (square / 72) * (1 - square / 110))))
  );
}

/**
 * The segments that a motif is made of, in flat lists, to be evaluated in any copy. Results of an evaluation
 * are left in fields, so that inner loops make no objects.
 */
export class Sources {
  private readonly kinds = new Ints();
  /** Line: x0 y0 x1 y1; arc: x0 y0 x1 y1 cx cy radius sweep; cubic: its four points. */
  private readonly numbers = new Floats();
  /** Start angle of arcs about their own centre, as x and y from it. */
  private readonly spokes = new Floats();
  private readonly paths = new Ints();
  readonly segments: Segment[] = [];

  /** The point, first and second derivative of the last evaluation. */
  x = 0;
  y = 0;
  dx = 0;
  dy = 0;
  ddx = 0;
  ddy = 0;

  constructor(readonly group: Group) {}

  get count(): number {
    return this.kinds.length;
  }

  /** Adds a segment of a path (−1 for one that covers nothing) and returns its index. */
  add(segment: Segment, path: number): number {
    const index = this.kinds.push(segment.kind === 'line' ? LINE : segment.kind === 'arc' ? ARC : CUBIC);
    this.paths.push(path);
    this.segments.push(segment);
    const { from, to } = segment;
    let row: number[];
    if (segment.kind === 'cubic')
      row = [from.x, from.y, segment.out.x, segment.out.y, segment.in.x, segment.in.y, to.x, to.y];
    else if (segment.kind === 'arc')
      row = [from.x, from.y, to.x, to.y, segment.centre.x, segment.centre.y, segment.radius, segment.sweep];
    else row = [from.x, from.y, to.x, to.y, 0, 0, 0, 0];
    for (const value of row) this.numbers.push(value);
    this.spokes.push(
      segment.kind === 'arc' ? Math.atan2(from.y - segment.centre.y, from.x - segment.centre.x) : 0,
    );
    return index;
  }

  kind(source: number): number {
    return this.kinds.at(source);
  }

  path(source: number): number {
    return this.paths.at(source);
  }

  /** Number k of a segment's row (see `numbers`). */
  number(source: number, k: number): number {
    return this.numbers.at(source * STRIDE + k);
  }

  /** No less than the speed of a segment anywhere, per unit of its parameter. */
  mostSpeed(source: number): number {
    const at = (k: number): number => this.number(source, k);
    if (this.kind(source) === ARC) return Math.abs(at(6) * at(7));
    const side = (k: number): number => Math.hypot(at(k + 2) - at(k), at(k + 3) - at(k + 1));
    return this.kind(source) === LINE ? side(0) : 3 * Math.max(side(0), side(2), side(4));
  }

  /** Evaluates the point and the first two derivatives at t, in the copy of a group element. */
  evaluate(source: number, element: number, t: number): void {
    const o = source * STRIDE;
    const n = this.numbers;
    const kind = this.kinds.at(source);
    let x, y, dx, dy;
    let ddx = 0;
    let ddy = 0;
    if (kind === LINE) {
      const x0 = n.at(o);
      const y0 = n.at(o + 1);
      const x1 = n.at(o + 2);
      const y1 = n.at(o + 3);
      dx = x1 - x0;
      dy = y1 - y0;
      x = t === 1 ? x1 : x0 + dx * t;
      y = t === 1 ? y1 : y0 + dy * t;
    } else if (kind === ARC) {
      const sweep = n.at(o + 7);
      const angle = this.spokes.at(source) + sweep * t;
      const sx = n.at(o + 6) * Math.cos(angle);
      const sy = n.at(o + 6) * Math.sin(angle);
      x = t === 0 ? n.at(o) : t === 1 ? n.at(o + 2) : n.at(o + 4) + sx;
      y = t === 0 ? n.at(o + 1) : t === 1 ? n.at(o + 3) : n.at(o + 5) + sy;
      dx = -sy * sweep;
      dy = sx * sweep;
      ddx = -sx * sweep * sweep;
      ddy = -sy * sweep * sweep;
    } else {
      const u = 1 - t;
      const x0 = n.at(o);
      const y0 = n.at(o + 1);
      const x1 = n.at(o + 2);
      const y1 = n.at(o + 3);
      const x2 = n.at(o + 4);
      const y2 = n.at(o + 5);
      const x3 = n.at(o + 6);
      const y3 = n.at(o + 7);
      const w0 = u * u * u;
      const w1 = 3 * u * u * t;
      const w2 = 3 * u * t * t;
      const w3 = t * t * t;
      x = w0 * x0 + w1 * x1 + w2 * x2 + w3 * x3;
      y = w0 * y0 + w1 * y1 + w2 * y2 + w3 * y3;
      const a = 3 * u * u;
      const b = 6 * u * t;
      const c = 3 * t * t;
      dx = a * (x1 - x0) + b * (x2 - x1) + c * (x3 - x2);
      dy = a * (y1 - y0) + b * (y2 - y1) + c * (y3 - y2);
      ddx = 6 * (u * (x2 - 2 * x1 + x0) + t * (x3 - 2 * x2 + x1));
      ddy = 6 * (u * (y2 - 2 * y1 + y0) + t * (y3 - 2 * y2 + y1));
    }
    if (element === 0) {
      this.x = x;
      this.y = y;
      this.dx = dx;
      this.dy = dy;
      this.ddx = ddx;
      this.ddy = ddy;
      return;
    }
    const { xx, xy, yx, yy } = this.group;
    const a = valueAt(xx, element);
    const b = valueAt(xy, element);
    const c = valueAt(yx, element);
    const d = valueAt(yy, element);
    this.x = a * x + b * y;
    this.y = c * x + d * y;
    this.dx = a * dx + b * dy;
    this.dy = c * dx + d * dy;
    this.ddx = a * ddx + b * ddy;
    this.ddy = c * ddx + d * ddy;
  }

  /**
   * Evaluates, and gives the first derivative the direction of the curve on the side of `ahead` (1 or −1) where it
   * is zero, as at an end whose handle lies on it.
   */
  evaluateTangent(source: number, element: number, t: number, ahead: number): void {
    this.evaluate(source, element, t);
    this.turnAhead(source, element, t, ahead);
  }

  /** What `evaluateTangent` does after the evaluation. */
  turnAhead(source: number, element: number, t: number, ahead: number): void {
    const speed = this.dx * this.dx + this.dy * this.dy;
    const bend = this.ddx * this.ddx + this.ddy * this.ddy;
    if (speed > 1e-12 * bend) return;
    if (bend > 0) {
      this.dx = ahead * this.ddx;
      this.dy = ahead * this.ddy;
      return;
    }
    const { x, y } = this;
    this.evaluate(source, element, t + ahead * 1e-3);
    this.dx = (this.x - x) * ahead;
    this.dy = (this.y - y) * ahead;
    this.x = x;
    this.y = y;
  }

  /**
   * The parameter from t0 to t1 (in either order) where a copy of a segment is nearest to a point near it:
   * closed form for lines and arcs, Newton's method on the foot of the perpendicular for cubics.
   */
  project(source: number, element: number, t0: number, t1: number, px: number, py: number): number {
    const low = Math.min(t0, t1);
    const high = Math.max(t0, t1);
    this.evaluate(source, element, t0);
    const ax = this.x;
    const ay = this.y;
    this.evaluate(source, element, t1);
    const bx = this.x - ax;
    const by = this.y - ay;
    const square = bx * bx + by * by;
    const share = square === 0 ? 0 : ((px - ax) * bx + (py - ay) * by) / square;
    let t = Math.min(high, Math.max(low, t0 + (t1 - t0) * share));
    if (this.kinds.at(source) === LINE) return t;
    // Newton's method kept between bounds: a curve may slow down to nothing at an end.
    let [a, b] = [low, high];
    for (let step = 0; step < 60; step += 1) {
      this.evaluate(source, element, t);
      const rx = this.x - px;
      const ry = this.y - py;
      const past = rx * this.dx + ry * this.dy;
      if (past > 0) b = t;
      else a = t;
      const bend = this.dx * this.dx + this.dy * this.dy + rx * this.ddx + ry * this.ddy;
      let next = bend > 0 ? t - past / bend : (a + b) / 2;
      if (past === 0) return t;
      if (!(next >= a && next <= b) || (step > 8 && step % 4 === 0)) next = (a + b) / 2;
      if (Math.abs(next - t) < 1e-15) return next;
      t = next;
    }
    return t;
  }

  /** Twice the area between a part of a segment and its chord, signed for the way from t0 to t1. */
  doubleBulge(source: number, element: number, t0: number, t1: number): number {
    const kind = this.kinds.at(source);
    if (kind === LINE) return 0;
    const side = element >= this.group.fold ? -1 : 1;
    const o = source * STRIDE;
    const n = this.numbers;
    if (kind === ARC) {
      const radius = n.at(o + 6);
      return side * radius * radius * angleLessSine(n.at(o + 7) * (t1 - t0));
    }
    // The part's own control points, from its ends and derivatives (Hermite to Bézier).
    this.evaluate(source, 0, t0);
    const x0 = this.x;
    const y0 = this.y;
    const third = (t1 - t0) / 3;
    const x1 = this.dx * third;
    const y1 = this.dy * third;
    this.evaluate(source, 0, t1);
    const x3 = this.x - x0;
    const y3 = this.y - y0;
    const x2 = x3 - this.dx * third;
    const y2 = y3 - this.dy * third;
    return side * 0.1 * (3 * (x1 * y2 - y1 * x2) + 3 * (x1 * y3 - y1 * x3) + 6 * (x2 * y3 - y2 * x3));
  }
}
