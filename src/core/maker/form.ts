import { finding, ok, valueOr, type Finding, type Result } from '../finding';
import { applyTo, moveMap, scaleMap } from '../curve/affine';
import { contoursOfPaths, mappedContours, pathsOfContours, type Contour } from '../curve/contours';
import type { PathNode } from '../curve/nodes';
import type { Path } from '../curve/path';
import { distance, type Point } from '../curve/point';
import { rememberedWith, type Work } from '../derive';
import { scaledNumbers, type MakerFact } from './construction';
import { dragEllipse, ellipseHandles, ellipsePath, ellipseProblem, type EllipseForm } from './ellipse';
import { dragPetal, petalHandles, petalPath, petalProblem, scaledPetal, type PetalForm } from './petal';
import { isBuiltKind, makerOf, withNumbers, type BuiltForm } from './makers';
import { directionTo, ownPoint, placePath, placePoint, type MakerHandle } from './placed';
import { dragPolygon, polygonHandles, polygonPaths, polygonProblem, type PolygonForm } from './polygon';

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

/**
 * The paths of a form in motif coordinates, the same as long as the form is; none while what they follow from is worked out, and
 * where nothing comes of it.
 */
export const pathsOfForm = rememberedWith(makePaths);

function makePaths(form: Form, work: Work): readonly Path[] {
  switch (form.kind) {
    case 'path':
      return pathsOfContours(form.contours);
    case 'petal':
      return [petalPath(form)];
    case 'polygon':
      return polygonPaths(form);
    case 'ellipse':
      return [ellipsePath(form)];
    default: {
      const solved = solvedOf(form, work);
      return solved?.ok
        ? makerOf(form.kind)
            .paths(form.numbers, solved.value)
            .map((path) => placePath(form, path))
        : [];
    }
  }
}

/** What a construction has to have worked out; undefined while that is not there. */
function solvedOf({ kind, numbers }: BuiltForm, work: Work): Result<unknown> | undefined {
  const maker = makerOf(kind);
  return maker.solve ? work.ask(maker.solve(numbers)) : ok(undefined);
}

const valueOf = (form: BuiltForm, work: Work): unknown => valueOr(solvedOf(form, work), undefined);

/** True where a form's paths take work that may last. */
export const isSolved = (form: Form): boolean => isBuilt(form) && makerOf(form.kind).solve !== undefined;

/**
 * Why nothing comes of a form: of its numbers, or of what they lead to; null where something does, and while that is being worked out.
 */
export function formFinding(form: Form, work: Work): Finding | null {
  const problem = formProblem(form);
  if (problem !== null || !isBuilt(form)) return problem;
  const solved = solvedOf(form, work);
  return solved && !solved.ok ? solved.finding : null;
}

/** Why a form's numbers can make no shape, or null where they may. Looks at the numbers alone. */
export function formProblem(form: Form): Finding | null {
  switch (form.kind) {
    case 'path':
      return form.contours.length > 0 && form.contours.every(({ nodes }) => nodes.length >= 2)
        ? null
        : finding('path.nodes');
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
export function handlesOfForm(form: Form, work: Work): MakerHandle[] {
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
      const grips = maker.grips?.(form.numbers, valueOf(form, work)) ?? [];
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

function dragBuilt(form: BuiltForm, id: string, to: Point, work: Work): BuiltForm {
  const maker = makerOf(form.kind);
  let next = form;
  if (id === 'origin') next = { ...form, at: to };
  else if (id === FAR_END && makerOf(form.kind).extent) {
    const extent = distance(form.at, to);
    if (extent > 0) next = { ...reachedForm(form, extent), rotation: directionTo(form.at, to) };
  } else {
    const grip = maker.grips?.(form.numbers, valueOf(form, work)).find((each) => each.id === id);
    if (grip) next = withNumbers(form, { ...form.numbers, ...grip.drag(ownPoint(form, to)) });
  }
  // A drag that would make nothing leaves things as they are.
  return formFinding(next, work) === null ? next : form;
}

/** A maker with one of its handles put at a point of the motif. */
export function dragFormHandle(form: MakerForm, id: string, to: Point, work: Work): MakerForm {
  switch (form.kind) {
    case 'petal':
      return dragPetal(form, id, to);
    case 'polygon':
      return dragPolygon(form, id, to);
    case 'ellipse':
      return dragEllipse(form, id, to);
    default:
      return dragBuilt(form, id, to, work);
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
export function partsOfForm(form: Form, work: Work): readonly (readonly Path[])[] {
  const paths = pathsOfForm(form, work);
  const maker = isBuilt(form) ? makerOf(form.kind) : null;
  if (form.kind === 'path' || maker?.isOnePart) return paths.length > 0 ? [paths] : [];
  const sizes = (isBuilt(form) && maker?.partSizes?.(form.numbers)) || [1];
  const parts: (readonly Path[])[] = [];
  for (let from = 0; from < paths.length;) {
    const to = from + Math.max(1, sizes[parts.length % sizes.length] ?? 1);
    parts.push(paths.slice(from, to));
    from = to;
  }
  return parts;
}

/** The figures that follow from a construction's numbers, for people to read. */
export const factsOfForm = (form: BuiltForm, work: Work): readonly MakerFact[] =>
  makerOf(form.kind).facts?.(form.numbers, pathsOfForm(form, work), valueOf(form, work)) ?? [];

/** The form as nodes that edit like any drawn path: one for each of its parts. */
export function plainForms(form: Form, work: Work): PathForm[] {
  if (form.kind === 'path') return [form];
  return partsOfForm(form, work).map(formOfPaths);
}
