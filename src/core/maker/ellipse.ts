import { finding, type Finding } from '../finding';
import { mapPath, type Path } from '../curve/path';
import { ORIGIN, point, type Point } from '../curve/point';
import { arcFromBulge } from '../curve/segment';
import { ownPoint, placePath, placePoint, type MakerHandle, type Placed } from './placed';

/** An ellipse about `at` with half-axes `rx` across and `ry` along, before it is turned. */
export interface EllipseForm extends Placed {
  readonly kind: 'ellipse';
  readonly rx: number;
  readonly ry: number;
}

export const ellipseProblem = ({ rx, ry }: Pick<EllipseForm, 'rx' | 'ry'>): Finding | null =>
  rx > 0 && ry > 0 ? null : finding('ellipse.size');

const QUARTER_BULGE = Math.tan(Math.PI / 8);

/**
 * A circle is four exact arcs from quadrant to quadrant; any other ellipse is twelve cubics within 1e-6 of
 * its size (see `cubicsOfArc`).
 */
export function ellipsePath(form: EllipseForm): Path {
  const { rx, ry } = form;
  const quarters = (r: number): Path => {
    const [top, right, bottom, left] = [point(0, -r), point(r, 0), point(0, r), point(-r, 0)];
    const arcs = (
      [
        [top, right],
        [right, bottom],
        [bottom, left],
        [left, top],
      ] as const
    ).map(([from, to]) => {
      const arc = arcFromBulge(from, to, QUARTER_BULGE);
      return arc.kind === 'arc' ? { ...arc, centre: ORIGIN, radius: r, sweep: Math.PI / 2 } : arc;
    });
    return { closed: true, segments: arcs };
  };
  if (rx === ry) return placePath(form, quarters(rx));
  return placePath(form, mapPath(quarters(1), { a: rx, b: 0, c: 0, d: ry, e: 0, f: 0 }));
}

export const ellipseHandles = (form: EllipseForm): MakerHandle[] => [
  { id: 'middle', point: form.at },
  { id: 'across', point: placePoint(form, point(form.rx, 0)) },
  { id: 'along', point: placePoint(form, point(0, -form.ry)) },
];

/** The ellipse with one handle put at a point of the motif. A circle stays one. */
export function dragEllipse(form: EllipseForm, id: string, to: Point): EllipseForm {
  if (id === 'middle') return { ...form, at: to };
  const own = ownPoint(form, to);
  const size = Math.abs(id === 'across' ? own.x : own.y);
  if (size === 0) return form;
  if (form.rx === form.ry) return { ...form, rx: size, ry: size };
  return id === 'across' ? { ...form, rx: size } : { ...form, ry: size };
}
