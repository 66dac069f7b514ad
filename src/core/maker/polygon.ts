import { finding, type Finding } from '../finding';
import type { Path } from '../curve/path';
import { distance, type Point } from '../curve/point';
import { turn } from '../number/turn';
import { MOST_CORNERS_WITH_ALL } from '../symmetry/frame';
import { alongTurn } from '../symmetry/wedge';
import { lineOf, polygonOf } from './construction';
import { directionTo, placePath, placePoint, type MakerHandle, type Placed } from './placed';

/** A regular polygon about `at`, its first corner straight up before it is turned. */
export interface PolygonForm extends Placed {
  readonly kind: 'polygon';
  readonly sides: number;
  /** From the middle to a corner. */
  readonly radius: number;
  /** Diagonals drawn with it, as lines: the longest ones, or all; none where this is left out. */
  readonly diagonals?: 'long' | 'all';
}

export const MOST_SIDES = 720;

export function polygonProblem({
  sides,
  radius,
  diagonals,
}: Pick<PolygonForm, 'sides' | 'radius' | 'diagonals'>): Finding | null {
  if (!Number.isInteger(sides) || sides < 3 || sides > MOST_SIDES)
    return finding('polygon.sides', MOST_SIDES);
  if (diagonals === 'all' && sides > MOST_CORNERS_WITH_ALL)
    return finding('polygon.diagonals', MOST_CORNERS_WITH_ALL);
  return radius > 0 ? null : finding('polygon.radius');
}

/**
 * The polygon and its diagonals. The corners are at exact turns k/n; every side is 2 r sin(π/n); the longest
 * diagonals join each corner to the one or two farthest from it, and there are n (n − 3) / 2 in all (any
 * geometry text).
 */
export function polygonPaths(form: PolygonForm): Path[] {
  const n = form.sides;
  const corners = Array.from({ length: n }, (_, k) => alongTurn(turn(k, n), form.radius));
  const paths = [polygonOf(corners)];
  if (form.diagonals) {
    for (let a = 0; a < n; a += 1)
      for (let b = a + 2; b < n; b += 1) {
        const apart = Math.min(b - a, n - b + a);
        if (apart > 1 && (form.diagonals === 'all' || apart === Math.floor(n / 2)))
          paths.push(lineOf(corners[a] as Point, corners[b] as Point));
      }
  }
  return paths.map((path) => placePath(form, path));
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
