import type { Work } from '@/core/derive';
import { cross, type Path, type Point, pointAt, subtract } from '@/core/curve';
import { formOfPaths, pathsOfForm } from '@/core/maker';
import { slitPath, trimPaths } from '@/core/merge';
import { LIMITS, type Figure, type Shape, type RoundId, type ShapeId } from '../model';
import { sideKept } from '../parts';
import { roundOf, withRound } from './rounds';
import { withPlacedPlain } from './shapes';

type Paths = readonly Path[];

/** Puts what a cut leaves in place of the shapes that it changes, each set of paths as one plain path. */
function cutShapes(
  before: Figure,
  roundId: RoundId,
  chosenIds: ReadonlySet<string>,
  cut: (paths: Paths, shape: Shape) => readonly Paths[],
  newId: () => string,
  work: Work,
): { figure: Figure; ids: string[] } {
  const { figure, ids: shapeIds } = withPlacedPlain(before, roundId, chosenIds, newId, work);
  const ids: string[] = [];
  const changed = withRound(figure, roundId, (round) => ({
    ...round,
    shapes: round.shapes.flatMap((shape) => {
      if (!shapeIds.has(shape.id)) return [shape];
      const paths = pathsOfForm(shape.form, work);
      const sets = cut(paths, shape);
      const parts = sets.flat();
      if (parts.length === paths.length && parts.every((part, k) => part === paths[k])) return [shape];
      return sets.map((set, k) => {
        const id = k === 0 ? shape.id : newId();
        ids.push(id);
        return {
          ...shape,
          id,
          name: sets.length === 1 ? shape.name : `${shape.name} ${k + 1}`.slice(-LIMITS.name),
          form: formOfPaths(set),
        };
      });
    }),
  }));
  return { figure: ids.length === 0 ? before : changed, ids };
}

/** On which side of a line a path lies that does not cross it: the sign of what of it is farthest off. */
function sideOfLine(path: Path, from: Point, to: Point): number {
  const way = subtract(to, from);
  const offs = path.segments.flatMap((segment) =>
    [0, 0.5].map((t) => cross(way, subtract(pointAt(segment, t), from))),
  );
  return offs.reduce((most, off) => (Math.abs(off) > Math.abs(most) ? off : most), 0);
}

/**
 * Cuts shapes along the straight line through two points of the motif; of a path with several closed contours, whose holes belong
 * to it, what lies on one side stays one path. The ids are those of all pieces, none if it cuts none.
 */
export const slitShapes = (
  figure: Figure,
  roundId: RoundId,
  shapeIds: ReadonlySet<ShapeId>,
  from: Point,
  to: Point,
  newId: () => string,
  work: Work,
): { figure: Figure; ids: string[] } =>
  cutShapes(
    figure,
    roundId,
    shapeIds,
    (paths, { form }) => {
      const pieces = paths.flatMap((path) => slitPath(path, from, to, work));
      const whole = form.kind === 'path' && paths.length > 1 && paths.every(({ closed }) => closed);
      if (!whole) return pieces.map((piece) => [piece]);
      const onLeft = (piece: Path): boolean => sideOfLine(piece, from, to) < 0;
      return [pieces.filter(onLeft), pieces.filter((piece) => !onLeft(piece))].filter(
        (side) => side.length > 0,
      );
    },
    newId,
    work,
  );

/**
 * Takes away what of a round's shapes reaches past the rays of its wedge; what a shape still fills stays one path with its holes.
 * The ids are those of what was trimmed.
 */
export const trimToWedge = (
  figure: Figure,
  roundId: RoundId,
  shapeIds: ReadonlySet<ShapeId>,
  newId: () => string,
  work: Work,
): { figure: Figure; ids: string[] } => {
  const { rule: wedge } = roundOf(figure, roundId);
  return cutShapes(
    figure,
    roundId,
    shapeIds,
    (paths, { rule }) => {
      const left = trimPaths(paths, rule, wedge, work, wedge.mirror ? sideKept(paths) : null);
      if (left === paths) return paths.map((path) => [path]);
      const closed = left.filter((path) => path.closed);
      const open = left.filter((path) => !path.closed).map((path) => [path]);
      return closed.length > 0 ? [closed, ...open] : open;
    },
    newId,
    work,
  );
};
