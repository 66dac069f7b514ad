/**
 * What is seen of a motif: what is combined as its one outline, what is trimmed without what reaches past the rays. Measures, fits,
 * alignment and snapping are of this, not of what it was made from.
 *
 * @example
 * const box = boundsOfPaths(seenPaths(round, work, selection.shapeIds));
 */
import { type Bounds, boundsOfPaths, ORIGIN, type Path } from '@/core/curve';
import type { Work } from '@/core/derive';
import { pathsOfForm } from '@/core/maker';
import { isInside } from '@/core/merge';
import { resolvedMotif } from './combined';
import { anchorOf } from './hit';
import { trimOf } from './jobs';
import type { Round, Shape, ShapeId } from './model';
import { partsWithPaint } from './parts';

/** A shape as it is seen. */
export interface SeenShape {
  /** With the outline that it has untrimmed; of a combination the backmost, as what all became. */
  readonly shape: Shape;
  /** The shapes of the motif that it is made of. */
  readonly ids: readonly string[];
  readonly paths: readonly Path[];
}

const seen = new WeakMap<Round, readonly SeenShape[]>();

/** All that is seen of a round's motif, back to front; found once for a round. */
export function seenShapes(round: Round, work: Work): readonly SeenShape[] {
  const known = seen.get(round);
  if (known) return known;
  const missed = work.missed;
  const made = resolvedMotif(round, work)
    .filter(({ shape }) => shape.visible)
    .map(({ shape, ids }): SeenShape => {
      const paths = partsWithPaint(shape, trimOf(round, shape), work).flatMap((part) => part.paths);
      return { shape, ids, paths };
    });
  if (work.missed === missed) seen.set(round, made);
  return made;
}

/** The outlines that are seen of a motif, or of shapes of it and what they are combined to. */
export const seenPaths = (round: Round, work: Work, shapeIds?: ReadonlySet<ShapeId>): Path[] =>
  seenShapes(round, work)
    .filter(({ ids }) => !shapeIds || ids.some((id) => shapeIds.has(id)))
    .flatMap(({ paths }) => paths);

/** The box of what is seen of some shapes; of those that are hidden or come to nothing, that of what they are made from. */
export function seenBox(round: Round, work: Work, shapeIds: ReadonlySet<ShapeId>): Bounds {
  const paths = seenPaths(round, work, shapeIds);
  if (paths.length > 0) return boundsOfPaths(paths);
  const own = round.shapes.filter(({ id }) => shapeIds.has(id));
  const hidden = own.flatMap(({ form }) => pathsOfForm(form, work));
  if (hidden.length > 0) return boundsOfPaths(hidden);
  const { x, y } = own[0] ? anchorOf(own[0]) : ORIGIN;
  return { left: x, right: x, top: y, bottom: y };
}

/** True where a motif goes round the centre: all its copies have that in common. */
export const holdsCentre = (round: Round, work: Work): boolean =>
  seenPaths(round, work).some((path) => path.closed && isInside([path], ORIGIN));
