import { failed, ok, type Result } from '../../finding';
import { contoursOfPaths } from '../../curve/contours';
import { mapPath } from '../../curve/path';
import { drawingProblem, type DrawingParams } from '../../maker/drawing';
import type { DrawnPart, Place } from '../../maker/drawn';
import type { BuiltForm } from '../../maker/makers';
import { NO_TURN } from '../../number/turn';
import { layersOf, type Scene } from '../../scene/scene';
import { placedItems } from '../../scene/placed';
import { LIMITS, type Figure, type Shape } from '../model';
import { placedPaint } from '../../paint/gradient';
import { newRound, newShape, START_PAINT } from '../start';
import { addShapes } from './shapes';

/**
 * What a scene draws, back to front, as parts about its centre: every copy a part of its own, so that a figure can be placed in
 * another or be the motif of a larger one. Blend modes and see-through copies become plain paint.
 */
export const partsOfScene = (scene: Scene): DrawnPart[] =>
  layersOf(scene, 'abut')
    .flatMap(placedItems)
    .map(({ item: { paths, paint, rule }, map }): DrawnPart => ({
      contours: contoursOfPaths(paths.map((path) => mapPath(path, map))),
      rule,
      paint: placedPaint(paint, map),
    }));

/** A drawing as a shape; its origin is its first place. */
function drawingShape(id: string, name: string, { parts, places }: DrawingParams): Shape {
  const { x, y } = places[0] ?? { x: 0, y: 0 };
  const about = places.map((place) => ({ ...place, x: place.x - x, y: place.y - y }));
  const form: BuiltForm = {
    kind: 'drawing',
    at: { x, y },
    rotation: NO_TURN,
    params: { parts, places: about },
  };
  return newShape(id, name.slice(0, LIMITS.name), form, START_PAINT);
}

interface Placed {
  readonly figure: Figure;
  readonly id: string;
}

/** Places a drawing at the front of a round's motif; says why where it is too much. */
export function placeDrawing(
  figure: Figure,
  roundId: string,
  name: string,
  parts: readonly DrawnPart[],
  places: readonly Place[],
  id: string,
): Result<Placed> {
  const problem = drawingProblem({ parts, places });
  if (problem !== null) return failed(problem);
  return ok({ figure: addShapes(figure, roundId, [drawingShape(id, name, { parts, places })]), id });
}

/**
 * Makes all that a figure draws the motif of one round in place of all its rounds: a small rosette that is turned to a larger one.
 * @param place where the small one stands, and its size
 */
export function nestFigure(
  figure: Figure,
  parts: readonly DrawnPart[],
  place: Place,
  ids: { readonly round: string; readonly shape: string },
): Result<Placed> {
  const params = { parts, places: [place] };
  const problem = drawingProblem(params);
  if (problem !== null) return failed(problem);
  const round = {
    ...newRound(ids.round, 'Rosette'),
    shapes: [drawingShape(ids.shape, figure.name, params)],
  };
  return ok({ figure: { ...figure, rounds: [round] }, id: ids.shape });
}
