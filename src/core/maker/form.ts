import { applyTo, moveMap, scaleMap } from '../curve/affine';
import { contoursOfPaths, mappedContours, pathsOfContours, type Contour } from '../curve/contours';
import type { PathNode } from '../curve/nodes';
import type { Path } from '../curve/path';
import { distance, type Point } from '../curve/point';
import { scaledNumbers } from './construction';
import { dragEllipse, ellipseHandles, ellipsePath, ellipseProblem, type EllipseForm } from './ellipse';
import { dragPetal, petalHandles, petalPath, petalProblem, scaledPetal, type PetalForm } from './petal';
import { isBuiltKind, makerOf, withNumbers, type BuiltForm } from './makers';
import { directionTo, ownPoint, placePath, placePoint, type MakerHandle } from './placed';
import { dragPolygon, polygonHandles, polygonPaths, polygonProblem, type PolygonForm } from './polygon';
import { remembered } from '../remembered';

/** A path drawn node by node. */
export interface PathForm {
  readonly kind: 'path';
  /** One at least; several make holes, by the shape's fill rule. */
  readonly contours: readonly Contour[];
}

/** A path of one contour. */
export const pathForm = (nodes: readonly PathNode[], closed: boolean): PathForm => ({
  kind: 'path',
  contours: [{ closed, nodes }],
});

/** The path form that draws given paths as its contours. */
export const formOfPaths = (paths: readonly Path[]): PathForm => ({
  kind: 'path',
  contours: contoursOfPaths(paths),
});

/** What a shape is made from: nodes, or the numbers of a maker. */
export type Form = PathForm | PetalForm | PolygonForm | EllipseForm | BuiltForm;
export type MakerForm = Exclude<Form, PathForm>;

export const isBuilt = (form: Form): form is BuiltForm => isBuiltKind(form.kind);

/** The paths of a form in motif coordinates; made once for each form. */
export const pathsOfForm = remembered((form: Form): readonly Path[] => makePaths(form));

const NOTHING: Path = { closed: false, segments: [] };

/** The first path of a form: all of it but for constructions of several. */
export const pathOfForm = (form: Form): Path => pathsOfForm(form)[0] ?? NOTHING;

function makePaths(form: Form): readonly Path[] {
  switch (form.kind) {
    case 'path':
      return pathsOfContours(form.contours);
    case 'petal':
      return [petalPath(form)];
    case 'polygon':
      return polygonPaths(form);
    case 'ellipse':
      return [ellipsePath(form)];
    default:
      return makerOf(form.kind)
        .paths(form.numbers)
        .map((path) => placePath(form, path));
  }
}

/** Why a form's numbers make no shape, or null where they do. */
export function formProblem(form: Form): string | null {
  switch (form.kind) {
    case 'path':
      return form.contours.length > 0 && form.contours.every(({ nodes }) => nodes.length >= 2)
        ? null
        : 'A path needs two nodes at least.';
    case 'petal':
      return petalProblem(form.size);
    case 'polygon':
      return polygonProblem(form);
    case 'ellipse':
      return ellipseProblem(form);
    default:
      return makerOf(form.kind).problem(form.numbers);
  }
}

const FAR_END = 'far end';

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
    default: {
      const maker = makerOf(form.kind);
      const grips = maker.grips?.(form.numbers) ?? [];
      return [
        { id: 'origin', point: form.at },
        ...(maker.extent
          ? [{ id: FAR_END, point: placePoint(form, { x: 0, y: -maker.extent(form.numbers) }) }]
          : []),
        ...grips.map(({ id, at }) => ({ id, point: placePoint(form, at) })),
      ];
    }
  }
}

/** A construction whose far end is put at a distance from its origin. */
function reachedForm(form: BuiltForm, extent: number): BuiltForm {
  const maker = makerOf(form.kind);
  if (!maker.extent) return form;
  const numbers =
    maker.reached?.(form.numbers, extent) ??
    scaledNumbers(maker, form.numbers, extent / maker.extent(form.numbers));
  return withNumbers(form, numbers);
}

function dragBuilt(form: BuiltForm, id: string, to: Point): BuiltForm {
  const maker = makerOf(form.kind);
  let next = form;
  if (id === 'origin') next = { ...form, at: to };
  else if (id === FAR_END && makerOf(form.kind).extent) {
    const extent = distance(form.at, to);
    if (extent > 0) next = { ...reachedForm(form, extent), rotation: directionTo(form.at, to) };
  } else {
    const grip = maker.grips?.(form.numbers).find((each) => each.id === id);
    if (grip) next = withNumbers(form, { ...form.numbers, ...grip.drag(ownPoint(form, to)) });
  }
  // A drag that would make nothing leaves things as they are.
  return formProblem(next) === null ? next : form;
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
    default:
      return dragBuilt(form, id, to);
  }
}

/** The form moved by a vector. */
export function movedForm<F extends Form>(form: F, by: Point): F {
  if (form.kind === 'path') return { ...form, contours: mappedContours(form.contours, moveMap(by)) };
  return { ...form, at: applyTo(moveMap(by), form.at) };
}

/** The form scaled by a positive factor about a point. Numbers stay numbers. */
export function scaledForm(form: Form, factor: number, about: Point): Form {
  const m = scaleMap(factor, about);
  switch (form.kind) {
    case 'path':
      return { ...form, contours: mappedContours(form.contours, m) };
    case 'petal':
      return { ...form, at: applyTo(m, form.at), size: scaledPetal(form.size, factor) };
    case 'polygon':
      return { ...form, at: applyTo(m, form.at), radius: form.radius * factor };
    case 'ellipse':
      return { ...form, at: applyTo(m, form.at), rx: form.rx * factor, ry: form.ry * factor };
    default: {
      const numbers = scaledNumbers(makerOf(form.kind), form.numbers, factor);
      return { ...withNumbers(form, numbers), at: applyTo(m, form.at) };
    }
  }
}

/** The paths of a form that belong together as one part with its holes: a drawn path is one, a maker has some. */
export function partsOfForm(form: Form): readonly (readonly Path[])[] {
  const paths = pathsOfForm(form);
  if (form.kind === 'path') return [paths];
  const sizes = (isBuilt(form) && makerOf(form.kind).partSizes?.(form.numbers)) || [1];
  const parts: (readonly Path[])[] = [];
  for (let from = 0; from < paths.length;) {
    const to = from + Math.max(1, sizes[parts.length % sizes.length] ?? 1);
    parts.push(paths.slice(from, to));
    from = to;
  }
  return parts;
}

/** The form as nodes that edit like any drawn path: one for each of its parts. */
export function plainForms(form: Form): PathForm[] {
  if (form.kind === 'path') return [form];
  return partsOfForm(form).map(formOfPaths);
}
