import type { Round, Shape } from './model';

/** Shapes with all that are in a group with one of them; locked and hidden ones stay out. */
export function wholeGroups(round: Round, shapeIds: Iterable<string>): Set<string> {
  const ids = new Set(shapeIds);
  const groups = new Set(round.shapes.flatMap(({ id, group }) => (group && ids.has(id) ? [group] : [])));
  for (const { id, group, visible, locked } of round.shapes)
    if (group && groups.has(group) && visible && !locked) ids.add(id);
  return ids;
}

/** Copies of shapes keep together as the originals do, but not with them. */
export function regrouped(shapes: readonly Shape[], newId: () => string): Shape[] {
  const names = new Map<string, string>();
  return shapes.map((shape) => {
    if (!shape.group) return shape;
    const known = names.get(shape.group) ?? newId();
    names.set(shape.group, known);
    return { ...shape, group: known };
  });
}
