import type { Work } from '@/core/derive';
import {
  applyTo,
  boxOfPaths,
  determinant,
  distance,
  inverse,
  isInBounds,
  MIRROR,
  nearestOnPath,
  nodesOfContours,
  pathsOfContours,
  type Point,
  pointAt,
  windingNumber,
} from '@/core/curve';
import { handlesOfForm, makerOf, pathsOfForm } from '@/core/maker';
import { type Placement, placementMap } from '@/core/symmetry';
import { liesInStrip, straightOf } from './bent';
import { resolvedMotif } from './combined';
import { copiesOf } from './copies';
import { isFree } from './groups';
import { swallowedRounds } from './jobs';
import type { Figure, Round, Shape, ShapeId, RoundId } from './model';

/** True where a point is on what a shape paints, or within `tolerance` of it. */
function hitsShape(shape: Shape, p: Point, tolerance: number, work: Work): boolean {
  const paths = pathsOfForm(shape.form, work);
  const reach = tolerance + (shape.paint.stroke?.width ?? 0) / 2;
  if (!isInBounds(boxOfPaths(paths), p, reach)) return false;
  if (shape.paint.fill) {
    const winding = paths
      .filter(({ closed }) => closed)
      .reduce((sum, path) => sum + windingNumber(path, p, tolerance / 4), 0);
    if (shape.rule === 'evenodd' ? winding % 2 !== 0 : winding !== 0) return true;
  }
  return paths.some((path) => (nearestOnPath(path, p)?.distance ?? Infinity) <= reach);
}

export interface MotifHit {
  readonly shapeId: ShapeId;
  /** The point is on the reflected half. */
  readonly mirrored: boolean;
}

/** Whether a shape is at a point, or its reflection in a mirrored round; null where it is not. */
function hitOf(round: Round, shape: Shape, p: Point, tolerance: number, work: Work): MotifHit | null {
  if (hitsShape(shape, p, tolerance, work)) return { shapeId: shape.id, mirrored: false };
  const isReflected = round.rule.mirror && hitsShape(shape, applyTo(MIRROR, p), tolerance, work);
  return isReflected ? { shapeId: shape.id, mirrored: true } : null;
}

/**
 * The frontmost shape of a round at a point of its motif; locked and hidden ones are passed over. Of what is combined it is the one that is
 * there; what is cut away, or cuts, is found where nothing that is seen is.
 */
export function hitMotif(round: Round, p: Point, tolerance: number, work: Work): MotifHit | null {
  const { shapes } = round;
  const own = new Map(shapes.map((shape) => [shape.id, shape]));
  const frontmost = (list: readonly Shape[]): MotifHit | null => {
    for (const shape of [...list].reverse()) {
      const hit = isFree(shape) && hitOf(round, shape, p, tolerance, work);
      if (hit) return hit;
    }
    return null;
  };
  for (const { shape, ids } of [...resolvedMotif(round, work)].reverse()) {
    const members = ids.flatMap((id) => own.get(id) ?? []).filter(isFree);
    const [first] = members;
    const seen = first && shape.visible ? hitOf(round, shape, p, tolerance, work) : null;
    if (!seen || !first) continue;
    if (shape === first) return seen;
    // What is bent is not where it lies: it is known by its name.
    if (liesInStrip(round, first)) return { ...seen, shapeId: (straightOf(members, shape.id) ?? first).id };
    const member = frontmost(members);
    if (member) return member;
    return { ...seen, shapeId: members.find(({ id }) => id === shape.id)?.id ?? first.id };
  }
  return frontmost(shapes);
}

export interface FigureHit {
  readonly roundId: RoundId;
  readonly shapeId: ShapeId;
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

/** Middles of the sides of a shape, at most so many as can be told apart. */
const middlesOf = (shape: Shape, work: Work): Point[] =>
  pathsOfForm(shape.form, work)
    .flatMap(({ segments }) => segments)
    .slice(0, MOST_POINTS)
    .map((segment) => pointAt(segment, 0.5));

const nearestTo = (p: Point, places: readonly Point[], reach: number): Point | null =>
  places.reduce<{ at: Point | null; away: number }>(
    (best, at) => (distance(at, p) <= best.away ? { at, away: distance(at, p) } : best),
    { at: null, away: reach },
  ).at;

/**
 * The point that shapes are held at where they are pressed: a corner or handle there, the middle of a side, or the place on an outline;
 * null where it is none of these.
 * @param near how near to a point, and how near to an outline, in the figure's unit
 */
export function holdAt(
  shapes: readonly Shape[],
  p: Point,
  near: { readonly point: number; readonly outline: number },
  work: Work,
): Point | null {
  const points = shapes.flatMap((shape) => [...pointsOfShape(shape, work), ...middlesOf(shape, work)]);
  const feet = shapes
    .flatMap((shape) => pathsOfForm(shape.form, work))
    .flatMap((path) => nearestOnPath(path, p)?.point ?? []);
  return nearestTo(p, points, near.point) ?? nearestTo(p, feet, near.outline);
}
