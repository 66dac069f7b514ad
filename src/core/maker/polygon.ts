import type { Path } from '../curve/path';
import { distance, type Point } from '../curve/point';
import { line } from '../curve/segment';
import { turn } from '../number/turn';
import { alongTurn } from '../symmetry/wedge';
import { directionTo, placePath, placePoint, type MakerHandle, type Placed } from './placed';

/** A regular polygon about `at`, its first corner straight up before it is turned. */
export interface PolygonForm extends Placed {
  readonly kind: 'polygon';
  readonly sides: number;
  /** From the middle to a corner. */
  readonly radius: number;
}

export const MOST_SIDES = 720;

export function polygonProblem({ sides, radius }: Pick<PolygonForm, 'sides' | 'radius'>): string | null {
  if (!Number.isInteger(sides) || sides < 3 || sides > MOST_SIDES)
    return `A polygon has 3 to ${MOST_SIDES} sides.`;
  return radius > 0 ? null : 'A polygon needs a radius above 0.';
}

/** The corners are at exact turns k/n; every side is 2 r sin(π/n) (any geometry text). */
export function polygonPath(form: PolygonForm): Path {
  const corners = Array.from({ length: form.sides }, (_, k) => alongTurn(turn(k, form.sides), form.radius));
  const segments = corners.map((corner, k) => line(corner, corners[(k + 1) % corners.length] ?? corner));
  return placePath(form, { closed: true, segments });
}

export const polygonHandles = (form: PolygonForm): MakerHandle[] => [
  { id: 'middle', point: form.at },
  { id: 'corner', point: placePoint(form, { x: 0, y: -form.radius }) },
];

/** The polygon with its middle or its first corner put at a point of the motif. */
export function dragPolygon(form: PolygonForm, id: string, to: Point): PolygonForm {
  if (id === 'middle') return { ...form, at: to };
  const radius = distance(form.at, to);
  return radius > 0 ? { ...form, radius, rotation: directionTo(form.at, to) } : form;
}
