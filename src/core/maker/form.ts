import { applyTo, moveMap, scaleMap, type Affine } from '../curve/affine';
import { movedNode, nodesOfPath, pathOfNodes, type PathNode } from '../curve/nodes';
import type { Path } from '../curve/path';
import type { Point } from '../curve/point';
import { dragEllipse, ellipseHandles, ellipsePath, ellipseProblem, type EllipseForm } from './ellipse';
import { dragPetal, petalHandles, petalPath, petalProblem, scaledPetal, type PetalForm } from './petal';
import type { MakerHandle } from './placed';
import { dragPolygon, polygonHandles, polygonPath, polygonProblem, type PolygonForm } from './polygon';

/** A path drawn node by node. */
export interface PathForm {
  readonly kind: 'path';
  readonly closed: boolean;
  readonly nodes: readonly PathNode[];
}

/** What a shape is made from: nodes, or the numbers of a maker. */
export type Form = PathForm | PetalForm | PolygonForm | EllipseForm;
export type MakerForm = Exclude<Form, PathForm>;

const made = new WeakMap<Form, Path>();

/** The path of a form in motif coordinates; made once for each form. */
export function pathOfForm(form: Form): Path {
  const known = made.get(form);
  if (known) return known;
  const path = makePath(form);
  made.set(form, path);
  return path;
}

function makePath(form: Form): Path {
  switch (form.kind) {
    case 'path':
      return pathOfNodes(form.nodes, form.closed);
    case 'petal':
      return petalPath(form);
    case 'polygon':
      return polygonPath(form);
    case 'ellipse':
      return ellipsePath(form);
  }
}

/** Why a form's numbers make no shape, or null where they do. */
export function formProblem(form: Form): string | null {
  switch (form.kind) {
    case 'path':
      return form.nodes.length >= 2 ? null : 'A path needs two nodes at least.';
    case 'petal':
      return petalProblem(form.size);
    case 'polygon':
      return polygonProblem(form);
    case 'ellipse':
      return ellipseProblem(form);
  }
}

/** The live handles of a maker; a drawn path has nodes instead. */
export function handlesOfForm(form: Form): MakerHandle[] {
  switch (form.kind) {
    case 'path':
      return [];
    case 'petal':
      return petalHandles(form);
    case 'polygon':
      return polygonHandles(form);
    case 'ellipse':
      return ellipseHandles(form);
  }
}

/** A maker with one of its handles put at a point of the motif. */
export function dragFormHandle(form: MakerForm, id: string, to: Point): MakerForm {
  switch (form.kind) {
    case 'petal':
      return dragPetal(form, id, to);
    case 'polygon':
      return dragPolygon(form, id, to);
    case 'ellipse':
      return dragEllipse(form, id, to);
  }
}

const mapNode = (node: PathNode, m: Affine): PathNode => ({
  ...node,
  ...applyTo(m, node),
  ...(node.in && { in: applyTo(m, node.in) }),
  ...(node.out && { out: applyTo(m, node.out) }),
});

/** The form moved by a vector. */
export function movedForm<F extends Form>(form: F, by: Point): F {
  if (form.kind === 'path') return { ...form, nodes: form.nodes.map((node) => movedNode(node, by)) };
  return { ...form, at: applyTo(moveMap(by), form.at) };
}

/** The form scaled by a positive factor about a point. Numbers stay numbers. */
export function scaledForm(form: Form, factor: number, about: Point): Form {
  const m = scaleMap(factor, about);
  switch (form.kind) {
    case 'path':
      return { ...form, nodes: form.nodes.map((node) => mapNode(node, m)) };
    case 'petal':
      return { ...form, at: applyTo(m, form.at), size: scaledPetal(form.size, factor) };
    case 'polygon':
      return { ...form, at: applyTo(m, form.at), radius: form.radius * factor };
    case 'ellipse':
      return { ...form, at: applyTo(m, form.at), rx: form.rx * factor, ry: form.ry * factor };
  }
}

/** The form as nodes that edit like any drawn path. */
export function plainForm(form: Form): PathForm {
  if (form.kind === 'path') return form;
  const path = pathOfForm(form);
  return { kind: 'path', closed: path.closed, nodes: nodesOfPath(path) };
}
