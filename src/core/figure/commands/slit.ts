import { nodesOfPath } from '../../curve/nodes';
import type { Path } from '../../curve/path';
import type { Point } from '../../curve/point';
import { pathsOfForm } from '../../maker/form';
import { slitPath } from '../../merge/slit';
import { trimPath } from '../../merge/trim';
import type { Figure } from '../model';
import { roundOf, withRound } from './rounds';

/** Puts what a cut leaves of each path in place of shapes that it changes; these become plain paths. */
function cutShapes(
  figure: Figure,
  roundId: string,
  shapeIds: ReadonlySet<string>,
  cut: (path: Path) => Path[],
  newId: () => string,
): { figure: Figure; ids: string[] } {
  const ids: string[] = [];
  const changed = withRound(figure, roundId, (round) => ({
    ...round,
    shapes: round.shapes.flatMap((shape) => {
      if (!shapeIds.has(shape.id)) return [shape];
      const paths = pathsOfForm(shape.form);
      const parts = paths.flatMap(cut);
      if (parts.length === paths.length && parts.every((part, k) => part === paths[k])) return [shape];
      return parts.map((path, k) => {
        const id = k === 0 ? shape.id : newId();
        ids.push(id);
        return {
          ...shape,
          id,
          name: parts.length === 1 ? shape.name : `${shape.name} ${k + 1}`.slice(-120),
          form: { kind: 'path' as const, closed: path.closed, nodes: nodesOfPath(path) },
        };
      });
    }),
  }));
  return { figure: changed, ids };
}

/** Cuts shapes along the straight line through two points of the motif; the ids are those of all pieces, none if it cuts none. */
export const slitShapes = (
  figure: Figure,
  roundId: string,
  shapeIds: ReadonlySet<string>,
  from: Point,
  to: Point,
  newId: () => string,
): { figure: Figure; ids: string[] } =>
  cutShapes(figure, roundId, shapeIds, (path) => slitPath(path, from, to), newId);

/** Takes away what of a round's shapes reaches past the rays of its wedge; the ids are those of what was trimmed. */
export const trimToWedge = (
  figure: Figure,
  roundId: string,
  shapeIds: ReadonlySet<string>,
  newId: () => string,
): { figure: Figure; ids: string[] } => {
  const { fold } = roundOf(figure, roundId).rule;
  return cutShapes(figure, roundId, shapeIds, (path) => trimPath(path, fold), newId);
};
