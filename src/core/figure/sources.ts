/**
 * Groups that are uses of a motif of the drawer: where each use is, and what becomes of it when shapes are moved or copied.
 *
 * @example
 * const round = withSourcesMoved(before, chosen, { kind: 'move', by: { x: 0, y: -5 } }, 1);
 */
import {
  type Affine,
  applyTo,
  compose,
  determinant,
  IDENTITY,
  mapPath,
  MIRROR,
  ORIGIN,
  scaleMap,
} from '@/core/curve';
import type { Work } from '@/core/derive';
import {
  type Form,
  formOfPaths,
  pathsOfForm,
  plainForms,
  type Transform,
  transformedForms,
  transformMap,
} from '@/core/maker';
import { turn, turnFromDegrees } from '@/core/number';
import { carriedPaint } from '@/core/paint';
import type { Paint } from '@/core/scene';
import { motifTree, shapesIn, type Motif, type MotifNode } from './groups';
import type { Figure, Group, MotifSource, Round, Shape, RoundId, ShapeId } from './model';

/** A use of a motif of the drawer. */
export interface MotifUse {
  readonly roundId: RoundId;
  readonly group: Group & { readonly source: MotifSource };
  readonly shapes: readonly Shape[];
}

const hasSource = (group: Group): group is MotifUse['group'] => group.source !== undefined;

/** The uses in a motif, the outermost first. */
function usesIn(nodes: readonly MotifNode[], roundId: RoundId): MotifUse[] {
  return nodes.flatMap((node) => {
    if (node.kind === 'shape') return [];
    const own = hasSource(node.group) ? [{ roundId, group: node.group, shapes: shapesIn(node) }] : [];
    return [...own, ...usesIn(node.nodes, roundId)];
  });
}

export const usesOfRound = (round: Round): MotifUse[] =>
  round.groups?.some(hasSource) ? usesIn(motifTree(round), round.id) : [];

/** All uses in a figure; a motif that linked rounds share counts in each. */
export const usesOfFigure = ({ rounds }: Figure): MotifUse[] => rounds.flatMap(usesOfRound);

/** A round in which the uses that are all among some shapes are where a transform puts them. @param times how often */
export function withSourcesMoved(
  round: Round,
  shapeIds: ReadonlySet<ShapeId>,
  t: Transform,
  times: number,
): Round {
  const moved = new Set(
    usesOfRound(round).flatMap(({ group, shapes }) =>
      shapes.every(({ id }) => shapeIds.has(id)) ? [group.id] : [],
    ),
  );
  if (moved.size === 0 || !round.groups) return round;
  const once = transformMap(t);
  let map = IDENTITY;
  for (let k = 0; k < times; k += 1) map = compose(once, map);
  const groups = round.groups.map((group) =>
    hasSource(group) && moved.has(group.id)
      ? { ...group, source: { ...group.source, place: compose(map, group.source.place) } }
      : group,
  );
  return { ...round, groups };
}

/** A group that follows no motif any more. */
export function detached({ source: _, ...group }: Group): Group {
  return group;
}

/** Groups into which shapes were put that are not of their motif: these follow it no longer. */
export const withoutSourcesOf = (groups: readonly Group[], added: readonly Shape[]): readonly Group[] => {
  const names = new Set(added.map(({ group }) => group));
  return groups.map((group) => (names.has(group.id) && group.source ? detached(group) : group));
};

/** How many times as large a map makes things, on the average of all directions. */
const scaleOf = (map: Affine): number => Math.sqrt(Math.abs(determinant(map)));

/** A paint whose lines are so many times as wide. */
const widerLines = ({ stroke, ...rest }: Paint, factor: number): Paint => ({
  ...rest,
  stroke: stroke && {
    ...stroke,
    width: stroke.width * factor,
    ...(stroke.dashes && { dashes: stroke.dashes.map((length) => length * factor) }),
  },
});

/** The steps of a map that keeps angles; null where it does not. */
function stepsOf(map: Affine): readonly Transform[] | null {
  const isMirrored = determinant(map) < 0;
  const upright = isMirrored ? compose(map, MIRROR) : map;
  const { a, b, c, d, e, f } = upright;
  const scale = scaleOf(map);
  if (Math.hypot(a - d, b + c) > 1e-9 * scale) return null;
  return [
    ...(isMirrored ? [{ kind: 'reflect' as const, direction: turn(0), about: ORIGIN }] : []),
    { kind: 'scale', x: scale, y: scale, about: ORIGIN },
    { kind: 'rotate', by: turnFromDegrees((Math.atan2(b, a) * 180) / Math.PI), about: ORIGIN },
    { kind: 'move', by: { x: e, y: f } },
  ];
}

/** A form under any map: a construction stays one as far as there is one of its kind; else paths, one for each of its own. */
function mappedForms(form: Form, map: Affine, work: Work): readonly Form[] {
  const steps = stepsOf(map);
  if (!steps)
    return plainForms(form, work).map((plain) =>
      formOfPaths(pathsOfForm(plain, work).map((path) => mapPath(path, map))),
    );
  return steps.reduce<readonly Form[]>(
    (forms, t) => forms.flatMap((each) => transformedForms(each, t, work)),
    [form],
  );
}

/** A motif under a map, its lines as much wider as it is larger. Its shapes keep their ids, but for those that become several. */
export function mappedMotif({ shapes, groups }: Motif, map: Affine, work: Work): Required<Motif> {
  const factor = scaleOf(map);
  return {
    shapes: shapes.flatMap((shape) =>
      mappedForms(shape.form, map, work).map((form, k) => ({
        ...shape,
        id: k === 0 ? shape.id : `${shape.id}-${k + 1}`,
        form,
        paint: widerLines(carriedPaint(shape.paint, map, true), factor),
      })),
    ),
    groups: groups ?? [],
  };
}

/** The map that puts the middle of a box at a point, so many times as large. */
export function placeAt(
  middle: { readonly x: number; readonly y: number },
  factor: number,
  to: { readonly x: number; readonly y: number },
): Affine {
  const scale = scaleMap(factor, ORIGIN);
  const at = applyTo(scale, middle);
  return { ...scale, e: to.x - at.x, f: to.y - at.y };
}
