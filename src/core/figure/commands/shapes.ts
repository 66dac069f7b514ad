/**
 * Shapes of a motif: added, copied, moved, taken away, given another form.
 *
 * @example
 * const moved = moveShapes(figure, 'petals', new Set(['petal']), { x: 0, y: -3 });
 */
import type { Paint } from '@/core/scene';
import type { Work } from '@/core/derive';
import { failed, finding, ok, type Result } from '@/core/finding';
import { type Form, plainForms } from '@/core/maker';
import {
  bare,
  between,
  canClose,
  changedContours,
  type Contour,
  fromPolar,
  type HandleSide,
  movedNode,
  type NodeKind,
  nodesOfContours,
  type PathNode,
  type Point,
  polarOf,
  subtract,
  withHandle,
  withKind,
  withNodeAt,
  withoutNodes,
  withoutNodesKept,
} from '@/core/curve';
import { allShapes } from '../bent';
import { isWholeMotif, movedShape, movedShapes } from '../carried';
import { copyName, regrouped, withShapesAndGroups } from '../groups';
import { followed, renamedShapes, takenOut, unfollowed, withoutShapes } from '../inputs';
import {
  LIMITS,
  type Edge,
  type Figure,
  type Group,
  type Round,
  type Shape,
  type RoundId,
  type ShapeId,
} from '../model';
import { partsWithPaint } from '../parts';
import { roundOf, withRound } from './rounds';

/** Names one shape of one round. */
export interface ShapeRef {
  readonly roundId: RoundId;
  readonly shapeId: ShapeId;
}

/** The shape, or null where the figure no longer has it. */
export function findShape(figure: Figure, ref: ShapeRef): Shape | null {
  const round = figure.rounds.find(({ id }) => id === ref.roundId);
  return round?.shapes.find(({ id }) => id === ref.shapeId) ?? null;
}

/** The figure with the named shapes of a round changed. */
export const withShapes = (
  figure: Figure,
  roundId: RoundId,
  shapeIds: ReadonlySet<ShapeId>,
  change: (shape: Shape) => Shape,
): Figure =>
  withRound(figure, roundId, (round) => ({
    ...round,
    shapes: round.shapes.map((shape) => (shapeIds.has(shape.id) ? change(shape) : shape)),
  }));

/** Adds shapes at the front of a round's motif. */
export const addShapes = (figure: Figure, roundId: RoundId, shapes: readonly Shape[]): Figure =>
  withRound(figure, roundId, (round) => ({ ...round, shapes: [...round.shapes, ...shapes] }));

/** Adds shapes with the groups that they lie in at the front of a round's motif. */
export const addMotif = (
  figure: Figure,
  roundId: RoundId,
  shapes: readonly Shape[],
  groups: readonly Group[],
): Figure =>
  withRound(figure, roundId, (round) =>
    withShapesAndGroups(round, [...round.shapes, ...shapes], [...(round.groups ?? []), ...groups]),
  );

export const removeShapes = (figure: Figure, roundId: RoundId, shapeIds: ReadonlySet<ShapeId>): Figure =>
  withRound(figure, roundId, (round) => ({
    ...round,
    shapes: withoutShapes(round.shapes, shapeIds),
  }));

/** Shapes with the groups that they lie in: copies of them lie in the same. */
const besideThem = (round: Round, shapeIds: ReadonlySet<ShapeId>): { shapes: Shape[]; groups: Group[] } => ({
  shapes: round.shapes.filter(({ id }) => shapeIds.has(id)),
  groups: [],
});

/** Copies of shapes, moved by a vector, in front of the motif; the last ids belong to the copies. */
export function duplicateShapes(
  figure: Figure,
  roundId: RoundId,
  shapeIds: ReadonlySet<ShapeId>,
  newId: () => string,
  by: Point,
  how: Straight = {},
): { figure: Figure; ids: string[] } {
  const round = roundOf(figure, roundId);
  const whole = isWholeMotif(round, shapeIds);
  const again = how.straight ? besideThem(round, shapeIds) : regrouped(round, shapeIds, newId);
  const taken = new Set(round.shapes.map(({ name }) => name));
  const shapes = renamedShapes(again.shapes, newId).map((shape) => ({
    ...shape,
    name: copyName(shape.name, taken),
  }));
  const copies = { ...round, shapes, groups: again.groups };
  const moved = how.straight
    ? { ...copies, shapes: shapes.map((shape) => movedShape(shape, by, false)) }
    : movedShapes(copies, allShapes(copies), by, whole);
  return {
    figure: addMotif(figure, roundId, moved.shapes, moved.groups ?? []),
    ids: shapes.map(({ id }) => id),
  };
}

/** Where shapes of a strip are worked on as they lie straight: then its bend stays, whatever is chosen of it. */
export interface Straight {
  readonly straight?: boolean;
}

export const moveShapes = (
  figure: Figure,
  roundId: RoundId,
  shapeIds: ReadonlySet<ShapeId>,
  by: Point,
  how: Straight = {},
): Figure =>
  how.straight
    ? withShapes(figure, roundId, shapeIds, (shape) => movedShape(shape, by, false))
    : withRound(figure, roundId, (round) => movedShapes(round, shapeIds, by));

export const setForm = (figure: Figure, ref: ShapeRef, form: Form): Figure =>
  withShapes(figure, ref.roundId, new Set([ref.shapeId]), (shape) => ({ ...shape, form }));

/**
 * Makes a construction of another shape of its motif from now on, or lets it keep its curves; says why where it cannot be.
 * @param key the field that holds the curves
 */
export function setInput(
  figure: Figure,
  ref: ShapeRef,
  key: string,
  sourceId: string | null,
): Result<Figure> {
  const shape = findShape(figure, ref);
  if (!shape) return failed(finding('input.none'));
  const next =
    sourceId === null
      ? ok(unfollowed(shape, key))
      : followed(roundOf(figure, ref.roundId), shape, key, sourceId);
  return next.ok ? ok(withShapes(figure, ref.roundId, new Set([ref.shapeId]), () => next.value)) : next;
}

/**
 * Makes a shape of the curves that a construction is made of, behind it and not drawn, for their nodes to be edited; says why where there are none.
 * @param key the field that holds the curves
 */
export function takeOutInput(
  figure: Figure,
  ref: ShapeRef,
  key: string,
  newId: () => string,
): Result<{ figure: Figure; ids: string[] }> {
  const shape = findShape(figure, ref);
  if (!shape) return failed(finding('input.none'));
  const made = takenOut(shape, key, newId());
  if (!made.ok) return made;
  const { source, shape: next } = made.value;
  const changed = withRound(figure, ref.roundId, (round) => ({
    ...round,
    shapes: round.shapes.flatMap((each) => (each.id === shape.id ? [source, next] : [each])),
  }));
  return ok({ figure: changed, ids: [source.id] });
}

export const renameShape = (figure: Figure, ref: ShapeRef, name: string): Figure =>
  name.trim() === ''
    ? figure
    : withShapes(figure, ref.roundId, new Set([ref.shapeId]), (shape) => ({ ...shape, name: name.trim() }));

export const showShapes = (
  figure: Figure,
  roundId: RoundId,
  shapeIds: ReadonlySet<ShapeId>,
  visible: boolean,
): Figure => withShapes(figure, roundId, shapeIds, (shape) => ({ ...shape, visible }));

export const lockShapes = (
  figure: Figure,
  roundId: RoundId,
  shapeIds: ReadonlySet<ShapeId>,
  locked: boolean,
): Figure => withShapes(figure, roundId, shapeIds, (shape) => ({ ...shape, locked }));

/** What becomes of what of shapes reaches past the rays; null as the round has it. */
export const setShapeEdge = (
  figure: Figure,
  roundId: RoundId,
  shapeIds: ReadonlySet<ShapeId>,
  edge: Edge | null,
): Figure =>
  withShapes(figure, roundId, shapeIds, ({ edge: _, ...shape }) =>
    edge === null ? shape : { ...shape, edge },
  );

/** Turns makers into paths that edit node by node; each path of a construction becomes a shape of its own. */
export const makePlain = (
  figure: Figure,
  roundId: RoundId,
  shapeIds: ReadonlySet<ShapeId>,
  newId: () => string,
  work: Work,
): Figure =>
  withRound(figure, roundId, (round) => ({
    ...round,
    shapes: round.shapes.flatMap((shape) => {
      if (!shapeIds.has(shape.id)) return [shape];
      const forms = plainForms(shape.form, work);
      const painted = partsWithPaint(shape, null, work);
      return forms.map((form, k) => ({
        ...shape,
        form,
        paint: (painted[k] ?? painted[0] ?? shape).paint,
        rule: (painted[k] ?? painted[0] ?? shape).rule,
        id: k === 0 ? shape.id : newId(),
        name: forms.length === 1 ? shape.name : `${shape.name} ${k + 1}`.slice(-LIMITS.name),
      }));
    }),
  }));

/**
 * Placed figures among shapes as the paths that they are made of, each in its own paint, for what works on outlines and has one paint.
 * @returns the shapes with these in their place
 */
export function withPlacedPlain(
  figure: Figure,
  roundId: RoundId,
  shapeIds: ReadonlySet<ShapeId>,
  newId: () => string,
  work: Work,
): { figure: Figure; ids: ReadonlySet<string> } {
  const { shapes } = roundOf(figure, roundId);
  const placed = shapes.filter(({ id, form }) => shapeIds.has(id) && form.kind === 'drawing');
  if (placed.length === 0) return { figure, ids: shapeIds };
  const before = new Set(shapes.map(({ id }) => id));
  const made = makePlain(figure, roundId, new Set(placed.map(({ id }) => id)), newId, work);
  const added = roundOf(made, roundId).shapes.flatMap(({ id }) => (before.has(id) ? [] : [id]));
  return { figure: made, ids: new Set([...shapeIds, ...added]) };
}

/** The paint in which a shape is seen: of a placed figure that of its frontmost part. */
const paintSeen = (shape: Shape, work: Work): Paint =>
  shape.form.kind === 'drawing'
    ? (partsWithPaint(shape, null, work).at(-1)?.paint ?? shape.paint)
    : shape.paint;

type NodeChange = (contour: Contour, own: ReadonlySet<number>) => readonly Contour[];

/**
 * Changes the contours of a path that have some of the named nodes (counted through all contours); contours left with
 * fewer than two nodes go, and with the last of them the shape.
 */
function changeContours(
  figure: Figure,
  ref: ShapeRef,
  indices: ReadonlySet<number>,
  change: NodeChange,
): Figure {
  const shape = findShape(figure, ref);
  if (shape?.form.kind !== 'path') return figure;
  const contours = changedContours(shape.form.contours, indices, change).filter(
    ({ nodes }) => nodes.length > 1,
  );
  if (contours.length === 0) return removeShapes(figure, ref.roundId, new Set([ref.shapeId]));
  return setForm(figure, ref, { ...shape.form, contours });
}

const withNodes = (
  figure: Figure,
  ref: ShapeRef,
  indices: ReadonlySet<number>,
  change: (nodes: readonly PathNode[], own: ReadonlySet<number>, closed: boolean) => PathNode[],
): Figure =>
  changeContours(figure, ref, indices, ({ nodes, closed }, own) => [
    { closed, nodes: change(nodes, own, closed) },
  ]);

/** Puts nodes of a path where a function wants them. */
export const placeNodes = (
  figure: Figure,
  ref: ShapeRef,
  indices: ReadonlySet<number>,
  place: (node: PathNode) => PathNode,
): Figure =>
  withNodes(figure, ref, indices, (nodes, own) => nodes.map((node, k) => (own.has(k) ? place(node) : node)));

/** Nearer to the axis than this, in the figure's unit, a node is on it. */
const ON_AXIS = 1e-9;

/** Moves nodes of a path, their handles with them. A mirrored one that is moved alone stays on the axis. */
export const moveNodes = (figure: Figure, ref: ShapeRef, indices: ReadonlySet<number>, by: Point): Figure =>
  placeNodes(figure, ref, indices, (node) => {
    const isHeld = indices.size === 1 && node.kind === 'mirrored' && Math.abs(node.x) <= ON_AXIS;
    return movedNode(node, isHeld ? { x: 0, y: by.y } : by);
  });

/** What nodes are made to share: x, height, radius or angle. */
export type NodeLine = 'x' | 'y' | 'r' | 'θ';

/** Puts nodes in line with the first of them. */
export function alignNodes(
  figure: Figure,
  ref: ShapeRef,
  indices: ReadonlySet<number>,
  along: NodeLine,
): Figure {
  const lead = nodesAt(figure, ref, indices)[0];
  if (!lead) return figure;
  const to = (node: PathNode): Point => {
    const [polar, led] = [polarOf(node), polarOf(lead)];
    switch (along) {
      case 'x':
        return { x: lead.x, y: node.y };
      case 'y':
        return { x: node.x, y: lead.y };
      case 'r':
        return fromPolar(led.r, polar.degrees);
      case 'θ':
        return fromPolar(polar.r, led.degrees);
    }
  };
  return placeNodes(figure, ref, indices, (node) => movedNode(node, subtract(to(node), node)));
}

/** Puts nodes at even steps on the straight way from the first of them to the last. */
export function spreadNodes(figure: Figure, ref: ShapeRef, indices: ReadonlySet<number>): Figure {
  const nodes = nodesAt(figure, ref, indices);
  const [first, last] = [nodes[0], nodes[nodes.length - 1]];
  if (!first || !last || nodes.length < 3) return figure;
  const places = new Map(nodes.map((node, k) => [node, between(first, last, k / (nodes.length - 1))]));
  return placeNodes(figure, ref, indices, (node) =>
    movedNode(node, subtract(places.get(node) ?? node, node)),
  );
}

/** The named nodes of a path, in its order. */
function nodesAt(figure: Figure, ref: ShapeRef, indices: ReadonlySet<number>): PathNode[] {
  const form = findShape(figure, ref)?.form;
  return form?.kind === 'path' ? nodesOfContours(form.contours).filter((_, k) => indices.has(k)) : [];
}

/** Puts a handle of a node at a point; the other follows as the node's kind asks. */
export const setHandle = (
  figure: Figure,
  ref: ShapeRef,
  index: number,
  side: HandleSide,
  to: Point,
): Figure => placeNodes(figure, ref, new Set([index]), (node) => withHandle(node, side, to));

export const setNodeKind = (
  figure: Figure,
  ref: ShapeRef,
  indices: ReadonlySet<number>,
  kind: NodeKind,
): Figure =>
  withNodes(figure, ref, indices, (nodes, own, closed) =>
    [...own].reduce<PathNode[]>((list, index) => withKind(list, index, kind, closed), [...nodes]),
  );

/** Takes the handles off nodes: their sides become straight where the other end has none either. */
export const removeHandles = (figure: Figure, ref: ShapeRef, indices: ReadonlySet<number>): Figure =>
  placeNodes(figure, ref, indices, bare);

/** A new node on a side of a contour of a path, at parameter t from 0 to 1, without a change of its form. */
export function addNode(figure: Figure, ref: ShapeRef, contour: number, side: number, t: number): Figure {
  const shape = findShape(figure, ref);
  if (shape?.form.kind !== 'path') return figure;
  const contours = shape.form.contours.map((each, k) =>
    k === contour ? { ...each, nodes: withNodeAt(each.nodes, side, t, each.closed) } : each,
  );
  return setForm(figure, ref, { ...shape.form, contours });
}

/**
 * Removes nodes; where the form is to be kept, one curve in place of each stretch comes as near as it can to what was there.
 * A contour left with fewer than two nodes is removed whole.
 */
export const removeNodes = (
  figure: Figure,
  ref: ShapeRef,
  indices: ReadonlySet<number>,
  keepForm = false,
): Figure =>
  changeContours(figure, ref, indices, (contour, own) => {
    const nodes = keepForm ? withoutNodesKept(contour, own) : withoutNodes(contour.nodes, own);
    return [{ nodes, closed: contour.closed && canClose(nodes) }];
  });

/**
 * Changes the contour that a node is in, into one or several. Where it is the path's only one, several become shapes of their
 * own, and the first keeps the id; where it is not, they stay contours of the path.
 */
export function replaceContour(
  figure: Figure,
  ref: ShapeRef,
  index: number,
  contours: readonly Contour[],
  newId: () => string,
): Figure {
  const shape = findShape(figure, ref);
  if (shape?.form.kind !== 'path') return figure;
  if (shape.form.contours.length > 1) return changeContours(figure, ref, new Set([index]), () => contours);
  return withRound(figure, ref.roundId, (round) => ({
    ...round,
    shapes: round.shapes.flatMap((each) =>
      each.id === ref.shapeId
        ? contours.map((contour, k) => ({
            ...each,
            id: k === 0 ? each.id : newId(),
            form: { kind: 'path' as const, contours: [contour] },
          }))
        : [each],
    ),
  }));
}

/** Opens or closes the contours that have some of the nodes; one that cannot enclose anything stays open. */
export const setClosed = (
  figure: Figure,
  ref: ShapeRef,
  indices: ReadonlySet<number>,
  closed: boolean,
): Figure =>
  changeContours(figure, ref, indices, ({ nodes }) => [{ nodes, closed: closed && canClose(nodes) }]);

/**
 * Makes one path of several shapes: their contours together, so that one within another is a hole. It takes the
 * place and the paint of the frontmost.
 */
export function onePath(
  figure: Figure,
  roundId: RoundId,
  shapeIds: ReadonlySet<ShapeId>,
  work: Work,
): { figure: Figure; id: string | null } {
  const chosen = roundOf(figure, roundId).shapes.filter(({ id }) => shapeIds.has(id));
  const front = chosen[chosen.length - 1];
  if (!front || chosen.length < 2) return { figure, id: null };
  const contours = chosen.flatMap(({ form }) => plainForms(form, work).flatMap((plain) => plain.contours));
  const paint = paintSeen(front, work);
  const made: Shape = { ...front, paint, form: { kind: 'path', contours }, rule: 'evenodd' };
  return {
    id: front.id,
    figure: withRound(figure, roundId, (round) => ({
      ...round,
      shapes: round.shapes.flatMap((shape) =>
        shape.id === front.id ? [made] : shapeIds.has(shape.id) ? [] : [shape],
      ),
    })),
  };
}

/** Makes every contour of paths a shape of its own. */
export const partContours = (
  figure: Figure,
  roundId: RoundId,
  shapeIds: ReadonlySet<ShapeId>,
  newId: () => string,
): Figure =>
  withRound(figure, roundId, (round) => ({
    ...round,
    shapes: round.shapes.flatMap((shape) => {
      if (!shapeIds.has(shape.id) || shape.form.kind !== 'path' || shape.form.contours.length < 2)
        return [shape];
      return shape.form.contours.map((contour, k) => ({
        ...shape,
        id: k === 0 ? shape.id : newId(),
        name: `${shape.name} ${k + 1}`.slice(-LIMITS.name),
        form: { kind: 'path' as const, contours: [contour] },
      }));
    }),
  }));
