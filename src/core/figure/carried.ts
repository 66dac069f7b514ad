import { type Affine, moveMap, type Point } from '@/core/curve';
import { type Form, movedForm } from '@/core/maker';
import { carriedPaint } from '@/core/paint';
import { allShapes, withStripsMoved } from './bent';
import type { Round, Shape, ShapeId } from './model';

/** True where shapes are all of a motif: what is laid over the motif then goes with them. */
export const isWholeMotif = ({ shapes }: Round, shapeIds: ReadonlySet<ShapeId>): boolean =>
  shapes.every(({ id }) => shapeIds.has(id));

/** A shape whose form has changed its place by a map, with the gradients that go with it. */
export const carriedShape = (shape: Shape, form: Form, m: Affine, whole: boolean): Shape => ({
  ...shape,
  form,
  paint: carriedPaint(shape.paint, m, whole),
});

export const movedShape = (shape: Shape, by: Point, whole: boolean): Shape =>
  carriedShape(shape, movedForm(shape.form, by), moveMap(by), whole);

/**
 * A round with some of its shapes moved; a strip that is all among them keeps its straight drawing and is bent elsewhere.
 * @param whole whether what is laid over the motif goes with them
 */
export function movedShapes(
  before: Round,
  shapeIds: ReadonlySet<ShapeId>,
  by: Point,
  whole = isWholeMotif(before, shapeIds),
): Round {
  const { round, left } = withStripsMoved(before, shapeIds, { kind: 'move', by });
  return {
    ...round,
    shapes: round.shapes.map((shape) => (left.has(shape.id) ? movedShape(shape, by, whole) : shape)),
  };
}

/** A round with all of its motif moved. */
export const movedMotif = (round: Round, by: Point): Round => movedShapes(round, allShapes(round), by);
