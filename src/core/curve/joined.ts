import { add, cross, distance, dot, lengthOf, scaleBy, subtract } from './point';
import { cubic, splitAt, type CubicSegment, type Segment } from './segment';

/** Two segments as one, where both are of the same line, circle or curve and run on; null where they are not. */
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
  return a.kind === 'cubic' && b.kind === 'cubic' ? joinedCubics(a, b) : null;
}

/** The third difference of a cubic's points, a sixth of its third derivative: the same all along it. */
const thirdOf = ({ from, out, in: into, to }: CubicSegment): number =>
  lengthOf(add(subtract(to, from), scaleBy(subtract(out, into), 3)));

/**
 * At which share a cubic was cut in two, by the lengths of the handles at the cut; where it turns back there and they have none, by the third
 * differences of the parts, which are as its cube.
 */
function shareOf(a: CubicSegment, b: CubicSegment): number {
  const [before, after] = [distance(a.in, a.to), distance(b.from, b.out)];
  const size = distance(a.from, a.to) + distance(b.from, b.to);
  if (Math.min(before, after) > 1e-9 * size) return before / (before + after);
  const [first, second] = [Math.cbrt(thirdOf(a)), Math.cbrt(thirdOf(b))];
  return first / (first + second);
}

/**
 * The cubic of which two are the parts, where they are: by de Casteljau's construction the handles at the cut are as λ to
 * 1 − λ, and λ and 1 − λ of what the whole one's are at its ends.
 */
function joinedCubics(a: CubicSegment, b: CubicSegment): Segment | null {
  const share = shareOf(a, b);
  if (!(share > 0 && share < 1)) return null;
  const whole = cubic(
    a.from,
    add(a.from, scaleBy(subtract(a.out, a.from), 1 / share)),
    add(b.to, scaleBy(subtract(b.in, b.to), 1 / (1 - share))),
    b.to,
  );
  const [first, second] = splitAt(whole, share) as [CubicSegment, CubicSegment];
  const size =
    distance(a.from, a.to) + distance(b.from, b.to) + distance(a.in, a.to) + distance(b.from, b.out);
  const off = Math.max(
    distance(first.in, a.in),
    distance(first.to, a.to),
    distance(second.out, b.out),
    distance(second.to, b.to),
  );
  return off <= 1e-10 * size ? whole : null;
}
