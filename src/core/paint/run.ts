/**
 * The run of a gradient: where it begins and ends, and for rings that are not round, how far they reach across.
 *
 * @example
 * mappedRun(rings, { ...IDENTITY, a: 2 }).across; // rings became ellipses, twice as wide as high
 */
import { type Affine, applyTo, type Point, similarityScale } from '@/core/curve';
import type { Gradient } from '@/core/scene';

/** From the unit circle's middle and two points of it, a quarter apart, to the middle and the rim of a radial gradient. */
export function rimMap({ from, to, across }: Pick<Gradient, 'from' | 'to' | 'across'>): Affine {
  const out = { x: to.x - from.x, y: to.y - from.y };
  const aside = across ? { x: across.x - from.x, y: across.y - from.y } : { x: -out.y, y: out.x };
  return { a: out.x, b: out.y, c: aside.x, d: aside.y, e: from.x, f: from.y };
}

/** The point of a radial gradient's rim that is a quarter on from its end. */
export function acrossOf(gradient: Pick<Gradient, 'from' | 'to' | 'across'>): Point {
  const { c, d, e, f } = rimMap(gradient);
  return { x: e + c, y: f + d };
}

/** A gradient with another run, round where it is radial. */
export function withRun({ across: _, ...rest }: Gradient, from: Point, to: Point): Gradient {
  return { ...rest, from, to };
}

/** True where the rings of a radial gradient are circles, to a billionth. */
export const hasCircles = (gradient: Gradient): boolean =>
  gradient.across === undefined || similarityScale(rimMap(gradient)) !== null;

/** A linear run under a map: lines of one colour stay so, and the run is the shortest way between those of start and end. */
function linearRun(gradient: Gradient, m: Affine): Gradient {
  const [from, end] = [applyTo(m, gradient.from), applyTo(m, gradient.to)];
  const run = { x: gradient.to.x - gradient.from.x, y: gradient.to.y - gradient.from.y };
  // Along a line of one colour, after the map.
  const along = { x: -m.a * run.y + m.c * run.x, y: -m.b * run.y + m.d * run.x };
  const size = along.x ** 2 + along.y ** 2;
  if (size === 0) return { ...gradient, from, to: end };
  const share = ((end.x - from.x) * along.x + (end.y - from.y) * along.y) / size;
  return { ...gradient, from, to: { x: end.x - share * along.x, y: end.y - share * along.y } };
}

/** The run of a gradient on what is mapped; the same colour at the image of each point. */
export function mappedRun(gradient: Gradient, m: Affine): Gradient {
  if (similarityScale(m) === null) {
    if (gradient.kind === 'linear') return linearRun(gradient, m);
    const across = applyTo(m, acrossOf(gradient));
    return { ...gradient, from: applyTo(m, gradient.from), to: applyTo(m, gradient.to), across };
  }
  return movedRun(gradient, (p) => applyTo(m, p));
}

/** A run point by point; a radial one without rings that reach farther across stays round. */
export const movedRun = (gradient: Gradient, change: (p: Point) => Point): Gradient => ({
  ...gradient,
  from: change(gradient.from),
  to: change(gradient.to),
  ...(gradient.across && { across: change(gradient.across) }),
});
