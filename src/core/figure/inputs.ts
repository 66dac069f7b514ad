/**
 * A construction may be made of another shape of its motif: an offset of a petal, a stamp along a line. It keeps the curves that it is made
 * of, and names the shape that they are those of; where that shape is changed it follows.
 *
 * @example
 * const petals = offsetShapes(figure, 'petals', new Set(['petal']), 2, newId, work).figure;
 * const wider = setForm(petals, { roundId: 'petals', shapeId: 'petal' }, wide); // the offset is that of the wide petal
 */
import {
  boundsOfPaths,
  centroidOf,
  type Contour,
  contoursOfPaths,
  inverse,
  mappedContours,
  moveMap,
  pathsOfContours,
  type Point,
  samePath,
} from '@/core/curve';
import { STRAIGHT, type Work } from '@/core/derive';
import { failed, finding, type Finding, ok, type Result } from '@/core/finding';
import {
  type BuiltForm,
  type Field,
  type Form,
  formProblem,
  handlesOfForm,
  isBuilt,
  isPlacing,
  isSolved,
  type MakerHandle,
  makerOf,
  mapOf,
  type Params,
  pathsOfForm,
  withParams,
} from '@/core/maker';
import type { Motif } from './groups';
import { LIMITS, type Shape } from './model';
import { newShape } from './start';

/** A field that holds curves, and may hold those of another shape. */
export type InputField = Extract<Field<Params>, { type: 'drawn' }> & { readonly key: string };

type Inputs = Readonly<Record<string, string>>;
const NONE: Inputs = {};

/** The fields of a form that may hold another shape's curves. */
export const inputFields = (form: Form): readonly InputField[] =>
  isBuilt(form)
    ? makerOf(form.kind).fields.filter(
        (field): field is InputField => field.type === 'drawn' && field.of !== undefined,
      )
    : [];

/** What the curves of a field are called by themselves. */
export const inputName = ({ key, label }: InputField): string => (key === 'along' ? 'Line' : label);

/** Where the middle of curves is for a field that holds them about it. */
function middleFor(field: InputField, contours: readonly Contour[]): Point {
  const paths = pathsOfContours(contours);
  const centroid = field.of === 'centroid' ? centroidOf(paths) : null;
  const { left, right, top, bottom } = boundsOfPaths(paths);
  return centroid ?? { x: (left + right) / 2, y: (top + bottom) / 2 };
}

/** A shape's curves in motif coordinates; a path's with the kinds of its nodes. Of what takes work there are none here. */
function curvesOf(form: Form): readonly Contour[] {
  if (!isBuilt(form)) return form.contours;
  return isSolved(form) ? [] : contoursOfPaths(pathsOfForm(form, STRAIGHT));
}

/** A source's curves as a field of a construction holds them: in its own coordinates, or about their middle. */
function inputOf(field: InputField, form: BuiltForm, source: Shape): readonly Contour[] {
  const contours = curvesOf(source.form);
  if (contours.length === 0) return contours;
  if (field.of === 'place') return mappedContours(contours, inverse(mapOf(form)));
  const { x, y } = middleFor(field, contours);
  return mappedContours(contours, moveMap({ x: -x, y: -y }));
}

const withField = (form: BuiltForm, key: string, contours: readonly Contour[]): BuiltForm =>
  withParams(form, { ...form.params, [key]: contours });

const curvesIn = (form: BuiltForm, key: string): readonly Contour[] =>
  (form.params as Params)[key] as readonly Contour[];

/** True for curves that run the same, but for rounding. */
function sameCurves(a: readonly Contour[], b: readonly Contour[]): boolean {
  if (a === b) return true;
  if (a.length !== b.length) return false;
  const [one, other] = [pathsOfContours(a), pathsOfContours(b)];
  const { left, right, top, bottom } = boundsOfPaths(one);
  const tolerance = 1e-9 * Math.max(1, right - left, bottom - top, Math.abs(left), Math.abs(top));
  return one.every((path, k) => samePath(path, other[k] ?? path, tolerance));
}

/** True where a shape follows another, itself or by way of others. */
function leadsTo(byId: ReadonlyMap<string, Shape>, from: Shape, id: string, depth = 0): boolean {
  if (from.id === id || depth > byId.size) return true;
  return Object.values(from.inputs ?? {}).some((each) => {
    const next = byId.get(each);
    return next !== undefined && leadsTo(byId, next, id, depth + 1);
  });
}

const shapesById = ({ shapes }: Pick<Motif, 'shapes'>): ReadonlyMap<string, Shape> =>
  new Map(shapes.map((shape) => [shape.id, shape]));

/** A shape with other inputs; none where there are none. */
function withInputs({ inputs: _, ...shape }: Shape, inputs: Inputs): Shape {
  return Object.keys(inputs).length > 0 ? { ...shape, inputs } : shape;
}

/** A construction that is made of another shape from now on, where it stands; says why where nothing comes of that. */
export const followed = (
  motif: Pick<Motif, 'shapes'>,
  shape: Shape,
  key: string,
  sourceId: string,
): Result<Shape> => followedIn(shapesById(motif), shape, key, sourceId);

function followedIn(
  byId: ReadonlyMap<string, Shape>,
  shape: Shape,
  key: string,
  sourceId: string,
): Result<Shape> {
  const source = byId.get(sourceId);
  const field = inputFields(shape.form).find((each) => each.key === key);
  if (!source || !field || !isBuilt(shape.form)) return failed(finding('input.none'));
  if (leadsTo(byId, source, shape.id)) return failed(finding('input.circle'));
  if (isSolved(source.form)) return failed(finding('input.work'));
  const form = withField(shape.form, key, inputOf(field, shape.form, source));
  const problem = formProblem(form);
  return problem ? failed(problem) : ok(withInputs({ ...shape, form }, { ...shape.inputs, [key]: sourceId }));
}

/** The shapes of a motif that a field of a construction may hold, back to front. */
export function inputChoices(motif: Pick<Motif, 'shapes'>, shape: Shape, key: string): readonly Shape[] {
  const byId = shapesById(motif);
  return motif.shapes.filter(({ id }) => followedIn(byId, shape, key, id).ok);
}

/** A construction's curves of a field in motif coordinates; those that it holds about their middle lie about its origin. */
function curvesOut(field: InputField, form: BuiltForm): Contour[] {
  const map = field.of === 'place' ? mapOf(form) : moveMap(form.at);
  return mappedContours(curvesIn(form, field.key), map);
}

/**
 * The curves of a construction as a shape of their own, whose nodes can be edited, and the construction following it. It is not drawn, and goes
 * along with the construction.
 */
export function takenOut(
  shape: Shape,
  key: string,
  id: string,
): Result<{ readonly source: Shape; readonly shape: Shape }> {
  const field = inputFields(shape.form).find((each) => each.key === key);
  if (!field || !isBuilt(shape.form)) return failed(finding('input.none'));
  const name = `${inputName(field)} of ${shape.name}`.slice(0, LIMITS.name);
  const form: Form = { kind: 'path', contours: curvesOut(field, shape.form) };
  const { group } = shape;
  const source: Shape = {
    ...newShape(id, name, form, { fill: null, stroke: null }),
    ...(group !== undefined && { group }),
    visible: false,
  };
  return ok({ source, shape: withInputs(shape, { ...shape.inputs, [key]: id }) });
}

/** Shapes without some of them, and without the curves that were taken out of those alone. */
export function withoutShapes(shapes: readonly Shape[], gone: ReadonlySet<string>): Shape[] {
  const left = shapes.filter(({ id }) => !gone.has(id));
  const followedBy = (some: readonly Shape[]): Set<string> =>
    new Set(some.flatMap(({ inputs }) => Object.values(inputs ?? NONE)));
  const [theirs, others] = [followedBy(shapes.filter(({ id }) => gone.has(id))), followedBy(left)];
  return left.filter(
    ({ id, visible, paint }) =>
      visible || paint.fill !== null || paint.stroke !== null || !theirs.has(id) || others.has(id),
  );
}

/** A construction that keeps its curves as they are, whatever becomes of the shape that they were of. */
export function unfollowed(shape: Shape, key: string): Shape {
  const { [key]: gone, ...others } = shape.inputs ?? {};
  return gone === undefined ? shape : withInputs(shape, others);
}

/** A shape that follows what stands for the shapes that it followed. @param ids from the ids of those to the ids of these */
export function leadBy(shape: Shape, ids: ReadonlyMap<string, string>): Shape {
  if (!shape.inputs) return shape;
  return withInputs(
    shape,
    Object.fromEntries(Object.entries(shape.inputs).map(([key, id]) => [key, ids.get(id) ?? id])),
  );
}

/** Shapes with other ids: those that follow one of them follow it on. */
export function renamedShapes(shapes: readonly Shape[], newId: () => string): Shape[] {
  const ids = new Map(shapes.map(({ id }) => [id, newId()]));
  return shapes.map((shape) => ({ ...leadBy(shape, ids), id: ids.get(shape.id) ?? shape.id }));
}

/**
 * A motif after a change, each construction made of the shapes that it follows as they are now. What was moved or changed alone, or whose
 * source is gone or of no use, keeps its curves and follows no more; what is not drawn and followed by it alone goes along instead.
 */
export function withInputsInStep<M extends Motif>(before: Motif, after: M): M {
  if (before.shapes === after.shapes || after.shapes.every(({ inputs }) => inputs === undefined))
    return after;
  const [was, is] = [shapesById(before), shapesById(after)];
  const made = new Map<string, Shape>();
  const isAlone = (id: string): boolean =>
    after.shapes.filter(({ inputs }) => Object.values(inputs ?? NONE).includes(id)).length === 1;
  const inStep = (shape: Shape): Shape => {
    const known = made.get(shape.id);
    if (known || !shape.inputs) return known ?? shape;
    // What would follow itself is found here again, as it is.
    made.set(shape.id, shape);
    const next = Object.entries(shape.inputs).reduce((now, [key, id]) => {
      const source = is.get(id);
      const field = inputFields(now.form).find((each) => each.key === key);
      if (!source || !field || !isBuilt(now.form) || isSolved(source.form)) return unfollowed(now, key);
      const lead = inStep(source);
      if (lead.form === was.get(id)?.form && now.form === was.get(now.id)?.form) return now;
      const wanted = inputOf(field, now.form, lead);
      if (sameCurves(curvesIn(now.form, key), wanted)) return now;
      const form = withField(now.form, key, wanted);
      const isLed = was.has(id) && lead.form !== was.get(id)?.form && was.has(now.id);
      // Curves that are not drawn are the construction's own: they go along with it.
      if (!isLed && was.has(now.id) && !lead.visible && lead.form.kind === 'path' && isAlone(id)) {
        made.set(id, { ...lead, form: { ...lead.form, contours: curvesOut(field, now.form) } });
        return now;
      }
      return isLed && formProblem(form) === null ? { ...now, form } : unfollowed(now, key);
    }, shape);
    made.set(shape.id, next);
    return next;
  };
  for (const shape of after.shapes) inStep(shape);
  const shapes = after.shapes.map((shape) => made.get(shape.id) ?? shape);
  return shapes.every((shape, k) => shape === after.shapes[k]) ? after : { ...after, shapes };
}

/** Constructions that follow a shape no more which is still there, though they might: by name, and that of the shape. */
export function letGo(
  before: Motif,
  after: Motif,
): readonly { readonly name: string; readonly source: string }[] {
  if (before.shapes === after.shapes) return [];
  const is = shapesById(after);
  return before.shapes.flatMap(({ id, inputs = NONE }) => {
    const now = is.get(id);
    if (!now) return [];
    return Object.entries(inputs).flatMap(([key, sourceId]) => {
      const source = is.get(sourceId);
      const isField = inputFields(now.form).some((field) => field.key === key);
      return source && isField && now.inputs?.[key] === undefined
        ? [{ name: now.name, source: source.name }]
        : [];
    });
  });
}

/** True for a construction that lies where another shape does. */
export const liesWithInput = ({ form, inputs }: Shape): boolean =>
  inputs !== undefined &&
  inputFields(form).some(({ key, of }) => of === 'place' && inputs[key] !== undefined);

/** The handles of a shape's construction, without those of what it follows. */
export const handlesOfShape = (shape: Shape, work: Work): MakerHandle[] =>
  handlesOfForm(shape.form, work).filter(({ id, field }) =>
    field === undefined ? !liesWithInput(shape) || !isPlacing(id) : shape.inputs?.[field] === undefined,
  );

/** Why what shapes of a motif are made of cannot be; null where it can. */
export function inputsProblem(motif: Pick<Motif, 'shapes'>): Finding | null {
  const byId = shapesById(motif);
  for (const shape of motif.shapes) {
    const keys = inputFields(shape.form).map(({ key }) => key);
    for (const [key, id] of Object.entries(shape.inputs ?? NONE)) {
      const source = byId.get(id);
      if (!source || !keys.includes(key)) return finding('input.none');
      if (leadsTo(byId, source, shape.id)) return finding('input.circle');
    }
  }
  return null;
}
