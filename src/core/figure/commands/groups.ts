import type { Figure } from '../model';
import { withShapes } from './shapes';

/** Makes shapes of a round a group: a click on one of them then selects all. */
export const groupShapes = (
  figure: Figure,
  roundId: string,
  shapeIds: ReadonlySet<string>,
  group: string,
): Figure => withShapes(figure, roundId, shapeIds, (shape) => ({ ...shape, group }));

/** Lets shapes stand alone again. */
export const ungroupShapes = (figure: Figure, roundId: string, shapeIds: ReadonlySet<string>): Figure =>
  withShapes(figure, roundId, shapeIds, ({ group: _, ...shape }) => shape);
