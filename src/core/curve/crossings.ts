import { polynomialRoots } from '@/core/number';
import { extremaOf } from './bounds';
import { partOf } from './part';
import { add, cross, distance, dot, lengthOf, scaleBy, subtract, type Point } from './point';
import { derivativeAt, pointAt, type ArcSegment, type LineSegment, type Segment } from './segment';
import { halvesOf, leastApart, wholeOf, type Stretch } from './stretch';

/** Where two segments meet: the point, and the parameter on each. */
export interface Crossing {
  readonly point: Point;
  readonly s: number;
  readonly t: number;
  /** True where they have one direction there, and so touch. */
  readonly touching: boolean;
}

/** Nearer than this two parameters of a segment are one. */
const SAME_PARAMETER = 1e-12;

/** The parts of a segment between the points where it turns back in x or in y; from its own start to its own end. */
export function monotoneParts(segment: Segment): Segment[] {
  const cuts = [0];
  for (const t of extremaOf(segment).sort((a, b) => a - b))
    if (t - (cuts[cuts.length - 1] ?? 0) > SAME_PARAMETER && 1 - t > SAME_PARAMETER) cuts.push(t);
  return cuts.map((from, k) => partOf(segment, from, cuts[k + 1] ?? 1));
}

/** The parameter of a point on a line or arc, or NaN where it is not within the segment. */
function parameterOf(segment: LineSegment | ArcSegment, p: Point, slack: number): number {
  if (segment.kind === 'line') {
    const along = subtract(segment.to, segment.from);
    const t = dot(subtract(p, segment.from), along) / dot(along, along);
    return within(t, slack / lengthOf(along));
  }
  const spoke = subtract(segment.from, segment.centre);
  const toward = subtract(p, segment.centre);
  const angle = Math.atan2(cross(spoke, toward), dot(spoke, toward));
  const full = 2 * Math.PI * Math.sign(segment.sweep);
  const share = slack / (segment.radius * Math.abs(segment.sweep));
  for (const candidate of [angle, angle + full]) {
    const t = within(candidate / segment.sweep, share);
    if (!Number.isNaN(t)) return t;
  }
  return NaN;
}

const within = (t: number, slack: number): number =>
  t >= -slack && t <= 1 + slack ? Math.min(1, Math.max(0, t)) : NaN;

/** Points of a line, or of a circle, on a circle; one where they touch within the slack. */
function onCircle(other: LineSegment | ArcSegment, { centre, radius }: ArcSegment, slack: number): Point[] {
  if (other.kind === 'line') {
    const along = subtract(other.to, other.from);
    const unit = scaleBy(along, 1 / lengthOf(along));
    const foot = add(other.from, scaleBy(unit, dot(subtract(centre, other.from), unit)));
    return acrossFrom(foot, unit, radius, distance(foot, centre), slack);
  }
  const apart = distance(centre, other.centre);
  if (apart <= slack) return [];
  const unit = scaleBy(subtract(other.centre, centre), 1 / apart);
  // Distance of the common chord from the first centre: Weisstein, "Circle-Circle Intersection", MathWorld.
  const away = (apart * apart - other.radius * other.radius + radius * radius) / (2 * apart);
  const foot = add(centre, scaleBy(unit, away));
  return acrossFrom(foot, { x: -unit.y, y: unit.x }, radius, Math.abs(away), slack);
}

function acrossFrom(foot: Point, unit: Point, radius: number, away: number, slack: number): Point[] {
  if (Math.abs(away - radius) <= slack) return [foot];
  if (away > radius) return [];
  const half = Math.sqrt(radius * radius - away * away);
  return [add(foot, scaleBy(unit, half)), add(foot, scaleBy(unit, -half))];
}

function simple(a: LineSegment | ArcSegment, b: LineSegment | ArcSegment, slack: number): Point[] {
  if (a.kind === 'arc') return onCircle(b, a, slack);
  if (b.kind === 'arc') return onCircle(a, b, slack);
  const [u, v] = [subtract(a.to, a.from), subtract(b.to, b.from)];
  const turned = cross(u, v);
  if (Math.abs(turned) <= 1e-14 * lengthOf(u) * lengthOf(v)) return [];
  return [pointAt(a, cross(subtract(b.from, a.from), v) / turned)];
}

const DEEPEST = 40;

/** The larger side of the upright box round a stretch's hull. */
function sizeOf({ hull }: Stretch): number {
  const [xs, ys] = [hull.map(({ x }) => x), hull.map(({ y }) => y)];
  return Math.max(Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys));
}

/** Halves both segments where they are not known to be apart; what is left is polished by Newton's method. */
function search(a: Segment, b: Segment, slack: number): [number, number][] {
  const found: [number, number][] = [];
  const look = (one: Stretch, other: Stretch, depth: number): void => {
    if (found.length > 64 || leastApart(one, other) > slack) return;
    if (depth === DEEPEST || Math.max(sizeOf(one), sizeOf(other)) < 1e4 * slack) {
      found.push(polished(a, b, (one.from + one.to) / 2, (other.from + other.to) / 2));
      return;
    }
    const others = halvesOf(other);
    for (const left of halvesOf(one)) for (const right of others) look(left, right, depth + 1);
  };
  look(wholeOf(a), wholeOf(b), 0);
  return found;
}

function polished(a: Segment, b: Segment, s0: number, t0: number): [number, number] {
  let [s, t] = [s0, t0];
  for (let step = 0; step < 30; step += 1) {
    const gap = subtract(pointAt(b, t), pointAt(a, s));
    const [u, v] = [derivativeAt(a, s), derivativeAt(b, t)];
    const det = cross(u, v);
    if (Math.abs(det) <= 1e-14 * lengthOf(u) * lengthOf(v)) break;
    const [ds, dt] = [cross(gap, v) / det, cross(gap, u) / det];
    s = Math.min(1, Math.max(0, s + ds));
    t = Math.min(1, Math.max(0, t + dt));
    if (Math.abs(ds) + Math.abs(dt) < 1e-15) break;
  }
  return [s, t];
}

/**
 * Where two segments of any kinds cross or touch, in the order of the first. Lines and arcs by closed forms; with a
 * cubic by halving and Newton's method (touching points then to about the root of rounding). Stretches that two
 * segments have in common are not listed.
 * @param slack distance that counts as meeting, in the figure's unit
 */
export function crossingsOf(a: Segment, b: Segment, slack = 1e-9): Crossing[] {
  const pairs: [number, number][] =
    a.kind !== 'cubic' && b.kind !== 'cubic'
      ? simple(a, b, slack).map((p) => [parameterOf(a, p, slack), parameterOf(b, p, slack)])
      : search(a, b, slack);
  const found: Crossing[] = [];
  for (const [s, t] of pairs.sort((x, y) => x[0] - y[0])) {
    if (Number.isNaN(s) || Number.isNaN(t)) continue;
    const point = pointAt(a, s);
    if (distance(point, pointAt(b, t)) > 10 * slack) continue;
    const [u, v] = [derivativeAt(a, s), derivativeAt(b, t)];
    const touching = Math.abs(cross(u, v)) <= 1e-4 * lengthOf(u) * lengthOf(v);
    // What halving found on both sides of a cut is one meeting; touching ones spread over the root of the slack.
    const reach = touching ? Math.sqrt(slack) : 100 * slack;
    if (found.some((known) => distance(known.point, point) <= reach)) continue;
    found.push({ point, s, t, touching });
  }
  return found;
}

/** Parameters at which a segment's tangent goes through a point: (P − p) × P′ = 0, of degree four for a cubic. */
export function tangentParameters(segment: Segment, p: Point): number[] {
  if (segment.kind === 'line') return [];
  if (segment.kind === 'arc') {
    const away = subtract(p, segment.centre);
    const far = lengthOf(away);
    if (far < segment.radius) return [];
    const half = Math.acos(segment.radius / far);
    return [half, -half].flatMap((turned) => {
      const [c, s] = [Math.cos(turned), Math.sin(turned)];
      const spoke = scaleBy({ x: c * away.x - s * away.y, y: s * away.x + c * away.y }, segment.radius / far);
      const t = parameterOf(segment, add(segment.centre, spoke), 1e-12 * segment.radius);
      return Number.isNaN(t) ? [] : [t];
    });
  }
  const points = [segment.from, segment.out, segment.in, segment.to].map((q) => subtract(q, p));
  const [p0, p1, p2, p3] = points as [Point, Point, Point, Point];
  const powers = [
    p0,
    scaleBy(subtract(p1, p0), 3),
    scaleBy(add(subtract(p0, scaleBy(p1, 2)), p2), 3),
    add(subtract(p3, scaleBy(p2, 3)), subtract(scaleBy(p1, 3), p0)),
  ] as [Point, Point, Point, Point];
  const minor = (i: 0 | 1 | 2 | 3, j: 0 | 1 | 2 | 3): number => cross(powers[i], powers[j]);
  return polynomialRoots([
    minor(0, 1),
    2 * minor(0, 2),
    3 * minor(0, 3) + minor(1, 2),
    2 * minor(1, 3),
    minor(2, 3),
  ]);
}
