import type { Work } from '../derive';
import { applyTo, determinant, inverse, MIRROR } from '../curve/affine';
import { boxOfPaths } from '../curve/bounds';
import { nodesOfContours, pathsOfContours } from '../curve/contours';
import { nearestOnPath } from '../curve/nearest';
import type { Point } from '../curve/point';
import { windingNumber } from '../curve/winding';
import { handlesOfForm, pathsOfForm } from '../maker/form';
import { makerOf } from '../maker/makers';
import { placementMap, type Placement } from '../symmetry/rule';
import { copiesOf } from './copies';
import { swallowedRounds } from './jobs';
import type { Figure, Round, Shape } from './model';

/** True where a point is on what a shape paints, or within `tolerance` of it. */
function hitsShape(shape: Shape, p: Point, tolerance: number, work: Work): boolean {
  const paths = pathsOfForm(shape.form, work);
  const reach = tolerance + (shape.paint.stroke?.width ?? 0) / 2;
  const box = boxOfPaths(paths);
  if (
    p.x < box.left - reach ||
    p.x > box.right + reach ||
    p.y < box.top - reach ||
    p.y > box.bottom + reach
  ) {
    return false;
  }
  if (shape.paint.fill) {
    const winding = paths
      .filter(({ closed }) => closed)
      .reduce((sum, path) => sum + windingNumber(path, p, tolerance / 4), 0);
    if (shape.rule === 'evenodd' ? winding % 2 !== 0 : winding !== 0) return true;
  }
  return paths.some((path) => (nearestOnPath(path, p)?.distance ?? Infinity) <= reach);
}

export interface MotifHit {
  readonly shapeId: string;
  /** The point is on the reflected half. */
  readonly mirrored: boolean;
}

/** The frontmost shape of a round at a point of its motif; locked and hidden ones are passed over. */
export function hitMotif(round: Round, p: Point, tolerance: number, work: Work): MotifHit | null {
  const reflected = applyTo(MIRROR, p);
  for (const shape of [...round.shapes].reverse()) {
    if (!shape.visible || shape.locked) continue;
    if (hitsShape(shape, p, tolerance, work)) return { shapeId: shape.id, mirrored: false };
    if (round.rule.mirror && hitsShape(shape, reflected, tolerance, work))
      return { shapeId: shape.id, mirrored: true };
  }
  return null;
}

export interface FigureHit {
  readonly roundId: string;
  readonly shapeId: string;
  readonly placement: Placement;
}

/** The frontmost shape of a figure at a point, and the copy that it belongs to. */
export function hitFigure(figure: Figure, p: Point, tolerance: number, work: Work): FigureHit | null {
  const swallowed = swallowedRounds(figure);
  for (const round of [...figure.rounds].reverse()) {
    if (swallowed.has(round.id)) continue;
    if (!round.visible || round.locked || round.shapes.length === 0) continue;
    for (const { turn, transform } of [...copiesOf(round, work)].reverse()) {
      const map = placementMap({ turn, transform, mirrored: false });
      const own = applyTo(inverse(map), p);
      const hit = hitMotif(round, own, tolerance / Math.sqrt(Math.abs(determinant(map))), work);
      if (hit)
        return {
          roundId: round.id,
          shapeId: hit.shapeId,
          placement: { turn, mirrored: hit.mirrored, ...(transform && { transform }) },
        };
    }
  }
  return null;
}

/** No shape offers more points than this to snap to. */
const MOST_POINTS = 2000;

/** The points of a shape that others snap to: its nodes, or a maker's handles and corners. */
export function pointsOfShape(shape: Shape, work: Work): Point[] {
  if (shape.form.kind === 'path') return nodesOfContours(shape.form.contours).map(({ x, y }) => ({ x, y }));
  const ends = pathsOfForm(shape.form, work).flatMap(({ segments }) => segments.map(({ from }) => from));
  const corners = makerOf(shape.form.kind).isWithoutCorners ? [] : ends;
  return [...handlesOfForm(shape.form, work).map(({ point }) => point), ...corners.slice(0, MOST_POINTS)];
}

/** Where a shape is held when it is moved: a maker's origin, else the middle of its box. */
export function anchorOf(shape: Shape): Point {
  if (shape.form.kind !== 'path') return shape.form.at;
  const box = boxOfPaths(pathsOfContours(shape.form.contours));
  return { x: (box.left + box.right) / 2, y: (box.top + box.bottom) / 2 };
}
