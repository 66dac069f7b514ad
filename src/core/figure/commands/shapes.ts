import { produce } from 'immer';

import { movedForm, plainForms, type Form } from '../../maker/form';
import type { Point } from '../../curve/point';
import { bare, withHandle, withKind, withNodeAt, withoutNodes, movedNode } from '../../curve/nodes';
import type { HandleSide, NodeKind, PathNode } from '../../curve/nodes';
import { pathOfNodes } from '../../curve/nodes';
import { regrouped } from '../groups';
import type { Figure, Shape } from '../model';
import { roundOf, withRound } from './rounds';

/** Names one shape of one round. */
export interface ShapeRef {
  readonly roundId: string;
  readonly shapeId: string;
}

/** The shape, or null where the figure no longer has it. */
export function findShape(figure: Figure, ref: ShapeRef): Shape | null {
  const round = figure.rounds.find(({ id }) => id === ref.roundId);
  return round?.shapes.find(({ id }) => id === ref.shapeId) ?? null;
}

/** The figure with the named shapes of a round changed. */
export const withShapes = (
  figure: Figure,
  roundId: string,
  shapeIds: ReadonlySet<string>,
  change: (shape: Shape) => Shape,
): Figure =>
  withRound(figure, roundId, (round) => ({
    ...round,
    shapes: round.shapes.map((shape) => (shapeIds.has(shape.id) ? change(shape) : shape)),
  }));

/** Adds shapes at the front of a round's motif. */
export const addShapes = (figure: Figure, roundId: string, shapes: readonly Shape[]): Figure =>
  withRound(figure, roundId, (round) => ({ ...round, shapes: [...round.shapes, ...shapes] }));

export const removeShapes = (figure: Figure, roundId: string, shapeIds: ReadonlySet<string>): Figure =>
  withRound(figure, roundId, (round) => ({
    ...round,
    shapes: round.shapes.filter(({ id }) => !shapeIds.has(id)),
  }));

/** Copies of shapes, moved by a vector, in front of the motif; the last ids belong to the copies. */
export function duplicateShapes(
  figure: Figure,
  roundId: string,
  shapeIds: ReadonlySet<string>,
  newId: () => string,
  by: Point,
): { figure: Figure; ids: string[] } {
  const chosen = roundOf(figure, roundId).shapes.filter(({ id }) => shapeIds.has(id));
  const copies = regrouped(chosen, newId).map((shape) => ({
    ...shape,
    id: newId(),
    form: movedForm(shape.form, by),
  }));
  return { figure: addShapes(figure, roundId, copies), ids: copies.map(({ id }) => id) };
}

/** Puts a shape at another place in the motif's layer order, 0 at the back. */
export const moveShapeOrder = (figure: Figure, ref: ShapeRef, to: number): Figure =>
  produce(figure, (draft) => {
    const shapes = draft.rounds.find(({ id }) => id === ref.roundId)?.shapes;
    const from = shapes?.findIndex(({ id }) => id === ref.shapeId) ?? -1;
    if (!shapes || from < 0) return;
    const [shape] = shapes.splice(from, 1);
    if (shape) shapes.splice(Math.max(0, Math.min(to, shapes.length)), 0, shape);
  });

export const moveShapes = (
  figure: Figure,
  roundId: string,
  shapeIds: ReadonlySet<string>,
  by: Point,
): Figure =>
  withShapes(figure, roundId, shapeIds, (shape) => ({ ...shape, form: movedForm(shape.form, by) }));

export const setForm = (figure: Figure, ref: ShapeRef, form: Form): Figure =>
  withShapes(figure, ref.roundId, new Set([ref.shapeId]), (shape) => ({ ...shape, form }));

export const renameShape = (figure: Figure, ref: ShapeRef, name: string): Figure =>
  name.trim() === ''
    ? figure
    : withShapes(figure, ref.roundId, new Set([ref.shapeId]), (shape) => ({ ...shape, name: name.trim() }));

export const showShape = (figure: Figure, ref: ShapeRef, visible: boolean): Figure =>
  withShapes(figure, ref.roundId, new Set([ref.shapeId]), (shape) => ({ ...shape, visible }));

export const lockShape = (figure: Figure, ref: ShapeRef, locked: boolean): Figure =>
  withShapes(figure, ref.roundId, new Set([ref.shapeId]), (shape) => ({ ...shape, locked }));

/** Turns makers into paths that edit node by node; each path of a construction becomes a shape of its own. */
export const makePlain = (
  figure: Figure,
  roundId: string,
  shapeIds: ReadonlySet<string>,
  newId: () => string,
): Figure =>
  withRound(figure, roundId, (round) => ({
    ...round,
    shapes: round.shapes.flatMap((shape) => {
      if (!shapeIds.has(shape.id)) return [shape];
      const forms = plainForms(shape.form);
      return forms.map((form, k) => ({
        ...shape,
        form,
        id: k === 0 ? shape.id : newId(),
        name: forms.length === 1 ? shape.name : `${shape.name} ${k + 1}`.slice(-120),
      }));
    }),
  }));

type NodeChange = (nodes: readonly PathNode[], closed: boolean) => PathNode[];

function withNodes(figure: Figure, ref: ShapeRef, change: NodeChange): Figure {
  const shape = findShape(figure, ref);
  if (shape?.form.kind !== 'path') return figure;
  return setForm(figure, ref, { ...shape.form, nodes: change(shape.form.nodes, shape.form.closed) });
}

/** Moves nodes of a path, their handles with them. */
export const moveNodes = (figure: Figure, ref: ShapeRef, indices: ReadonlySet<number>, by: Point): Figure =>
  withNodes(figure, ref, (nodes) => nodes.map((node, k) => (indices.has(k) ? movedNode(node, by) : node)));

/** Puts a handle of a node at a point; an even or smooth node keeps its other handle in line. */
export const setHandle = (
  figure: Figure,
  ref: ShapeRef,
  index: number,
  side: HandleSide,
  to: Point,
): Figure =>
  withNodes(figure, ref, (nodes) =>
    nodes.map((node, k) => (k === index ? withHandle(node, side, to) : node)),
  );

export const setNodeKind = (
  figure: Figure,
  ref: ShapeRef,
  indices: ReadonlySet<number>,
  kind: NodeKind,
): Figure =>
  withNodes(figure, ref, (nodes, closed) =>
    [...indices].reduce<PathNode[]>((list, index) => withKind(list, index, kind, closed), [...nodes]),
  );

/** Takes the handles off nodes: their sides become straight where the other end has none either. */
export const removeHandles = (figure: Figure, ref: ShapeRef, indices: ReadonlySet<number>): Figure =>
  withNodes(figure, ref, (nodes) => nodes.map((node, k) => (indices.has(k) ? bare(node) : node)));

/** A new node on side `side` of a path, at parameter t from 0 to 1, without a change of its form. */
export const addNode = (figure: Figure, ref: ShapeRef, side: number, t: number): Figure =>
  withNodes(figure, ref, (nodes, closed) => withNodeAt(nodes, side, t, closed));

/** Removes nodes; a path left with fewer than two is removed whole. */
export function removeNodes(figure: Figure, ref: ShapeRef, indices: ReadonlySet<number>): Figure {
  const shape = findShape(figure, ref);
  if (shape?.form.kind !== 'path') return figure;
  const nodes = withoutNodes(shape.form.nodes, indices);
  if (nodes.length < 2) return removeShapes(figure, ref.roundId, new Set([ref.shapeId]));
  return setForm(figure, ref, { ...shape.form, nodes, closed: shape.form.closed && canClose(nodes) });
}

/** Two nodes can only close round an area where a side between them is curved. */
const canClose = (nodes: readonly PathNode[]): boolean =>
  nodes.length > 2 || pathOfNodes(nodes, true).segments.some(({ kind }) => kind !== 'line');

/** Puts paths in place of one path; the first keeps its id and name. */
export const replacePath = (
  figure: Figure,
  ref: ShapeRef,
  paths: readonly { readonly closed: boolean; readonly nodes: readonly PathNode[] }[],
  newId: () => string,
): Figure =>
  withRound(figure, ref.roundId, (round) => ({
    ...round,
    shapes: round.shapes.flatMap((shape) =>
      shape.id === ref.shapeId
        ? paths.map(({ closed, nodes }, k) => ({
            ...shape,
            id: k === 0 ? shape.id : newId(),
            form: { kind: 'path' as const, closed, nodes },
          }))
        : [shape],
    ),
  }));

/** Opens or closes a path; one that cannot enclose anything stays open. */
export function setClosed(figure: Figure, ref: ShapeRef, closed: boolean): Figure {
  const shape = findShape(figure, ref);
  if (shape?.form.kind !== 'path') return figure;
  return setForm(figure, ref, { ...shape.form, closed: closed && canClose(shape.form.nodes) });
}

/** Puts nodes of a path where a function wants them. */
export const placeNodes = (
  figure: Figure,
  ref: ShapeRef,
  indices: ReadonlySet<number>,
  place: (node: PathNode) => PathNode,
): Figure => withNodes(figure, ref, (nodes) => nodes.map((node, k) => (indices.has(k) ? place(node) : node)));
