import { distance, dot, lengthOf, ORIGIN, scaleBy, type Point } from '../curve/point';
import { alongTurn, halfWedge } from './wedge';
import { negateTurn } from '../number/turn';

/** What a pointer can catch. */
export type SnapKind = 'centre' | 'node' | 'axis' | 'ray' | 'ring';
export const SNAP_KINDS: readonly SnapKind[] = ['centre', 'axis', 'ray', 'ring', 'node'];

export interface SnapTargets {
  readonly fold: number;
  /** Distance from ring line to ring line, in the figure's unit. */
  readonly ringStep: number;
  readonly nodes: readonly Point[];
  readonly on: ReadonlySet<SnapKind>;
}

export interface Snapped {
  readonly point: Point;
  readonly caught: readonly SnapKind[];
  /** The caught ring's distance from the centre, where one was caught. */
  readonly ring: number | null;
}

interface Ray {
  readonly kind: 'axis' | 'ray';
  /** Unit direction from the centre outward. */
  readonly direction: Point;
}

function raysOf(targets: SnapTargets): Ray[] {
  const half = halfWedge({ fold: targets.fold });
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

/**
 * Where a point in motif coordinates goes when what lies within `tolerance` of it catches it. The centre and
 * nodes win over lines; a ray or the axis together with a ring line is caught at their crossing; among
 * lines of one sort the nearest wins.
 */
export function snap(p: Point, targets: SnapTargets, tolerance: number): Snapped {
  if (targets.on.has('centre') && lengthOf(p) <= tolerance) {
    return { point: ORIGIN, caught: ['centre'], ring: null };
  }
  if (targets.on.has('node')) {
    const node = targets.nodes.reduce<Point | null>((best, q) => {
      const away = distance(p, q);
      return away <= tolerance && (!best || away < distance(p, best)) ? q : best;
    }, null);
    if (node) return { point: node, caught: ['node'], ring: null };
  }

  const r = lengthOf(p);
  const nearestRing = Math.round(r / targets.ringStep) * targets.ringStep;
  const ring =
    targets.on.has('ring') && nearestRing > 0 && Math.abs(r - nearestRing) <= tolerance ? nearestRing : null;
  const ray = raysOf(targets).reduce<Ray | null>((best, candidate) => {
    const offset = (one: Ray) => distance(p, scaleBy(one.direction, footOn(one, p)));
    return offset(candidate) <= tolerance && (!best || offset(candidate) < offset(best)) ? candidate : best;
  }, null);

  if (ray && ring !== null) {
    const side = Math.sign(footOn(ray, p)) || 1;
    return { point: scaleBy(ray.direction, ring * side), caught: [ray.kind, 'ring'], ring };
  }
  if (ray) return { point: scaleBy(ray.direction, footOn(ray, p)), caught: [ray.kind], ring: null };
  if (ring !== null) return { point: scaleBy(p, ring / r), caught: ['ring'], ring };
  return { point: p, caught: [], ring: null };
}

/** A round step (1, 2 or 5 times a power of ten) that parts a radius into at most `most` rings. */
export function ringStepFor(radius: number, most = 10): number {
  const rough = radius / most;
  const power = 10 ** Math.floor(Math.log10(rough));
  return ([1, 2, 5, 10].find((factor) => factor * power >= rough * (1 - 1e-12)) ?? 10) * power;
}
