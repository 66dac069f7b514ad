import type { Work } from '@/core/derive';
import { type Affine, type Bounds, boundsOfPaths, compose, IDENTITY } from '@/core/curve';
import { type Form, pathsOfForm, type Transform, transformedForms, transformMap } from '@/core/maker';
import { isGradient, mapFills, turnedPaint } from '@/core/paint';
import { partsWithPaint, type PaintedPart } from '../parts';
import { carriedShape, isWholeMotif } from '../carried';
import { copyName, regrouped, withShapesAndGroups } from '../groups';
import { leadBy, renamedShapes } from '../inputs';
import type { Figure, Group, Round, Shape, RoundId, ShapeId } from '../model';
import { allShapes, withStripsMoved } from '../bent';
import { withoutSourcesOf } from '../sources';
import { withRound } from './rounds';
import type { Straight } from './shapes';

interface How extends Straight {
  /** True leaves the shapes and puts transformed copies in front of the motif. */
  readonly copy: boolean;
  /** How often, each time from where the time before ended. */
  readonly times: number;
  readonly newId: () => string;
}

/** The parts of a construction with paints of their own that became paths, one for each of them; none where it has one paint. */
function looksOf(shape: Shape, forms: readonly Form[], work: Work): readonly PaintedPart[] {
  const isPlain = shape.form.kind !== 'path' && forms.every(({ kind }) => kind === 'path');
  const parts = isPlain ? partsWithPaint(shape, null, work) : [];
  return parts.length > 1 || shape.form.kind === 'drawing' ? parts : [];
}

/** A shape in the paint of one of its parts, or in its own, turned with it. */
function turnedLook(shape: Shape, part: PaintedPart | undefined, map: Affine, work: Work): Shape {
  if (!part) {
    const box = (): Bounds => boundsOfPaths(pathsOfForm(shape.form, work));
    return { ...shape, paint: turnedPaint(shape.paint, map, box) };
  }
  // What a part has over its copy stands where the part does: it goes along.
  const own = mapFills(part.paint, (fill) =>
    isGradient(fill) && fill.spread === 'copy' ? { ...fill, spread: 'selection' } : fill,
  );
  return { ...shape, rule: part.rule, paint: turnedPaint(own, map, () => boundsOfPaths(part.paths)) };
}

/** What a shape becomes when it is transformed some times over. */
function transformed(
  shape: Shape,
  t: Transform,
  times: number,
  whole: boolean,
  idOf: (k: number) => string,
  work: Work,
): Shape[] {
  let forms = [shape.form];
  let map = IDENTITY;
  for (let k = 0; k < times; k += 1) {
    forms = forms.flatMap((each) => transformedForms(each, t, work));
    map = compose(transformMap(t), map);
  }
  const looks = looksOf(shape, forms, work);
  return forms.map((form, k) => ({
    ...carriedShape(turnedLook(shape, looks[k], map, work), form, map, whole),
    id: idOf(k),
    name: forms.length === 1 ? shape.name : `${shape.name} ${k + 1}`.slice(-120),
  }));
}

/** Copies of whole strips, as a motif of their own. @param known the groups whose names are taken */
function withCopiedStrips(
  round: Round,
  shapeIds: ReadonlySet<ShapeId>,
  known: readonly Group[],
  newId: () => string,
): Round {
  const { shapes, groups } = regrouped({ shapes: round.shapes, groups: known }, shapeIds, newId);
  return { ...round, shapes: renamedShapes(shapes, newId), groups };
}

/** Transforms shapes of a round, or copies of them; the ids are those of what was made or changed. */
export function transformShapes(
  figure: Figure,
  roundId: RoundId,
  shapeIds: ReadonlySet<ShapeId>,
  t: Transform,
  { copy, times, newId, straight = false }: How,
  work: Work,
): { figure: Figure; ids: string[] } {
  const ids: string[] = [];
  const take = (shapes: Shape[]): Shape[] => {
    ids.push(...shapes.map(({ id }) => id));
    return shapes;
  };
  const changed = withRound(figure, roundId, (before) => {
    const whole = isWholeMotif(before, shapeIds);
    const { round, left } = straight
      ? { round: before, left: shapeIds }
      : withStripsMoved(before, shapeIds, t, times);
    if (!copy) {
      const shapes = round.shapes.flatMap((shape) => {
        if (left.has(shape.id))
          return take(transformed(shape, t, times, whole, (k) => (k === 0 ? shape.id : newId()), work));
        return shapeIds.has(shape.id) ? take([shape]) : [shape];
      });
      return { ...round, shapes };
    }
    const taken = new Set(before.shapes.map(({ name }) => name));
    const named = (shape: Shape): Shape => ({ ...shape, name: copyName(shape.name, taken) });
    const strips = new Set([...shapeIds].filter((id) => !left.has(id)));
    const groups = [...(before.groups ?? [])];
    const made = Array.from({ length: times }, (_, k) => k + 1).flatMap((k) => {
      const again = withCopiedStrips(before, strips, groups, newId);
      const { round: moved } = withStripsMoved(again, allShapes(again), t, k);
      groups.push(...(moved.groups ?? []));
      const byThemselves = before.shapes
        .filter(({ id }) => left.has(id))
        .map((shape) => ({ of: shape.id, copies: transformed(shape, t, k, whole, newId, work) }));
      const ids = new Map(
        byThemselves.flatMap(({ of, copies }) => copies.slice(0, 1).map(({ id }) => [of, id])),
      );
      const copies = byThemselves.flatMap((each) => each.copies).map((shape) => leadBy(shape, ids));
      return take([...moved.shapes, ...copies].map(named));
    });
    return withShapesAndGroups(before, [...before.shapes, ...made], withoutSourcesOf(groups, made));
  });
  return { figure: changed, ids };
}
