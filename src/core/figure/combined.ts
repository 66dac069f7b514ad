/**
 * What is drawn of a motif whose shapes are combined, in groups, or made their own reflection about the axis: shapes that stand for those
 * that they are made of.
 *
 * @example
 * for (const { shape, ids } of resolvedMotif(round, work)) draw(shape); // ids: the shapes of the motif behind it
 */
import type { Path } from '@/core/curve';
import { rememberedWith, taskOf, type Work } from '@/core/derive';
import { valueOr } from '@/core/finding';
import { bandOfStroke, type Form, formOfPaths, pathsOfForm } from '@/core/maker';
import {
  areaAboutAxis,
  BANDS,
  linesAboutAxis,
  MERGED,
  type MergeOperand,
  type MergeRequest,
  type MergeShape,
} from '@/core/merge';
import { NO_TURN } from '@/core/number';
import type { Paint } from '@/core/scene';
import { bentShapes } from './bent';
import { remembered } from '../remembered';
import { motifTree, shapesIn, type GroupNode, type Motif, type MotifNode } from './groups';
import type { AxisSide, CombineOp, Group, Round, Shape } from './model';

/** What a shape covers: what it fills, or where it has a stroke alone the band that this is seen as. */
export const areaOfShape = rememberedWith(
  ({ form, rule, paint: { fill, stroke } }: Shape, work): MergeShape => {
    const paths = pathsOfForm(form, work);
    if (fill !== null || !stroke) return { rule, paths: paths.filter(({ closed }) => closed) };
    const look = bandOfStroke(stroke);
    return { rule: 'nonzero', paths: valueOr(work.ask(taskOf(BANDS, { paths, look })), []) };
  },
);

/** A line with a stroke alone, which other rounds cut as the band that it is seen as. */
export const isLine = ({ visible, paint }: Shape): boolean =>
  visible && paint.fill === null && paint.stroke !== null;

/** The paint of what a shape covers: a stroke alone becomes a fill. */
export const paintOfArea = ({ paint }: Shape): Paint =>
  paint.fill === null && paint.stroke ? { fill: paint.stroke.colour, stroke: null } : paint;

const operandOf = (shapes: readonly Shape[], work: Work): MergeOperand => ({
  fold: 1,
  mirror: false,
  start: NO_TURN,
  shapes: shapes.map((shape) => areaOfShape(shape, work)),
});

/** A shape as an operand that stands by itself. */
export const operandOfShape = (shape: Shape, work: Work): MergeOperand => operandOf([shape], work);

/** What shapes become together, each list as one; null where that is not known yet, or more to do than a limit. */
function outlineOf(
  op: MergeRequest['op'],
  parts: readonly (readonly Shape[])[],
  work: Work,
): readonly Path[] | null {
  const request: MergeRequest = {
    op,
    among: 'operands',
    outlineOnly: op === 'union',
    operands: parts.map((shapes) => operandOf(shapes, work)),
  };
  const made = work.ask(taskOf(MERGED, request));
  return made?.ok ? made.value.flat() : null;
}

/** A shape with another outline, its paint as a fill; nothing where the outline has nothing in it. */
function reshaped(shape: Shape, paths: readonly Path[]): readonly Shape[] {
  if (paths.length === 0) return [];
  return [{ ...shape, form: formOfPaths(paths), rule: 'nonzero', paint: paintOfArea(shape) }];
}

/** What parts are drawn as together; as they are where that is not known yet, or too much: a figure can always be shown. */
function combine(op: CombineOp, parts: readonly (readonly Shape[])[], work: Work): readonly Shape[] {
  const back = parts[0]?.[0];
  const front = parts[parts.length - 1];
  if (!back || !front || parts.length < 2) return parts.flat();
  if (op !== 'clip') {
    const outline = outlineOf(op, parts, work);
    return outline ? reshaped(back, outline) : parts.flat();
  }
  const clipped = parts
    .slice(0, -1)
    .flat()
    .map((shape) => {
      const outline = outlineOf('intersection', [[shape], front], work);
      return outline && reshaped(shape, outline);
    });
  return clipped.every((shapes) => shapes !== null) ? clipped.flat() : parts.flat();
}

/** A shape as its one side and the reflection of that; as it is while that is not known. */
function aboutAxis(shape: Shape, side: AxisSide, work: Work): readonly Shape[] {
  const paths = pathsOfForm(shape.form, work);
  if (isLine(shape)) {
    const lines = linesAboutAxis(paths, side, work);
    if (!lines) return [shape];
    return lines.length === 0 ? [] : [{ ...shape, form: formOfPaths(lines) }];
  }
  const { paths: area, rule } = areaOfShape(shape, work);
  const outline = areaAboutAxis(area, rule, side, work);
  return outline ? reshaped(shape, outline) : [shape];
}

interface Made {
  readonly how: How;
  readonly parts: readonly (readonly Shape[])[];
  readonly shapes: readonly Shape[];
}

type How = Pick<Group, 'op' | 'axis' | 'bend'>;

const madeOf = new WeakMap<Form, Made[]>();

/** How many results are kept for one shape: it may be in groups in groups. */
const MOST_KEPT = 10;

const looksSame = (a: Shape, b: Shape | undefined): boolean =>
  a === b ||
  (b !== undefined && a.id === b.id && a.form === b.form && a.rule === b.rule && a.paint === b.paint);

const areSame = (a: readonly (readonly Shape[])[], b: readonly (readonly Shape[])[]): boolean =>
  a.length === b.length &&
  a.every((part, k) => part.length === b[k]?.length && part.every((shape, i) => looksSame(shape, b[k]?.[i])));

/** Parts combined, and made their own reflection; the same shapes as long as the parts are the same. */
function madeOnce(
  { op, axis, bend }: How,
  parts: readonly (readonly Shape[])[],
  work: Work,
): readonly Shape[] {
  const key = parts[0]?.[0]?.form;
  if (!key) return [];
  const kept = madeOf.get(key) ?? [];
  const known = kept.find(
    ({ how, parts: own }) => how.op === op && how.axis === axis && how.bend === bend && areSame(own, parts),
  );
  if (known) return known.shapes;
  const missed = work.missed;
  const together = op ? combine(op, parts, work) : parts.flat();
  const reflected = axis ? together.flatMap((shape) => aboutAxis(shape, axis, work)) : together;
  const shapes = bend ? bentShapes(reflected, bend, work) : reflected;
  if (work.missed === missed)
    madeOf.set(key, [{ how: { op, axis, bend } as How, parts, shapes }, ...kept].slice(0, MOST_KEPT));
  return shapes;
}

/** True where what is drawn of a group is not simply what is in it. */
export const isLive = ({ op, axis, bend }: How): boolean =>
  op !== undefined || axis !== undefined || bend !== undefined;

/** What is drawn of the visible shapes of a node. */
function shapesOfNode(node: MotifNode, work: Work): readonly Shape[] {
  if (node.kind === 'shape') {
    const { shape } = node;
    if (!shape.visible) return [];
    return shape.axis ? madeOnce({ axis: shape.axis }, [[shape]], work) : [shape];
  }
  const parts = node.nodes.map((each) => shapesOfNode(each, work)).filter((shapes) => shapes.length > 0);
  return isLive(node.group) ? madeOnce(node.group, parts, work) : parts.flat();
}

/** A shape that is drawn, and the shapes of the motif that it stands for. */
export interface ResolvedShape {
  readonly shape: Shape;
  readonly ids: readonly string[];
}

const NO_GROUPS: ReadonlyMap<string, GroupNode> = new Map();

/** The outermost group in which each shape is drawn as part of something else. */
function liveGroups(tree: readonly MotifNode[]): Map<string, GroupNode> {
  const found = new Map<string, GroupNode>();
  const visit = (nodes: readonly MotifNode[]): void => {
    for (const node of nodes) {
      if (node.kind === 'shape') continue;
      if (isLive(node.group)) for (const { id } of shapesIn(node)) found.set(id, node);
      else visit(node.nodes);
    }
  };
  visit(tree);
  return found;
}

const resolved = new WeakMap<
  readonly Shape[],
  { groups: Round['groups']; list: readonly ResolvedShape[]; shapes: readonly Shape[] }
>();

/** A shape that is drawn as it is: the same object as long as the shape is, as most of a motif stays in a drag. */
const asItIs = remembered((shape: Shape): ResolvedShape => ({ shape, ids: [shape.id] }));

function resolve({ shapes, groups }: Motif, work: Work): readonly ResolvedShape[] {
  const live = groups ? liveGroups(motifTree({ shapes, groups })) : NO_GROUPS;
  const done = new Set<GroupNode>();
  const found: ResolvedShape[] = [];
  for (const shape of shapes) {
    const node = shape.visible ? live.get(shape.id) : undefined;
    if (node) {
      if (done.has(node)) continue;
      done.add(node);
      const ids = shapesIn(node).map(({ id }) => id);
      for (const made of shapesOfNode(node, work)) found.push({ shape: made, ids });
    } else if (!shape.axis || !shape.visible) found.push(asItIs(shape));
    else
      for (const made of shapesOfNode({ kind: 'shape', shape }, work))
        found.push({ shape: made, ids: [shape.id] });
  }
  return found;
}

/** A motif as it is drawn, and what it is made of; the same lists as long as it is the same. */
function resolvedOnce(
  motif: Motif,
  work: Work,
): { list: readonly ResolvedShape[]; shapes: readonly Shape[] } {
  const { shapes, groups } = motif;
  const known = resolved.get(shapes);
  if (known && known.groups === groups) return known;
  const missed = work.missed;
  const list = resolve(motif, work);
  const same = list.length === shapes.length && list.every(({ shape }, k) => shape === shapes[k]);
  const made = { groups, list, shapes: same ? shapes : list.map(({ shape }) => shape) };
  if (work.missed === missed) resolved.set(shapes, made);
  return made;
}

/** The shapes of a motif as they are drawn, back to front, and which of the motif's each stands for. */
export const resolvedMotif = (motif: Motif, work: Work): readonly ResolvedShape[] =>
  resolvedOnce(motif, work).list;

/** The shapes of a motif as they are drawn: what is combined stands where its backmost member does. */
export const resolvedShapes = (motif: Motif, work: Work): readonly Shape[] =>
  resolvedOnce(motif, work).shapes;
