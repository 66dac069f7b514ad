/**
 * The form of a shape: a path, or a construction by its numbers.
 *
 * @example
 * const paths = pathsOfForm(shape.form, work);
 */
import { finding, type Finding, ok, type Result, valueOr } from '@/core/finding';
import {
  applyTo,
  type Contour,
  contoursOfPaths,
  distance,
  mappedContours,
  moveMap,
  type Path,
  type PathNode,
  pathsOfContours,
  type Point,
  scaleMap,
} from '@/core/curve';
import { rememberedWith, type Work } from '@/core/derive';
import { equalTurns, turn, wrapTurn } from '@/core/number';
import { scaledParams, type MakerFact } from './construction';
import type { Place } from './drawn';
import { makerOf, withParams, type BuiltForm } from './makers';
import { directionTo, ownPoint, placePath, placePoint, type MakerHandle } from './placed';

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

/** What a shape is made from: nodes, or the params of a construction. */
export type Form = PathForm | BuiltForm;

export const isBuilt = (form: Form): form is BuiltForm => form.kind !== 'path';

/**
 * The paths of a form in motif coordinates, the same as long as the form is; none while what they follow from is worked out, and
 * where nothing comes of it.
 */
export const pathsOfForm = rememberedWith(makePaths);

function makePaths(form: Form, work: Work): readonly Path[] {
  if (!isBuilt(form)) return pathsOfContours(form.contours);
  const solved = solvedOf(form, work);
  if (!solved?.ok) return [];
  const paths = makerOf(form.kind).paths(form.params, solved.value);
  return paths.map((path) => placePath(form, path));
}

/** Another figure as it is shown in this one. */
export type PlacedFigure = Extract<BuiltForm, { kind: 'drawing' }>;

/** A placed figure at other places: its origin is the first of them, wherever that was before. */
export function withPlaces(form: PlacedFigure, places: readonly Place[]): PlacedFigure {
  const [first] = places;
  const { x, y } = first ?? { x: 0, y: 0 };
  return {
    ...form,
    at: placePoint(form, { x, y }),
    params: { ...form.params, places: places.map((place) => ({ ...place, x: place.x - x, y: place.y - y })) },
  };
}

/** The lines in the middle of a band that reaches as far to both sides all along; null of any other form. */
export function middleOfBand(form: Form): { readonly paths: readonly Path[]; readonly width: number } | null {
  if (form.kind !== 'band') return null;
  const { along, width, widths, side, dashes } = form.params;
  if (widths.length > 0 || side !== 'middle' || dashes.length > 0) return null;
  return { paths: pathsOfContours(along).map((path) => placePath(form, path)), width };
}

/** What a construction has to have worked out; undefined while that is not there. */
function solvedOf({ kind, params }: BuiltForm, work: Work): Result<unknown> | undefined {
  const maker = makerOf(kind);
  return maker.solve ? work.ask(maker.solve(params)) : ok(undefined);
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
  if (isBuilt(form)) return makerOf(form.kind).problem(form.params);
  const { contours } = form;
  return contours.length > 0 && contours.every(({ nodes }) => nodes.length >= 2)
    ? null
    : finding('path.nodes');
}

const ORIGIN_HANDLE = 'origin';
const FAR_END = 'far end';

/** True for a handle that says where a construction stands and how it is turned. */
export const isPlacing = (handle: string): boolean => handle === ORIGIN_HANDLE || handle === FAR_END;

const farEndOf = (form: BuiltForm, extent: number): Point => placePoint(form, { x: 0, y: -extent });

/** The live handles of a construction; a drawn path has nodes instead. */
export function handlesOfForm(form: Form, work: Work): MakerHandle[] {
  if (!isBuilt(form)) return [];
  const maker = makerOf(form.kind);
  const grips = maker.grips?.(form.params, valueOf(form, work)) ?? [];
  const extent = maker.extent?.(form.params);
  return [
    { id: ORIGIN_HANDLE, point: form.at },
    ...(extent === undefined ? [] : [{ id: FAR_END, point: farEndOf(form, extent) }]),
    ...grips.map(({ id, at, field }) => ({ id, point: placePoint(form, at), ...(field && { field }) })),
  ];
}

/** A construction whose far end is put at a distance from its origin. */
function reachedForm(form: BuiltForm, extent: number): BuiltForm {
  const maker = makerOf(form.kind);
  if (!maker.extent) return form;
  const params =
    maker.reached?.(form.params, extent) ??
    scaledParams(maker, form.params, extent / maker.extent(form.params));
  return withParams(form, params);
}

/** A construction between two points: from its origin to its far end. */
function between(form: BuiltForm, at: Point, end: Point): BuiltForm {
  const extent = distance(at, end);
  return extent > 0 ? { ...reachedForm(form, extent), at, rotation: directionTo(at, end) } : form;
}

function dragged(form: BuiltForm, id: string, to: Point, work: Work): BuiltForm {
  const maker = makerOf(form.kind);
  const extent = maker.extent?.(form.params);
  if (id === ORIGIN_HANDLE)
    return maker.holdsFarEnd && extent !== undefined
      ? between(form, to, farEndOf(form, extent))
      : { ...form, at: to };
  if (id === FAR_END && extent !== undefined) return between(form, form.at, to);
  const grip = maker.grips?.(form.params, valueOf(form, work)).find((each) => each.id === id);
  if (!grip) return form;
  const own = ownPoint(form, to);
  const at = grip.origin ? placePoint(form, grip.origin(own)) : form.at;
  return { ...withParams(form, { ...form.params, ...grip.drag(own) }), at };
}

/** A construction with one of its handles put at a point of the motif; the same where that would make nothing. */
export function dragFormHandle(form: BuiltForm, id: string, to: Point, work: Work): BuiltForm {
  const next = dragged(form, id, to, work);
  return formFinding(next, work) === null ? next : form;
}

/** The form moved by a vector. */
export function movedForm<F extends Form>(form: F, by: Point): F {
  if (form.kind === 'path') return { ...form, contours: mappedContours(form.contours, moveMap(by)) };
  return { ...form, at: applyTo(moveMap(by), form.at) };
}

/** The form scaled by a positive factor about a point. Params stay numbers. */
export function scaledForm(form: Form, factor: number, about: Point): Form {
  const m = scaleMap(factor, about);
  if (!isBuilt(form)) return { ...form, contours: mappedContours(form.contours, m) };
  const params = scaledParams(makerOf(form.kind), form.params, factor);
  return { ...withParams(form, params), at: applyTo(m, form.at) };
}

/** Directions in which a construction stands or lies straight: upright ones are as wide as they are, others as high. */
const QUARTERS = [turn(0), turn(1, 4), turn(1, 2), turn(3, 4)];

/**
 * A construction that is so many times as wide and as high about a point, still from numbers; null where it leans, or there is none of its
 * kind that is so.
 */
export function stretchedForm(form: Form, across: number, up: number, about: Point): Form | null {
  if (!isBuilt(form)) return null;
  const quarter = QUARTERS.findIndex((each) => equalTurns(each, wrapTurn(form.rotation)));
  const stretched = makerOf(form.kind).stretched;
  if (quarter < 0 || !stretched) return null;
  const params = quarter % 2 === 0 ? stretched(form.params, across, up) : stretched(form.params, up, across);
  const at = { x: about.x + (form.at.x - about.x) * across, y: about.y + (form.at.y - about.y) * up };
  return { ...withParams(form, params), at };
}

/** True for a form that can be made wider without being higher and stays what it is: a path, or a construction that has numbers for it. */
export const isStretchable = (form: Form): boolean =>
  form.kind === 'path' || stretchedForm(form, 1, 1, { x: 0, y: 0 }) !== null;

/** A form with its width alone multiplied; null where it has none of its own. */
export function widenedForm(form: Form, factor: number): Form | null {
  const params = isBuilt(form) ? makerOf(form.kind).widened?.(form.params, factor) : null;
  return isBuilt(form) && params ? withParams(form, params) : null;
}

/** The paths of a form that belong together as one part with its holes: a drawn path is one, a maker has some. */
export function partsOfForm(form: Form, work: Work): readonly (readonly Path[])[] {
  const paths = pathsOfForm(form, work);
  const maker = isBuilt(form) ? makerOf(form.kind) : null;
  if (form.kind === 'path' || maker?.isOnePart) return paths.length > 0 ? [paths] : [];
  const sizes = (isBuilt(form) && maker?.partSizes?.(form.params)) || [1];
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
  makerOf(form.kind).facts?.(form.params, pathsOfForm(form, work), valueOf(form, work)) ?? [];

/** The form as nodes that edit like any drawn path: one for each of its parts. */
export function plainForms(form: Form, work: Work): PathForm[] {
  if (form.kind === 'path') return [form];
  return partsOfForm(form, work).map(formOfPaths);
}
