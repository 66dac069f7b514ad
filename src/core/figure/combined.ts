import type { Path } from '../curve/path';
import { formOfPaths, pathsOfForm, type Form } from '../maker/form';
import { MergeFailed, type MergeOperand, type MergeRequest, type MergeShape } from '../merge/merge';
import { outlinesOfTask } from '../merge/outlines';
import { NO_TURN } from '../number/turn';
import type { Paint } from '../scene/scene';
import type { Combined, Round, Shape } from './model';

/** What can be made at once, or something else where it is more than a limit: a figure can always be shown. */
function orElse<T>(make: () => T, otherwise: T): T {
  try {
    return make();
  } catch (error) {
    if (error instanceof MergeFailed) return otherwise;
    throw error;
  }
}

const areas = new WeakMap<Shape, MergeShape>();

/** SVG's own miter limit, which strokes have that say no other. */
const MITER_LIMIT = 4;

/** What a shape covers: what it fills, or where it has a stroke alone the band that this is seen as. */
export function areaOfShape(shape: Shape): MergeShape {
  const known = areas.get(shape);
  if (known) return known;
  const { form, rule, paint } = shape;
  const paths = pathsOfForm(form);
  const { stroke } = paint;
  const look = stroke && {
    width: stroke.width,
    cap: stroke.cap,
    join: stroke.join,
    side: 'middle' as const,
    limit: stroke.limit ?? MITER_LIMIT,
    widths: [],
    dashes: stroke.dashes ?? [],
  };
  const area: MergeShape =
    paint.fill === null && look
      ? { rule: 'nonzero', paths: orElse(() => outlinesOfTask({ kind: 'bands', paths, look }).flat(), []) }
      : { rule, paths: paths.filter(({ closed }) => closed) };
  areas.set(shape, area);
  return area;
}

/** The paint of what a shape covers: a stroke alone becomes a fill. */
export const paintOfArea = ({ paint }: Shape): Paint =>
  paint.fill === null && paint.stroke ? { fill: paint.stroke.colour, stroke: null } : paint;

const operandOf = (shape: Shape): MergeOperand => ({
  fold: 1,
  mirror: false,
  start: NO_TURN,
  shapes: [areaOfShape(shape)],
});

/** What shapes become together, at once. @throws MergeFailed where there is more to do than a limit */
function outlineOf(op: MergeRequest['op'], shapes: readonly Shape[]): Path[] {
  const request: MergeRequest = {
    op,
    among: 'operands',
    quality: 'full',
    outlineOnly: op === 'union',
    operands: shapes.map(operandOf),
  };
  return outlinesOfTask({ kind: 'merge', request }).flat();
}

/** A shape with another outline, its paint as a fill; nothing where the outline has nothing in it. */
function reshaped(shape: Shape, paths: readonly Path[]): Shape[] {
  if (paths.length === 0) return [];
  return [{ ...shape, form: formOfPaths(paths), rule: 'nonzero', paint: paintOfArea(shape) }];
}

function combine(op: Combined['op'], members: readonly Shape[]): Shape[] {
  const [back] = members;
  const front = members[members.length - 1];
  if (!back || !front || members.length < 2) return [...members];
  if (op === 'clip')
    return members
      .slice(0, -1)
      .flatMap((shape) => reshaped(shape, outlineOf('intersection', [shape, front])));
  return reshaped(back, outlineOf(op, members));
}

interface Made {
  readonly op: Combined['op'];
  readonly members: readonly Shape[];
  readonly shapes: readonly Shape[];
}

const madeOf = new WeakMap<Form, Made>();

const looksSame = (a: Shape, b: Shape): boolean =>
  a === b ||
  (a.id === b.id && a.group === b.group && a.form === b.form && a.rule === b.rule && a.paint === b.paint);

/** The same shapes as long as the members are the same. */
function combinedOnce(op: Combined['op'], members: readonly Shape[]): readonly Shape[] {
  const [first] = members;
  if (!first) return [];
  const known = madeOf.get(first.form);
  if (
    known?.op === op &&
    known.members.length === members.length &&
    known.members.every((member, k) => looksSame(member, members[k] as Shape))
  )
    return known.shapes;
  const shapes = orElse(() => combine(op, members), members);
  madeOf.set(first.form, { op, members, shapes });
  return shapes;
}

const resolved = new WeakMap<readonly Shape[], { combined: Round['combined']; shapes: readonly Shape[] }>();

/**
 * The shapes of a round as they are drawn: what is combined stands where its backmost member does. The same list as long as the
 * motif is the same.
 */
export function resolvedShapes({ shapes, combined }: Round): readonly Shape[] {
  if (!combined || combined.length === 0) return shapes;
  const known = resolved.get(shapes);
  if (known && known.combined === combined) return known.shapes;
  const ops = new Map(combined.map(({ group, op }) => [group, op]));
  const done = new Set<string>();
  const list = shapes.flatMap((shape) => {
    const op = shape.group === undefined ? undefined : ops.get(shape.group);
    if (op === undefined || shape.group === undefined || !shape.visible) return [shape];
    if (done.has(shape.group)) return [];
    done.add(shape.group);
    return combinedOnce(
      op,
      shapes.filter(({ group, visible }) => group === shape.group && visible),
    );
  });
  resolved.set(shapes, { combined, shapes: list });
  return list;
}
