/**
 * What a pointer catches: centre, nodes, rays, rings, crossings, curves.
 *
 * @example
 * const { point, caught } = snap(pointer, { fold: 12, mirror: true, nodes, ringStep: 10, on }, 5 / view.scale);
 */
import {
  add,
  arcLength,
  between,
  type Bounds,
  boundsOfSegment,
  cross,
  crossingsOf,
  distance,
  dot,
  extremaOf,
  isInBounds,
  lengthOf,
  line,
  nearestOnPath,
  ORIGIN,
  partOf,
  type Point,
  pointAt,
  scaleBy,
  type Segment,
  subtract,
  tangentParameters,
} from '@/core/curve';
import { remembered } from '@/core/remembered';
import { alongTurn, halfWedge, type Wedge } from './wedge';
import { negateTurn } from '@/core/number';

/** What a pointer can catch. */
export type SnapKind =
  | 'centre'
  | 'node'
  | 'crossing'
  | 'midpoint'
  | 'quadrant'
  | 'touch'
  | 'spacing'
  | 'axis'
  | 'ray'
  | 'ring'
  | 'frame'
  | 'curve';
export const SNAP_KINDS: readonly SnapKind[] = [
  'centre',
  'axis',
  'ray',
  'ring',
  'frame',
  'node',
  'crossing',
  'midpoint',
  'quadrant',
  'touch',
  'spacing',
  'curve',
];

/** A stretch of a curve that can be caught: of the frame, or of the artwork. */
export interface SnapCurve {
  readonly kind: 'frame' | 'curve';
  /** What it is called in the readout. */
  readonly name: string;
  readonly segment: Segment;
  readonly box: Bounds;
}

export interface SnapTargets extends Wedge {
  /** Distance from ring line to ring line, in the figure's unit. */
  readonly ringStep: number;
  readonly nodes: readonly Point[];
  readonly curves?: readonly SnapCurve[];
  /** Places that are evenly spaced with what is there, and with what. */
  readonly spaced?: readonly { readonly point: Point; readonly what: string }[];
  /** Where the line that is being drawn begins: tangent and square from there can be caught. */
  readonly origin?: Point | undefined;
  readonly on: ReadonlySet<SnapKind>;
}

export interface Snapped {
  readonly point: Point;
  readonly caught: readonly SnapKind[];
  /** The caught ring's distance from the centre, where one was caught. */
  readonly ring: number | null;
  /** What was caught of the frame or the artwork, in words. */
  readonly what?: string | undefined;
}

interface Ray {
  readonly kind: 'axis' | 'ray';
  /** Unit direction from the centre outward. */
  readonly direction: Point;
}

function raysOf(targets: SnapTargets): Ray[] {
  const half = halfWedge(targets);
  const rays: Ray[] = [];
  if (targets.on.has('axis')) rays.push({ kind: 'axis', direction: { x: 0, y: -1 } });
  if (targets.on.has('ray') && targets.fold > 1) {
    rays.push({ kind: 'ray', direction: alongTurn(half, 1) });
    rays.push({ kind: 'ray', direction: alongTurn(negateTurn(half), 1) });
  }
  return rays;
}

/** Along the axis both ways, along a ray outward only. */
const footOn = (ray: Ray, p: Point): number => {
  const along = dot(p, ray.direction);
  return ray.kind === 'ray' ? Math.max(0, along) : along;
};

const isNear = ({ box }: SnapCurve, p: Point, tolerance: number): boolean => isInBounds(box, p, tolerance);

/** Axis, rays and the nearest ring line as curves, so that what crosses them can be caught. */
function ownLines(p: Point, targets: SnapTargets, ring: number | null): SnapCurve[] {
  const far = 4 * lengthOf(p) + 1;
  const lines = raysOf(targets).map(({ kind, direction }): SnapCurve => {
    const from = kind === 'axis' ? scaleBy(direction, -far) : ORIGIN;
    return curveOf('frame', kind === 'axis' ? 'the axis' : 'a ray', line(from, scaleBy(direction, far)));
  });
  if (ring === null) return lines;
  const half = { kind: 'arc' as const, centre: ORIGIN, radius: ring, sweep: Math.PI };
  const [top, bottom] = [
    { x: 0, y: -ring },
    { x: 0, y: ring },
  ];
  return [
    ...lines,
    curveOf('frame', 'a ring line', { ...half, from: top, to: bottom }),
    curveOf('frame', 'a ring line', { ...half, from: bottom, to: top }),
  ];
}

export const curveOf = (kind: SnapCurve['kind'], name: string, segment: Segment): SnapCurve => ({
  kind,
  name,
  segment,
  box: boundsOfSegment(segment),
});

/** How far a point is from the axis or a ray. */
const offsetFrom = (ray: Ray, p: Point): number => distance(p, scaleBy(ray.direction, footOn(ray, p)));

interface Candidate {
  readonly point: Point;
  readonly kind: SnapKind;
  readonly what?: string;
}

/** The special points of what is near: crossings, midpoints, quadrants, tangent and square from the origin. */
function pointsNear(
  near: readonly SnapCurve[],
  own: readonly SnapCurve[],
  targets: SnapTargets,
): Candidate[] {
  const { on, origin } = targets;
  const found: Candidate[] = [];
  if (on.has('crossing')) {
    const others = [...near, ...own];
    near.forEach((a, k) => {
      const known = crossingsFrom(a.segment);
      for (const b of others.slice(k + 1))
        for (const { point } of known(b.segment))
          found.push({
            point,
            kind: 'crossing',
            what: a.name === b.name ? a.name : `${a.name} and ${b.name}`,
          });
    });
  }
  for (const { segment, name } of near) {
    if (on.has('midpoint'))
      found.push({ point: pointAt(segment, halfWayOf(segment)), kind: 'midpoint', what: name });
    if (on.has('quadrant') && segment.kind === 'arc')
      for (const t of [0, ...extremaOf(segment), 1]) {
        const point = pointAt(segment, t);
        const [x, y] = [Math.abs(point.x - segment.centre.x), Math.abs(point.y - segment.centre.y)];
        if (Math.min(x, y) < 1e-9 * segment.radius) found.push({ point, kind: 'quadrant', what: name });
      }
    if (on.has('touch') && origin) {
      for (const t of tangentParameters(segment, origin))
        if (t >= 0 && t <= 1)
          found.push({ point: pointAt(segment, t), kind: 'touch', what: `tangent to ${name}` });
      const foot = nearestOnPath({ closed: false, segments: [segment] }, origin);
      if (foot && foot.t > 0 && foot.t < 1 && foot.distance > 0)
        found.push({ point: foot.point, kind: 'touch', what: `square to ${name}` });
    }
  }
  return found;
}

/** The parameter of the middle by length. */
function halfWay(segment: Segment): number {
  if (segment.kind !== 'cubic') return 0.5;
  const half = arcLength(segment) / 2;
  let [low, high] = [0, 1];
  for (let step = 0; step < 40; step += 1) {
    const t = (low + high) / 2;
    if (arcLength(partOf(segment, 0, t)) < half) low = t;
    else high = t;
  }
  return (low + high) / 2;
}

// The same curves are near for many moves of the pointer.
const halfWayOf = remembered(halfWay);
const crossingsFrom = remembered((a: Segment) => remembered((b: Segment) => crossingsOf(a, b)));

/** Those of points that are within the tolerance, the nearest first. */
const within = <T extends { readonly point: Point }>(
  p: Point,
  points: readonly T[],
  tolerance: number,
): T[] =>
  points
    .map((candidate) => ({ candidate, away: distance(p, candidate.point) }))
    .filter(({ away }) => away <= tolerance)
    .sort((a, b) => a.away - b.away)
    .map(({ candidate }) => candidate);

/** Nearer to each other than this part of the tolerance, two candidates are one. */
const SAME = 1e-6;

/**
 * All that a point in motif coordinates can catch within `tolerance` of it, what it catches by itself first. The centre wins, then
 * nodes, then crossings, quadrants, middles, touching points and even spacing, the nearest of them, unless the point is right on
 * the axis or a ray and four times as far from them; then the axis, rays and ring lines, at their crossing where both are
 * near; then the frame and curves of the artwork. Where nothing is near, the list holds the point itself.
 */
export function snapCandidates(p: Point, targets: SnapTargets, tolerance: number): Snapped[] {
  const { on } = targets;
  const rays = raysOf(targets)
    .map((candidate) => ({ ray: candidate, off: offsetFrom(candidate, p) }))
    .filter(({ off }) => off <= tolerance)
    .sort((a, b) => a.off - b.off)
    .map((each) => each.ray);
  const [ray = null] = rays;
  /** True where a point this far off gives way to the axis or a ray that the pointer is right on. */
  const yields = (at: Point): boolean => {
    const away = distance(p, at);
    return ray !== null && away > tolerance / 4 && offsetFrom(ray, p) <= away / 4;
  };
  const first: Snapped[] = [];
  const later: Snapped[] = [];
  const take = (list: readonly Snapped[]): void => {
    const [nearest] = list;
    if (nearest) (yields(nearest.point) ? later : first).push(...list);
  };
  if (on.has('centre') && lengthOf(p) <= tolerance)
    first.push({ point: ORIGIN, caught: ['centre'], ring: null });
  if (on.has('node')) {
    const nodes = targets.nodes
      .filter((point) => distance(p, point) <= tolerance)
      .map((point): Snapped => ({ point, caught: ['node'], ring: null }));
    take(within(p, nodes, tolerance));
  }

  const r = lengthOf(p);
  const nearestRing = Math.round(r / targets.ringStep) * targets.ringStep;
  const ring =
    on.has('ring') && nearestRing > 0 && Math.abs(r - nearestRing) <= tolerance ? nearestRing : null;
  const near = (targets.curves ?? []).filter(
    (curve) => (on.has(curve.kind) || on.has('crossing')) && isNear(curve, p, tolerance),
  );
  const feet = near.flatMap((curve) => {
    const foot = nearestOnPath({ closed: false, segments: [curve.segment] }, p);
    return foot && foot.distance <= tolerance ? [{ point: foot.point, curve }] : [];
  });
  const close = feet.map(({ curve }) => curve);
  const spaced = on.has('spacing') ? (targets.spaced ?? []) : [];
  const special = [
    ...pointsNear(close, ownLines(p, targets, ring), targets),
    ...spaced.map(({ point, what }): Candidate => ({ point, what, kind: 'spacing' })),
  ].map(({ point, kind, what }): Snapped => ({ point, caught: [kind], ring: null, what }));
  take(within(p, special, tolerance));

  for (const each of rays) {
    const along = footOn(each, p);
    if (ring !== null) {
      const side = Math.sign(along) || 1;
      first.push({ point: scaleBy(each.direction, ring * side), caught: [each.kind, 'ring'], ring });
    }
    first.push({ point: scaleBy(each.direction, along), caught: [each.kind], ring: null });
  }
  const onRing: Snapped[] = ring === null ? [] : [{ point: scaleBy(p, ring / r), caught: ['ring'], ring }];
  const onCurves = feet
    .filter(({ curve }) => on.has(curve.kind))
    .map(({ point, curve }): Snapped => ({ point, caught: [curve.kind], ring: null, what: curve.name }));
  const found = [...first, ...within(p, [...onRing, ...onCurves], tolerance), ...later];
  const apart = found.filter(
    ({ point }, k) => !found.slice(0, k).some((other) => distance(other.point, point) <= SAME * tolerance),
  );
  return apart.length > 0 ? apart : [{ point: p, caught: [], ring: null }];
}

/** The point of a line that is nearest to a point. @param direction of length 1 */
export const footOnLine = (p: Point, from: Point, direction: Point): Point =>
  add(from, scaleBy(direction, dot(subtract(p, from), direction)));

/**
 * All that a point can catch that is held to a line, within `tolerance` of its foot on that line, the nearest first: where the line meets
 * the axis, rays, ring lines, the frame and curves of the artwork, and nodes that lie on it. Where nothing is near, the foot itself.
 * @param from a point of the line
 * @param direction of length 1
 */
export function snapAlong(
  p: Point,
  from: Point,
  direction: Point,
  targets: SnapTargets,
  tolerance: number,
): Snapped[] {
  const { on } = targets;
  const foot = footOnLine(p, from, direction);
  const reach = scaleBy(direction, 2 * tolerance);
  const stretch = line(subtract(foot, reach), add(foot, reach));
  const isOnLine = (at: Point): boolean =>
    Math.abs(cross(subtract(at, from), direction)) <= SAME * tolerance && distance(at, foot) <= tolerance;
  const found: Snapped[] = [];
  if (on.has('centre') && isOnLine(ORIGIN)) found.push({ point: ORIGIN, caught: ['centre'], ring: null });
  if (on.has('node'))
    for (const point of targets.nodes)
      if (isOnLine(point)) found.push({ point, caught: ['node'], ring: null });
  const meets = (segment: Segment): Point[] => crossingsOf(stretch, segment).map(({ point }) => point);
  const far = 2 * (lengthOf(foot) + tolerance);
  for (const { kind, direction: way } of raysOf(targets)) {
    const start = kind === 'axis' ? scaleBy(way, -far) : ORIGIN;
    for (const point of meets(line(start, scaleBy(way, far))))
      found.push({ point, caught: [kind], ring: null });
  }
  const ring = Math.round(lengthOf(foot) / targets.ringStep) * targets.ringStep;
  if (on.has('ring') && ring > 0)
    for (const { segment } of ownLines(foot, { ...targets, on: new Set() }, ring))
      for (const point of meets(segment)) found.push({ point, caught: ['ring'], ring });
  for (const { kind, name, segment, box } of targets.curves ?? [])
    if (on.has(kind) && isNear({ kind, name, segment, box }, foot, 2 * tolerance))
      for (const point of meets(segment)) found.push({ point, caught: [kind], ring: null, what: name });
  const near = within(foot, found, tolerance);
  return near.length > 0 ? near : [{ point: foot, caught: [], ring: null }];
}

/** What a point catches by itself: the first of its candidates. */
export const snap = (p: Point, targets: SnapTargets, tolerance: number): Snapped =>
  snapCandidates(p, targets, tolerance)[0] ?? { point: p, caught: [], ring: null };

/** No more shapes than this are looked at for even spacing: the nearest ones. */
const MOST_SPACED = 16;

/**
 * Places that are evenly spaced with two others: in the middle between them, or as far beyond one as it is from the other.
 * @param anchors where shapes are held, with their names
 */
export function spacedPlaces(
  p: Point,
  anchors: readonly { readonly point: Point; readonly name: string }[],
): { point: Point; what: string }[] {
  const near = anchors
    .map((anchor) => ({ ...anchor, away: distance(p, anchor.point) }))
    .sort((a, b) => a.away - b.away)
    .slice(0, MOST_SPACED);
  return near.flatMap((a, k) =>
    near.slice(k + 1).flatMap((b) => {
      if (distance(a.point, b.point) === 0) return [];
      const what = `${a.name} and ${b.name}`;
      return [
        between(a.point, b.point, 0.5),
        between(a.point, b.point, 2),
        between(a.point, b.point, -1),
      ].map((point) => ({ point, what }));
    }),
  );
}

/** A round step (1, 2 or 5 times a power of ten) that parts a radius into at most `most` rings. */
export function ringStepFor(radius: number, most = 10): number {
  const rough = radius / most;
  const power = 10 ** Math.floor(Math.log10(rough));
  return ([1, 2, 5, 10].find((factor) => factor * power >= rough * (1 - 1e-12)) ?? 10) * power;
}
