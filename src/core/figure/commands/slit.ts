import type { Path } from '../../curve/path';
import { cross, subtract, type Point } from '../../curve/point';
import { pointAt } from '../../curve/segment';
import { formOfPaths, pathsOfForm } from '../../maker/form';
import { slitPath } from '../../merge/slit';
import { trimPath } from '../../merge/trim';
import type { Figure } from '../model';
import { roundOf, withRound } from './rounds';

/**
 * Puts what a cut leaves of each path in place of shapes that it changes; these become plain paths. Of a path with several
 * closed contours, whose holes belong to it, what lies on one side stays one path.
 * @param sideOf a word for the side on which a piece lies
 */
function cutShapes(
  figure: Figure,
  roundId: string,
  shapeIds: ReadonlySet<string>,
  cut: (path: Path) => Path[],
  sideOf: (piece: Path) => string,
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
      const whole = shape.form.kind === 'path' && paths.length > 1 && paths.every(({ closed }) => closed);
      const sides = new Set(parts.map(sideOf));
      const sets = whole
        ? [...sides].map((side) => parts.filter((part) => sideOf(part) === side))
        : parts.map((part) => [part]);
      return sets.map((set, k) => {
        const id = k === 0 ? shape.id : newId();
        ids.push(id);
        return {
          ...shape,
          id,
          name: sets.length === 1 ? shape.name : `${shape.name} ${k + 1}`.slice(-120),
          form: formOfPaths(set),
        };
      });
    }),
  }));
  return { figure: changed, ids };
}

/** On which side of a line a path lies that does not cross it: the sign of the farther of its bounds. */
function sideOfLine(path: Path, from: Point, to: Point): number {
  const way = subtract(to, from);
  const offs = path.segments.flatMap((segment) =>
    [0, 0.5].map((t) => cross(way, subtract(pointAt(segment, t), from))),
  );
  return offs.reduce((most, off) => (Math.abs(off) > Math.abs(most) ? off : most), 0);
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
  cutShapes(
    figure,
    roundId,
    shapeIds,
    (path) => slitPath(path, from, to),
    (piece) => (sideOfLine(piece, from, to) < 0 ? 'left' : 'right'),
    newId,
  );

/** Takes away what of a round's shapes reaches past the rays of its wedge; the ids are those of what was trimmed. */
export const trimToWedge = (
  figure: Figure,
  roundId: string,
  shapeIds: ReadonlySet<string>,
  newId: () => string,
): { figure: Figure; ids: string[] } => {
  const { fold } = roundOf(figure, roundId).rule;
  return cutShapes(
    figure,
    roundId,
    shapeIds,
    (path) => trimPath(path, fold),
    () => 'inside',
    newId,
  );
};
