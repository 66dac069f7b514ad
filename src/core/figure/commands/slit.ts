import { nodesOfPath } from '../../curve/nodes';
import type { Point } from '../../curve/point';
import { pathsOfForm } from '../../maker/form';
import { slitPath } from '../../merge/slit';
import type { Figure } from '../model';
import { withRound } from './rounds';

/**
 * Cuts shapes along the straight line through two points of the motif; what is cut becomes plain paths, the rest stays.
 * @returns the figure, the ids of all pieces, and how many there are more than before
 */
export function slitShapes(
  figure: Figure,
  roundId: string,
  shapeIds: ReadonlySet<string>,
  from: Point,
  to: Point,
  newId: () => string,
): { figure: Figure; ids: string[]; pieces: number } {
  const ids: string[] = [];
  let pieces = 0;
  const cut = withRound(figure, roundId, (round) => ({
    ...round,
    shapes: round.shapes.flatMap((shape) => {
      if (!shapeIds.has(shape.id)) return [shape];
      const paths = pathsOfForm(shape.form);
      const parts = paths.flatMap((path) => slitPath(path, from, to));
      if (parts.length === paths.length) return [shape];
      pieces += parts.length - paths.length;
      return parts.map((path, k) => {
        const id = k === 0 ? shape.id : newId();
        ids.push(id);
        return {
          ...shape,
          id,
          name: `${shape.name} ${k + 1}`.slice(-120),
          form: { kind: 'path' as const, closed: path.closed, nodes: nodesOfPath(path) },
        };
      });
    }),
  }));
  return { figure: cut, ids, pieces };
}
