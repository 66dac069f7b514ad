import { moveMap, type Affine } from '../curve/affine';
import type { Point } from '../curve/point';
import { movedForm, type Form } from '../maker/form';
import { carriedPaint } from '../paint/gradient';
import type { Round, Shape } from './model';

/** True where shapes are all of a motif: what is laid over the motif then goes with them. */
export const isWholeMotif = ({ shapes }: Round, shapeIds: ReadonlySet<string>): boolean =>
  shapes.every(({ id }) => shapeIds.has(id));

/** A shape whose form has changed its place by a map, with the gradients that go with it. */
export const carriedShape = (shape: Shape, form: Form, m: Affine, whole: boolean): Shape => ({
  ...shape,
  form,
  paint: carriedPaint(shape.paint, m, whole),
});

export const movedShape = (shape: Shape, by: Point, whole: boolean): Shape =>
  carriedShape(shape, movedForm(shape.form, by), moveMap(by), whole);
