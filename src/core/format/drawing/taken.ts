/**
 * What is taken of a drawing: its tree as a motif's, its paint in the figure's unit.
 *
 * @example
 * const taken = motifOfDrawing(drawing, { name: 'Logo', unit: 'mm', by: 'middle', to: { x: 0, y: -40 } }, newId);
 * if (taken.ok) addMotif(figure, roundId, taken.value.motif.shapes, taken.value.motif.groups);
 */
import {
  type Affine,
  boundsOfPaths,
  closedPath,
  compose,
  mapPath,
  moveMap,
  ORIGIN,
  type Path,
  type Point,
  scaleMap,
  similarityScale,
} from '@/core/curve';
import { LIMITS, type Motif, type MotifNode, motifOfTree, newShape } from '@/core/figure';
import { failed, finding, ok, type Result } from '@/core/finding';
import { formOfPaths } from '@/core/maker';
import { convertLength, type LengthUnit } from '@/core/number';
import { isGradient, mapFills, mappedRun } from '@/core/paint';
import type { Paint } from '@/core/scene';
import {
  shapesOfNodes,
  type DrawnClip,
  type Drawing,
  type DrawnGroup,
  type DrawnNode,
  type DrawnShape,
} from './drawing';
import type { LeftOut } from './leftOut';

/** The point of a drawing that is put where it is wanted: the middle of what is drawn, or of its page, or the file's own 0, 0. */
export const TAKEN_BY = ['middle', 'page', 'origin'] as const;
export type TakenBy = (typeof TAKEN_BY)[number];

export interface Taking {
  /** What the file is called. */
  readonly name: string;
  /** Of the figure that takes it; the drawing keeps its size. */
  readonly unit: LengthUnit;
  readonly by: TakenBy;
  readonly to: Point;
}

export interface Taken {
  readonly motif: Required<Motif>;
  /** What is not taken. */
  readonly left: readonly LeftOut[];
}

/** Groups in groups, with room for the one that all of it is in and for what clips. */
const MOST_DEPTH = LIMITS.depth - 2;

export const nameOr = (name: string | null, otherwise: string): string =>
  (name?.trim() || otherwise).slice(0, LIMITS.name);

/** A paint where a map takes it; strokes grow as lengths do. */
export function mappedPaint(paint: Paint, map: Affine): Paint {
  const scale = similarityScale(map) ?? 1;
  const { fill, stroke, ...rest } = mapFills(paint, (each) =>
    isGradient(each) ? mappedRun(each, map) : each,
  );
  return {
    ...rest,
    fill,
    stroke: stroke && {
      ...stroke,
      width: stroke.width * scale,
      ...(stroke.dashes && { dashes: stroke.dashes.map((length) => length * scale) }),
    },
  };
}

/** Makes nodes of a motif of what is drawn, mapped to where it goes. */
class Taker {
  constructor(
    private readonly map: Affine,
    private readonly newId: () => string,
  ) {}

  nodes(nodes: readonly DrawnNode[], depth: number, isClipped: boolean): MotifNode[] {
    return nodes.flatMap((node) =>
      node.kind === 'shape' ? this.shapes(node, isClipped) : this.group(node, depth, isClipped),
    );
  }

  private shapes({ name, paths, rule, paint }: DrawnShape, isClipped: boolean): MotifNode[] {
    const { fill, stroke, behind } = paint;
    const of = (all: readonly Path[], part: Paint): MotifNode => ({
      kind: 'shape',
      shape: {
        ...newShape(
          this.newId(),
          nameOr(name, 'Shape'),
          formOfPaths(all.map((path) => mapPath(path, this.map))),
          mappedPaint(part, this.map),
        ),
        rule,
      },
    });
    // SVG fills an open path as if it were closed; one that is not stroked is no other thing than that.
    if (!stroke) return [of(paths.map(closedPath), paint)];
    if (!fill || !isClipped) return [of(paths, paint)];
    // What clips a shape cuts its fill and its stroke each along its own outline.
    const both = [of(paths.map(closedPath), { fill, stroke: null }), of(paths, { fill: null, stroke })];
    return behind ? both.reverse() : both;
  }

  private group({ name, children, clip }: DrawnGroup, depth: number, isClipped: boolean): MotifNode[] {
    if (depth >= MOST_DEPTH && !clip) return this.nodes(children, depth, isClipped);
    const nodes = this.nodes(children, depth + (clip ? 2 : 1), isClipped || clip !== null);
    if (!clip) return [{ kind: 'group', group: { id: this.newId(), name: nameOr(name, 'Group') }, nodes }];
    const group = { id: this.newId(), name: nameOr(name, 'Clipped'), op: 'clip' } as const;
    // What is clipped is one thing, and what clips it lies in front.
    const inner: MotifNode = { kind: 'group', group: { id: this.newId(), name: group.name }, nodes };
    return [
      { kind: 'group', group, nodes: [nodes.length === 1 ? (nodes[0] ?? inner) : inner, this.clip(clip)] },
    ];
  }

  private clip({ name, shapes }: DrawnClip): MotifNode {
    const nodes = shapes.flatMap((shape) =>
      this.shapes({ ...shape, kind: 'shape', name, paint: { fill: '#000000', stroke: null } }, false),
    );
    const [only, another] = nodes;
    if (only && !another) return only;
    return { kind: 'group', group: { id: this.newId(), name: nameOr(name, 'Clip'), op: 'union' }, nodes };
  }
}

/** Nodes of a motif that draw what nodes of a drawing do, where a map takes them. */
export const nodesTaken = (nodes: readonly DrawnNode[], map: Affine, newId: () => string): MotifNode[] =>
  new Taker(map, newId).nodes(nodes, 1, false);

/** Why so much cannot be one motif; null where it can. */
export function amountProblem({ shapes }: Motif): ReturnType<typeof finding> | null {
  if (shapes.length === 0) return finding('artwork.nothing');
  if (shapes.length > LIMITS.shapes) return finding('artwork.shapes', shapes.length, LIMITS.shapes);
  const sizes = shapes.map(({ form }) => (form.kind === 'path' ? form.contours : []));
  const nodes = Math.max(...sizes.map((all) => all.reduce((sum, { nodes: list }) => sum + list.length, 0)));
  const contours = Math.max(...sizes.map((all) => all.length));
  if (nodes > LIMITS.nodes) return finding('artwork.nodes', nodes, LIMITS.nodes);
  return contours > LIMITS.contours ? finding('artwork.contours', contours, LIMITS.contours) : null;
}

const blendsIn = (nodes: readonly DrawnNode[]): number =>
  nodes.reduce(
    (sum, node) =>
      node.kind === 'shape' ? sum : sum + (node.blend === 'normal' ? 0 : 1) + blendsIn(node.children),
    0,
  );

/** What is left out, with the blend modes that some nodes have, as shapes have none. */
export const leftWith = (left: readonly LeftOut[], nodes: readonly DrawnNode[]): readonly LeftOut[] => {
  const count = blendsIn(nodes);
  return count === 0 ? left : [...left, { what: 'blend mode', count }];
};

/** The point of a drawing by which it is taken, in its pixels. */
export function pointOf({ nodes, width, height, origin }: Drawing, by: TakenBy): Point {
  if (by === 'origin') return origin;
  if (by === 'page') return { x: width / 2, y: height / 2 };
  const { left, right, top, bottom } = boundsOfPaths(shapesOfNodes(nodes).flatMap(({ paths }) => paths));
  return { x: (left + right) / 2, y: (top + bottom) / 2 };
}

/** From a drawing's pixels to a unit, one of its points at a place. */
export const takingMap = (point: Point, { unit, to }: Pick<Taking, 'unit' | 'to'>): Affine =>
  compose(
    moveMap(to),
    compose(scaleMap(convertLength(1, 'px', unit), ORIGIN), moveMap({ x: -point.x, y: -point.y })),
  );

/** A drawing as one group of a motif, in its true size. */
export function motifOfDrawing(drawing: Drawing, taking: Taking, newId: () => string): Result<Taken> {
  const { nodes } = drawing;
  if (shapesOfNodes(nodes).length === 0) return failed(finding('artwork.nothing'));
  const made = nodesTaken(nodes, takingMap(pointOf(drawing, taking.by), taking), newId);
  const [only, another] = made;
  const group = { id: newId(), name: nameOr(drawing.title ?? taking.name, 'Drawing') };
  const motif = motifOfTree(only && !another ? [only] : [{ kind: 'group', group, nodes: made }]);
  const problem = amountProblem(motif);
  return problem ? failed(problem) : ok({ motif, left: leftWith(drawing.left, nodes) });
}
