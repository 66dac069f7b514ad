/**
 * A figure that is placed more than once in another: one picture, shown at each of its places.
 *
 * @example
 * shownParts(shape, parts.length)[k]; // { of: the picture's items, map: where the part's place is }
 */
import { compose, pathsOfContours } from '@/core/curve';
import { type DrawnPart, laidParts, mapAt, mapOf } from '@/core/maker';
import { remembered } from '../remembered';
import type { SceneItem, Shown } from '@/core/scene';
import type { Round, Shape } from './model';

/** A round whose placed figures are drawn so that nothing shows between what lies side by side in them; itself where none is. */
export const coveringRound = remembered((round: Round): Round => {
  const shapes = round.shapes.map((shape): Shape => {
    const { form } = shape;
    if (form.kind !== 'drawing' || !form.params.cover) return shape;
    const { cover, ...params } = form.params;
    return { ...shape, form: { ...form, params: { ...params, parts: cover } } };
  });
  return shapes.some((shape, k) => shape !== round.shapes[k]) ? { ...round, shapes } : round;
});

/** The items of a drawing about its own centre, the same list as long as its parts are. */
const itemsOfParts = remembered((parts: readonly DrawnPart[]): readonly SceneItem[] => {
  const laid = laidParts(parts);
  return parts.map(({ contours, paint, rule }, k) => ({
    origin: { of: 'outline', shapeIds: [] },
    paths: pathsOfContours(contours),
    paint,
    rule,
    mirrored: false,
    ...(laid[k] && { laid: laid[k] }),
  }));
});

/**
 * For each part that a shape draws, the picture that it belongs to; none where the shape shows one only once.
 * @param count of the parts that the shape draws: more or less of them than there are in the drawing are no pictures of it
 */
export function shownParts({ form }: Shape, count: number): readonly Shown[] {
  if (form.kind !== 'drawing') return [];
  const { parts, places } = form.params;
  if (places.length < 2 || count !== parts.length * places.length) return [];
  const of = itemsOfParts(parts);
  return places.flatMap((place) => {
    const shown = { of, map: compose(mapOf(form), mapAt(place)) };
    return parts.map(() => shown);
  });
}
