import { cross, distance, dot, lengthOf, subtract } from './point';
import type { Segment } from './segment';

/** Two segments as one, where both are of the same line or circle and run on; null where they are not. */
export function joined(a: Segment, b: Segment): Segment | null {
  if (a.kind === 'line' && b.kind === 'line') {
    const [u, v] = [subtract(a.to, a.from), subtract(b.to, b.from)];
    const whole = { kind: 'line' as const, from: a.from, to: b.to };
    const away = Math.abs(cross(u, subtract(b.to, a.from))) / (lengthOf(subtract(b.to, a.from)) || 1);
    return dot(u, v) > 0 && away <= 1e-11 * (lengthOf(u) + lengthOf(v)) ? whole : null;
  }
  if (a.kind === 'arc' && b.kind === 'arc' && a.sweep > 0 === b.sweep > 0) {
    const same =
      distance(a.centre, b.centre) <= 1e-11 * a.radius && Math.abs(a.radius - b.radius) <= 1e-11 * a.radius;
    const sweep = a.sweep + b.sweep;
    return same && Math.abs(sweep) <= Math.PI * (1 + 1e-12) ? { ...a, to: b.to, sweep } : null;
  }
  return null;
}
