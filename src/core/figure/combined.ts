import type { Path } from '../curve/path';
import { rememberedWith, taskOf, type Work } from '../derive';
import { valueOr } from '../finding';
import { formOfPaths, pathsOfForm, type Form } from '../maker/form';
import type { MergeOperand, MergeRequest, MergeShape } from '../merge/merge';
import { BANDS, MERGED } from '../merge/tasks';
import { NO_TURN } from '../number/turn';
import { MITER_LIMIT } from '../paint/style';
import type { Paint } from '../scene/scene';
import type { Combined, Round, Shape } from './model';

/** What a shape covers: what it fills, or where it has a stroke alone the band that this is seen as. */
export const areaOfShape = rememberedWith(
  ({ form, rule, paint: { fill, stroke } }: Shape, work): MergeShape => {
    const paths = pathsOfForm(form, work);
    if (fill !== null || !stroke) return { rule, paths: paths.filter(({ closed }) => closed) };
    const look = {
      width: stroke.width,
      cap: stroke.cap,
      join: stroke.join,
      side: 'middle' as const,
      limit: stroke.limit ?? MITER_LIMIT,
      widths: [],
      dashes: stroke.dashes ?? [],
    };
    return { rule: 'nonzero', paths: valueOr(work.ask(taskOf(BANDS, { paths, look })), []) };
  },
);

/** A line with a stroke alone, which other rounds cut as the band that it is seen as. */
export const isLine = ({ visible, paint }: Shape): boolean =>
  visible && paint.fill === null && paint.stroke !== null;

/** The paint of what a shape covers: a stroke alone becomes a fill. */
export const paintOfArea = ({ paint }: Shape): Paint =>
  paint.fill === null && paint.stroke ? { fill: paint.stroke.colour, stroke: null } : paint;

/** A shape as an operand that stands by itself. */
export const operandOfShape = (shape: Shape, work: Work): MergeOperand => ({
  fold: 1,
  mirror: false,
  start: NO_TURN,
  shapes: [areaOfShape(shape, work)],
});

/** What shapes become together; null where that is not known yet, or more to do than a limit. */
function outlineOf(op: MergeRequest['op'], shapes: readonly Shape[], work: Work): readonly Path[] | null {
  const request: MergeRequest = {
    op,
    among: 'operands',
    quality: 'full',
    outlineOnly: op === 'union',
    operands: shapes.map((shape) => operandOfShape(shape, work)),
  };
  const made = work.ask(taskOf(MERGED, request));
  return made?.ok ? made.value.flat() : null;
}

/** A shape with another outline, its paint as a fill; nothing where the outline has nothing in it. */
function reshaped(shape: Shape, paths: readonly Path[]): readonly Shape[] {
  if (paths.length === 0) return [];
  return [{ ...shape, form: formOfPaths(paths), rule: 'nonzero', paint: paintOfArea(shape) }];
}

/** What shapes are drawn as together; as they are where that is not known yet, or too much: a figure can always be shown. */
function combine(op: Combined['op'], members: readonly Shape[], work: Work): readonly Shape[] {
  const [back] = members;
  const front = members[members.length - 1];
  if (!back || !front || members.length < 2) return members;
  if (op !== 'clip') {
    const outline = outlineOf(op, members, work);
    return outline ? reshaped(back, outline) : members;
  }
  const clipped = members.slice(0, -1).map((shape) => {
    const outline = outlineOf('intersection', [shape, front], work);
    return outline && reshaped(shape, outline);
  });
  return clipped.every((shapes) => shapes !== null) ? clipped.flat() : members;
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
function combinedOnce(op: Combined['op'], members: readonly Shape[], work: Work): readonly Shape[] {
  const [first] = members;
  if (!first) return [];
  const known = madeOf.get(first.form);
  if (
    known?.op === op &&
    known.members.length === members.length &&
    known.members.every((member, k) => looksSame(member, members[k] as Shape))
  )
    return known.shapes;
  const missed = work.missed;
  const shapes = combine(op, members, work);
  if (work.missed === missed) madeOf.set(first.form, { op, members, shapes });
  return shapes;
}

const resolved = new WeakMap<readonly Shape[], { combined: Round['combined']; shapes: readonly Shape[] }>();

/**
 * The shapes of a round as they are drawn: what is combined stands where its backmost member does. The same list as long as the
 * motif is the same.
 */
export function resolvedShapes(
  { shapes, combined }: Pick<Round, 'shapes' | 'combined'>,
  work: Work,
): readonly Shape[] {
  if (!combined || combined.length === 0) return shapes;
  const known = resolved.get(shapes);
  if (known && known.combined === combined) return known.shapes;
  const missed = work.missed;
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
      work,
    );
  });
  if (work.missed === missed) resolved.set(shapes, { combined, shapes: list });
  return list;
}

/** A round with other shapes and combinations; those that no shape is in any more go. */
export function withCombined(round: Round, shapes: readonly Shape[], combined: readonly Combined[]): Round {
  const { combined: _, ...rest } = round;
  const groups = new Set(shapes.map(({ group }) => group));
  const used = combined.filter(({ group }) => groups.has(group));
  return { ...rest, shapes, ...(used.length > 0 && { combined: used }) };
}
