import { failed, ok, type Result } from '@/core/finding';
import { contoursOfPaths, IDENTITY, mapPath, polygonPath } from '@/core/curve';
import { type BuiltForm, type DrawingParams, drawingProblem, type DrawnPart, type Place } from '@/core/maker';
import { NO_TURN } from '@/core/number';
import {
  type Laid,
  layersOf,
  type Neighbours,
  placedAt,
  type Scene,
  type SceneCopy,
  type SceneLayer,
  type ScenePage,
} from '@/core/scene';
import { LIMITS, type Figure, type Shape, type RoundId } from '../model';
import { placedPaint } from '@/core/paint';
import { newRound, newShape, START_PAINT } from '../start';
import { addShapes } from './shapes';

/**
 * What a scene draws, back to front, as parts about its centre: every copy a part of its own, so that a figure can be placed in
 * another or be the motif of a larger one. What is blended or seen through stays so, copy by copy.
 * @param ground true where the page's background is the first part
 */
export function partsOfScene(scene: Scene, ground = false, neighbours: Neighbours = 'abut'): DrawnPart[] {
  const groups = new Map<unknown, number>();
  const parts = layersOf(scene, neighbours).flatMap((layer) =>
    layer.copies.flatMap((copy) =>
      placedAt(layer, copy).map(({ item: { paths, paint, rule, laid }, map }): DrawnPart => {
        const how = laidAs(layer, copy, laid);
        // A copy is laid as one; what was placed in it and is laid by itself stays so where the copy is not.
        const whole = how && (how === laid ? laid : copy);
        if (whole && !groups.has(whole)) groups.set(whole, groups.size);
        return {
          contours: contoursOfPaths(paths.map((path) => mapPath(path, map))),
          rule,
          paint: placedPaint(paint, map),
          ...(how && { laid: { ...how, group: groups.get(whole) ?? 0 } }),
        };
      }),
    ),
  );
  const back = ground ? groundOf(scene.page) : null;
  return back ? [back, ...parts] : parts;
}

/** A scene as what is placed: its parts, and where they lie side by side how they reach under one another. */
export function pictureOf(scene: Scene, ground = false): Picture {
  const parts = partsOfScene(scene, ground);
  return scene.abutting ? { parts, cover: partsOfScene(scene, ground, 'overlap') } : { parts };
}

export type Picture = Pick<DrawingParams, 'parts' | 'cover'>;

/** How an item of a copy is laid; undefined where it just covers. */
function laidAs(
  { blend }: SceneLayer,
  { opacity = 1 }: SceneCopy,
  inner: Laid | undefined,
): Laid | undefined {
  const isBlended = blend !== undefined && blend !== 'normal';
  if (!isBlended && opacity === 1) return inner;
  return { ...(isBlended && { blend }), ...(opacity < 1 && { opacity }) };
}

/** The page's background as a part; null where there is none. */
function groundOf({ width, height, centre, background }: ScenePage): DrawnPart | null {
  if (!background) return null;
  const [left, top] = [-width / 2 - centre.x, -height / 2 - centre.y];
  const corners = [
    { x: left, y: top },
    { x: left + width, y: top },
    { x: left + width, y: top + height },
    { x: left, y: top + height },
  ];
  const [contour] = contoursOfPaths([polygonPath(corners)]);
  if (!contour) return null;
  return {
    contours: [contour],
    rule: 'nonzero',
    paint: placedPaint({ fill: background, stroke: null }, IDENTITY),
  };
}

/** A drawing as a shape; its origin is its first place. */
function drawingShape(id: string, name: string, { places, ...picture }: DrawingParams): Shape {
  const { x, y } = places[0] ?? { x: 0, y: 0 };
  const about = places.map((place) => ({ ...place, x: place.x - x, y: place.y - y }));
  const form: BuiltForm = {
    kind: 'drawing',
    at: { x, y },
    rotation: NO_TURN,
    params: { ...picture, places: about },
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
  roundId: RoundId,
  name: string,
  picture: Picture,
  places: readonly Place[],
  id: string,
): Result<Placed> {
  const params = { ...picture, places };
  const problem = drawingProblem(params);
  if (problem !== null) return failed(problem);
  return ok({ figure: addShapes(figure, roundId, [drawingShape(id, name, params)]), id });
}

/**
 * Makes all that a figure draws the motif of one round in place of all its rounds: a small rosette that is turned to a larger one.
 * @param place where the small one stands, and its size
 */
export function nestFigure(
  figure: Figure,
  picture: Picture,
  place: Place,
  ids: { readonly round: string; readonly shape: string },
): Result<Placed> {
  const params = { ...picture, places: [place] };
  const problem = drawingProblem(params);
  if (problem !== null) return failed(problem);
  const round = {
    ...newRound(ids.round, 'Rosette'),
    shapes: [drawingShape(ids.shape, figure.name, params)],
  };
  return ok({ figure: { ...figure, rounds: [round] }, id: ids.shape });
}
