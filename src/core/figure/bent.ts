/**
 * Strips in a motif: groups whose shapes lie straight and are drawn bent (see core/bend). Where all of a strip is moved, turned or made
 * larger, its bend is, and the straight drawing stays as it is.
 *
 * @example
 * const { round, left } = withStripsMoved(before, chosen, { kind: 'move', by: { x: 0, y: -5 } }); // 5 farther out
 */
import { withSourcesMoved } from './sources';
import { type Bend, bendMap, bendProblem, BENT, plainBend, type Strip, stripLength } from '@/core/bend';
import {
  applyTo,
  boundsOfPaths,
  compose,
  lengthOf,
  moveMap,
  type Path,
  type Point,
  polarOf,
} from '@/core/curve';
import { taskOf, type Work } from '@/core/derive';
import { formOfPaths, pathsOfForm, type Transform, transformMap } from '@/core/maker';
import { addTurns, cosSin, degreesOf, multiplyTurn, negateTurn, turn, turnFromDegrees } from '@/core/number';
import { isGradient, mapFills, mappedRun } from '@/core/paint';
import type { Paint } from '@/core/scene';
import { stepOf } from '@/core/symmetry';
import { groupsAround, motifTree, shapesIn, type Motif, type MotifNode } from './groups';
import { partsWithPaint } from './parts';
import type { Group, Round, Shape, GroupId, ShapeId } from './model';

/** A group that is a strip. */
export type BentGroup = Group & { readonly bend: Bend };

export const isBent = (group: Pick<Group, 'bend'>): group is BentGroup => group.bend !== undefined;

/** True where a paint has a run that lies in the motif, and so has to be bent with what it is on. */
const runsAlong = ({ fill, stroke }: Paint): boolean =>
  [fill, stroke?.colour].some(
    (each) => isGradient(each) && (each.spread === 'copy' || each.spread === 'selection'),
  );

/** Paint on one unit of a strip: its runs go as the bend does in the middle of what they are on. */
function bentPaint(paint: Paint, paths: readonly Path[], bend: Bend, unit: number): Paint {
  const { left, right, top, bottom } = boundsOfPaths(paths);
  const middle = { x: (left + right) / 2, y: (top + bottom) / 2 };
  const { at, along } = bendMap(bend);
  const [across, down, to] = [
    along(middle, { x: 1, y: 0 }, unit),
    along(middle, { x: 0, y: 1 }, unit),
    at(middle, unit),
  ];
  const linear = { a: across.x, b: across.y, c: down.x, d: down.y, e: 0, f: 0 };
  const map = compose(moveMap(to), compose(linear, moveMap({ x: -middle.x, y: -middle.y })));
  return mapFills(paint, (fill) =>
    isGradient(fill) && (fill.spread === 'copy' || fill.spread === 'selection') ? mappedRun(fill, map) : fill,
  );
}

/** What is drawn of straight shapes in a bent strip; as they are while that is being worked out. */
export function bentShapes(shapes: readonly Shape[], bend: Bend, work: Work): readonly Shape[] {
  return shapes.flatMap((shape) => {
    const { axis: _, ...rest } = shape;
    const parts = partsWithPaint(shape, null, work).flatMap(({ paths, paint, rule }) => {
      const made = work.ask(taskOf(BENT, { paths, bend }));
      if (!made?.ok) return [{ paths, paint, rule }];
      if (!runsAlong(paint)) return [{ paths: made.value, paint, rule }];
      // Each unit has runs of its own.
      return Array.from({ length: bend.units }, (_, unit) => ({
        paths: made.value.slice(unit * paths.length, (unit + 1) * paths.length),
        paint: bentPaint(paint, paths, bend, unit),
        rule,
      }));
    });
    // What has several paints is several shapes; the first keeps the name by which it is known.
    return parts.map(({ paths, paint, rule }, k): Shape => {
      const id = k === 0 ? shape.id : `${shape.id}-${k}`.slice(-40);
      return { ...rest, id, form: formOfPaths(paths), paint, rule };
    });
  });
}

/** The straight shape that a bent one is of, by the name that `bentShapes` gave it; undefined where none of them is. */
export const straightOf = (shapes: readonly Shape[], bentId: string): Shape | undefined =>
  shapes.find(({ id }) => id === bentId) ?? shapes.find(({ id }) => id === bentId.replace(/-\d+$/, ''));

/** True for a shape that lies in a strip, and is drawn elsewhere than where it lies. */
export function liesInStrip(motif: Motif, shape: Shape): boolean {
  return groupsAround(motif, shape).some(isBent);
}

/** The box of straight shapes as the unit of a strip; null where they have none, or it is flat. */
export function stripOf(paths: readonly Path[]): Strip | null {
  const { left, right, top, bottom } = boundsOfPaths(paths);
  return right > left && bottom > top ? { left, right, top, bottom } : null;
}

/**
 * What a strip becomes first: it takes one step of its round, where it lies now, as high as it is, in as many units as come nearest
 * to its own length. Null where it is no strip.
 */
export function firstBend(round: Pick<Round, 'rule'>, paths: readonly Path[]): Bend | null {
  const strip = stripOf(paths);
  if (!strip) return null;
  const middle = { x: (strip.left + strip.right) / 2, y: (strip.top + strip.bottom) / 2 };
  const step = stepOf(round.rule);
  const span = step.num > 0 && step.num <= step.den ? step : turn(1);
  const bend = plainBend(strip, span);
  const radius = Math.max(lengthOf(middle), 0.6 * bend.height);
  const across = radius * 2 * Math.PI * (span.num / span.den);
  return { ...bend, radius, units: Math.max(1, Math.min(360, Math.round(across / stripLength(strip)))) };
}

/** Where the middle of a bent strip's middle line is. */
function placeOfBend({ radius, middle }: Bend): Point {
  const { cos, sin } = cosSin(middle);
  return { x: radius * sin, y: -radius * cos };
}

/** A bend whose middle is somewhere else: its distance from the centre, and its direction, which is exact where it stays. */
function bendAt(bend: Bend, before: Point, to: Point): Bend {
  const { cos, sin } = cosSin(bend.middle);
  const by = { x: to.x - before.x, y: to.y - before.y };
  const aside = by.x * cos + by.y * sin;
  if (Math.abs(aside) <= 1e-12 * bend.radius)
    return { ...bend, radius: bend.radius + by.x * sin - by.y * cos };
  return { ...bend, radius: lengthOf(to), middle: turnFromDegrees(polarOf(to).degrees) };
}

/** A bend after a transform of the whole strip; as it was where there is no such bend. */
function movedBend(bend: Bend, t: Transform): Bend {
  const before = placeOfBend(bend);
  const to = applyTo(transformMap(t), before);
  const isCentred = 'about' in t && t.about.x === 0 && t.about.y === 0;
  const made = ((): Bend => {
    switch (t.kind) {
      case 'move':
        return bendAt(bend, before, to);
      case 'rotate':
        return isCentred ? { ...bend, middle: addTurns(bend.middle, t.by) } : bendAt(bend, before, to);
      case 'reflect': {
        const mirrored = { ...bend, mirrored: !bend.mirrored };
        const across = addTurns(multiplyTurn(t.direction, 2), negateTurn(bend.middle));
        return isCentred ? { ...mirrored, middle: across } : bendAt(mirrored, before, to);
      }
      case 'scale': {
        const [wide, high] = [Math.abs(t.x), Math.abs(t.y)];
        const placed = bendAt(bend, before, to);
        const span = wide === high ? bend.span : turnFromDegrees(Math.min(360, degreesOf(bend.span) * wide));
        const mirrored = t.x < 0 !== t.y < 0;
        return {
          ...placed,
          span,
          height: bend.height * high,
          wave: bend.wave * high,
          overlap: bend.overlap * wide,
          mirrored: bend.mirrored !== mirrored,
        };
      }
      case 'shear':
        return bend;
    }
  })();
  return bendProblem(made) === null ? made : bend;
}

/** A bend so many times as large about the centre, its straight strip too. */
export const resizedBend = (bend: Bend, factor: number): Bend => ({
  ...bend,
  strip: {
    left: bend.strip.left * factor,
    right: bend.strip.right * factor,
    top: bend.strip.top * factor,
    bottom: bend.strip.bottom * factor,
  },
  radius: bend.radius * factor,
  height: bend.height * factor,
  overlap: bend.overlap * factor,
  wave: bend.wave * factor,
});

/** The outermost strips of a motif that some shapes are all of. */
function stripsWithin(motif: Motif, shapeIds: ReadonlySet<ShapeId>): { group: BentGroup; ids: string[] }[] {
  const visit = (nodes: readonly MotifNode[]): { group: BentGroup; ids: string[] }[] =>
    nodes.flatMap((node) => {
      if (node.kind === 'shape') return [];
      const ids = shapesIn(node).map(({ id }) => id);
      if (!isBent(node.group)) return visit(node.nodes);
      return ids.every((id) => shapeIds.has(id)) ? [{ group: node.group, ids }] : [];
    });
  return visit(motifTree(motif));
}

/** The strip that some shapes are all of, or lie in, the outermost; null where they are in none, or not in one. */
export function stripAround(motif: Motif, shapeIds: ReadonlySet<ShapeId>): BentGroup | null {
  const visit = (nodes: readonly MotifNode[]): BentGroup | null => {
    for (const node of nodes) {
      if (node.kind === 'shape') continue;
      const ids = new Set(shapesIn(node).map(({ id }) => id));
      if (shapeIds.size === 0 || ![...shapeIds].every((id) => ids.has(id))) continue;
      return isBent(node.group) ? node.group : visit(node.nodes);
    }
    return null;
  };
  return visit(motifTree(motif));
}

/** The shapes that lie in a group, at whatever depth. */
export function shapesOfGroup(motif: Motif, groupId: GroupId): readonly Shape[] {
  const visit = (nodes: readonly MotifNode[]): readonly Shape[] =>
    nodes.flatMap((node) => {
      if (node.kind === 'shape') return [];
      return node.group.id === groupId ? shapesIn(node) : visit(node.nodes);
    });
  return visit(motifTree(motif));
}

/** A round with each strip bent as a rule says; what is none stays. */
export function withBends(round: Round, groupIds: ReadonlySet<string>, change: (bend: Bend) => Bend): Round {
  if (!round.groups?.some((group) => isBent(group) && groupIds.has(group.id))) return round;
  return {
    ...round,
    groups: round.groups.map((group) =>
      isBent(group) && groupIds.has(group.id) ? { ...group, bend: change(group.bend) } : group,
    ),
  };
}

/** A round whose strips go by a transform where all of them is chosen, and the shapes that are left to go by themselves. @param times how often */
export function withStripsMoved(
  before: Round,
  shapeIds: ReadonlySet<ShapeId>,
  t: Transform,
  times = 1,
): { round: Round; left: ReadonlySet<string> } {
  const round = withSourcesMoved(before, shapeIds, t, times);
  const strips = stripsWithin(round, shapeIds);
  if (strips.length === 0) return { round, left: shapeIds };
  const gone = new Set(strips.flatMap(({ ids }) => ids));
  return {
    round: withBends(round, new Set(strips.map(({ group }) => group.id)), (bend) => {
      let moved = bend;
      for (let k = 0; k < times; k += 1) moved = movedBend(moved, t);
      return moved;
    }),
    left: new Set([...shapeIds].filter((id) => !gone.has(id))),
  };
}

/** All of a motif, for what goes by it. */
export const allShapes = ({ shapes }: Pick<Motif, 'shapes'>): ReadonlySet<string> =>
  new Set(shapes.map(({ id }) => id));

/** The straight outlines of shapes. */
export const straightPaths = (shapes: readonly Shape[], work: Work): Path[] =>
  shapes.flatMap(({ form }) => pathsOfForm(form, work));
