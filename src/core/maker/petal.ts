import { finding, type Finding } from '../finding';
import type { Path } from '../curve/path';
import { distance, ORIGIN, point, type Point } from '../curve/point';
import { arcFromBulge } from '../curve/segment';
import { directionTo, ownPoint, placePath, placePoint, type MakerHandle, type Placed } from './placed';

/** A petal's numbers: by its own length and width, or as what two equal circles share. */
export type PetalSize =
  | { readonly by: 'size'; readonly length: number; readonly width: number }
  | { readonly by: 'circles'; readonly radius: number; readonly apart: number };

/** A petal: two equal arcs from its base (at `at`) to its tip, the tip upward before it is turned. */
export interface PetalForm extends Placed {
  readonly kind: 'petal';
  readonly size: PetalSize;
}

/**
 * Length and width of a petal, in the figure's unit. For circles of radius r with centres d apart, length
 * √(4r² − d²) and width 2r − d. Source: Weisstein, "Circle-Circle Intersection", MathWorld.
 */
export function petalExtent(size: PetalSize): { length: number; width: number } {
  if (size.by === 'size') return { length: size.length, width: size.width };
  const { radius, apart } = size;
  return { length: Math.sqrt(4 * radius * radius - apart * apart), width: 2 * radius - apart };
}

/** The two circles of a petal: r = (l² + w²) / 4w from chord and sagitta, centres 2r − w apart. */
export function petalCircles(size: PetalSize): { radius: number; apart: number } {
  if (size.by === 'circles') return { radius: size.radius, apart: size.apart };
  const radius = (size.length ** 2 + size.width ** 2) / (4 * size.width);
  return { radius, apart: 2 * radius - size.width };
}

/** Why these numbers make no petal, or null where they make one. */
export function petalProblem(size: PetalSize): Finding | null {
  if (size.by === 'size') {
    return size.length > 0 && size.width > 0 ? null : finding('petal.size');
  }
  if (!(size.radius > 0)) return finding('petal.radius');
  return size.apart > 0 && size.apart < 2 * size.radius ? null : finding('petal.apart', 2 * size.radius);
}

export function petalPath(form: PetalForm): Path {
  const { length, width } = petalExtent(form.size);
  const tip = point(0, -length);
  const bulge = width / length;
  return placePath(form, {
    closed: true,
    segments: [arcFromBulge(ORIGIN, tip, bulge), arcFromBulge(tip, ORIGIN, bulge)],
  });
}

export function petalHandles(form: PetalForm): MakerHandle[] {
  const { length, width } = petalExtent(form.size);
  return [
    { id: 'base', point: form.at },
    { id: 'tip', point: placePoint(form, point(0, -length)) },
    { id: 'right', point: placePoint(form, point(width / 2, -length / 2)) },
    { id: 'left', point: placePoint(form, point(-width / 2, -length / 2)) },
  ];
}

/** A size with another length and width, given in the same way as before. */
function resized(size: PetalSize, length: number, width: number): PetalSize {
  const plain: PetalSize = { by: 'size', length, width };
  return size.by === 'size' ? plain : { by: 'circles', ...petalCircles(plain) };
}

/** The petal with one handle put at a point of the motif; the same petal where that makes none. */
export function dragPetal(form: PetalForm, id: string, to: Point): PetalForm {
  const { length, width } = petalExtent(form.size);
  const tip = placePoint(form, point(0, -length));
  if (id === 'base' || id === 'tip') {
    const [base, end] = id === 'base' ? [to, tip] : [form.at, to];
    const long = distance(base, end);
    if (long === 0) return form;
    return { ...form, at: base, rotation: directionTo(base, end), size: resized(form.size, long, width) };
  }
  const wide = 2 * Math.abs(ownPoint(form, to).x);
  return wide > 0 ? { ...form, size: resized(form.size, length, wide) } : form;
}

export function scaledPetal(size: PetalSize, factor: number): PetalSize {
  return size.by === 'size'
    ? { ...size, length: size.length * factor, width: size.width * factor }
    : { ...size, radius: size.radius * factor, apart: size.apart * factor };
}
