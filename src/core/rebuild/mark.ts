/**
 * What of a finished drawing is compared: marks, each one shape (or a group that is one thing), with what no turn changes of them.
 *
 * @example
 * const marks = marksOf(drawing.nodes, 0.05); // back to front
 */
import {
  add,
  circleThrough,
  closedPath,
  distance,
  type Path,
  type Point,
  pointAt,
  scaleBy,
  type Segment,
  subtract,
} from '@/core/curve';
import type { DrawnGroup, DrawnNode, DrawnShape } from '@/core/format/drawing';
import { isGradient, mapFills } from '@/core/paint';
import type { BlendMode, Gradient, Paint } from '@/core/scene';
import { partedShape } from './parted';

/** A whole circle, wherever its nodes are. */
interface Ring {
  readonly kind: 'ring';
  readonly middle: Point;
  readonly radius: number;
  readonly length: number;
  readonly path: Path;
}

/** Any other contour. */
export interface Line {
  readonly kind: 'line';
  readonly middle: Point;
  readonly length: number;
  readonly path: Path;
}

export type Outline = Ring | Line;

/** One shape of a mark: its contours, and the points by which its gradients run. */
export interface Layer {
  readonly outlines: readonly Outline[];
  readonly pins: readonly Point[];
}

/** Something drawn that may be a copy of something else. */
export interface Mark {
  /** Its place, back to front. */
  readonly index: number;
  readonly node: DrawnNode;
  readonly blend: BlendMode;
  readonly layers: readonly Layer[];
  /** Marks with different ones are no copies of each other: paint, rules, how many segments of which kind. */
  readonly key: string;
  /** The same without the paint. */
  readonly formKey: string;
  readonly middle: Point;
  /** Of all lines together: of cubics, of the polygons of their points. */
  readonly length: number;
  /** From the middle to what is farthest of it. */
  readonly reach: number;
}

/** A circle of four cubics is within 0.03 percent of its radius (Goldapp, CAGD 8, 1991). */
const ROUND = 5e-4;

/** Points by which a segment is compared, besides where it begins: handles, or the middle of an arc. */
export function innerPoints(segment: Segment): readonly Point[] {
  if (segment.kind === 'cubic') return [segment.out, segment.in];
  return segment.kind === 'arc' ? [pointAt(segment, 0.5)] : [];
}

/** All points that say how a segment runs, its end apart. */
const pointsOf = (segment: Segment): readonly Point[] => [segment.from, ...innerPoints(segment)];

function polygonLength(segment: Segment): number {
  const points = [...pointsOf(segment), segment.to];
  return points.slice(1).reduce((sum, p, k) => sum + distance(p, points[k] ?? p), 0);
}

/** The circle that a closed contour is; null where it is none. @param within how far its points may be from it */
export function circleOf(
  { segments, closed }: Path,
  within: number,
): { readonly centre: Point; readonly radius: number } | null {
  if (!closed || segments.length < 2 || segments.some(({ kind }) => kind === 'line')) return null;
  const spots = segments.flatMap((segment) => [0, 0.25, 0.5, 0.75].map((t) => pointAt(segment, t)));
  // Where its nodes are not even round it, their mean is not its middle: three of them tell.
  const [a, b, c] = [0, 1, 2].map((k) => spots[Math.round((k * spots.length) / 3)] as Point);
  const centre = a && b && c && circleThrough(a, b, c)?.centre;
  if (!centre) return null;
  const radii = spots.map((p) => distance(p, centre));
  const radius = radii.reduce((sum, r) => sum + r, 0) / radii.length;
  if (radii.some((r) => Math.abs(r - radius) > Math.max(ROUND * radius, within))) return null;
  const swept = segments.reduce((sum, segment) => sum + turnedBy(segment, centre), 0);
  return Math.abs(Math.abs(swept) - 2 * Math.PI) < 0.1 ? { centre, radius } : null;
}

/** The angle that a segment covers as it is seen from a point, in radians. */
function turnedBy(segment: Segment, from: Point): number {
  const directions = [0, 0.5, 1].map((t) => subtract(pointAt(segment, t), from));
  return directions.slice(1).reduce((sum, v, k) => {
    const u = directions[k] ?? v;
    return sum + Math.atan2(u.x * v.y - u.y * v.x, u.x * v.x + u.y * v.y);
  }, 0);
}

/** The mean of points with weights. */
export function meanOf(points: readonly (readonly [Point, number])[]): Point {
  const weight = points.reduce((sum, [, w]) => sum + w, 0);
  const total = points.reduce((sum, [p, w]) => add(sum, scaleBy(p, w)), { x: 0, y: 0 });
  return weight > 0 ? scaleBy(total, 1 / weight) : (points[0]?.[0] ?? total);
}

function outlineOf(path: Path, within: number): Outline | null {
  const plain: Path = {
    closed: path.closed,
    segments: path.segments.filter((segment) => polygonLength(segment) > 0),
  };
  if (plain.segments.length === 0) return null;
  const circle = circleOf(plain, within / 2);
  if (circle) {
    const { centre, radius } = circle;
    return { kind: 'ring', middle: centre, radius, length: 2 * Math.PI * radius, path: plain };
  }
  const weighted = plain.segments.map((segment): [Point, number] => {
    const points = [...pointsOf(segment), segment.to];
    return [meanOf(points.map((p) => [p, 1])), polygonLength(segment)];
  });
  const length = weighted.reduce((sum, [, each]) => sum + each, 0);
  return { kind: 'line', middle: meanOf(weighted), length, path: plain };
}

const pinsOf = ({ from, to, across }: Gradient): Point[] => [from, to, ...(across ? [across] : [])];

/** What is written of a paint in a key: gradients without where they run, lengths to four digits. */
function paintKey(paint: Paint): string {
  const plain = mapFills(paint, (fill) =>
    isGradient(fill) ? { ...fill, from: { x: 0, y: 0 }, to: { x: 0, y: 0 } } : fill.toLowerCase(),
  );
  return JSON.stringify(plain, (key, value: unknown) =>
    key === 'across' ? true : typeof value === 'number' ? Number(value.toPrecision(4)) : value,
  );
}

function layerOf({ paths, paint }: Pick<DrawnShape, 'paths' | 'paint'>, within: number): Layer {
  // What is filled alone is closed, however it is written.
  const seen = paint.stroke ? paths : paths.map(closedPath);
  const outlines = seen.map((path) => outlineOf(path, within)).filter((outline) => outline !== null);
  const fills = [paint.fill, paint.stroke?.colour ?? null].filter(isGradient);
  return { outlines, pins: fills.flatMap(pinsOf) };
}

const outlineKey = ({ kind, path }: Outline): string =>
  kind === 'ring' ? 'o' : `${path.closed ? 'c' : 'l'}${path.segments.length}`;

const layerKey = ({ outlines }: Layer): string => outlines.map(outlineKey).sort().join('');

const CLIP: Paint = { fill: '#000000', stroke: null };

/** The shapes of a node in their order, what clips them among them. */
function shapesIn(node: DrawnNode): Pick<DrawnShape, 'paths' | 'paint' | 'rule'>[] {
  if (node.kind === 'shape') return [node];
  const inside = node.children.flatMap(shapesIn);
  return node.clip ? [...inside, ...node.clip.shapes.map((shape) => ({ ...shape, paint: CLIP }))] : inside;
}

/** A mark of more contours than this is a texture: it is a copy of nothing, and is not looked at closer. */
const MOST_CONTOURS = 500;

/** True for a mark of so many contours that it is not compared. */
export const isTexture = ({ layers }: Pick<Mark, 'layers'>): boolean =>
  layers.reduce((sum, { outlines }) => sum + outlines.length, 0) > MOST_CONTOURS;

function markOf(node: DrawnNode, blend: BlendMode, index: number, within: number): Mark | null {
  const shapes = shapesIn(node);
  const layers = shapes.map((shape) => layerOf(shape, within));
  const outlines = layers.flatMap((layer) => layer.outlines);
  if (outlines.length === 0) return null;
  const middle = meanOf(outlines.map((each) => [each.middle, each.length]));
  const apart = isTexture({ layers }) ? `${index} ` : '';
  const formKey = `${apart}${node.kind} ${shapes.map(({ rule }, k) => `${rule[0] ?? ''}${layerKey(layers[k] as Layer)}`).join('|')}`;
  const far = outlines.map((each) =>
    each.kind === 'ring'
      ? distance(middle, each.middle) + each.radius
      : Math.max(...each.path.segments.flatMap(pointsOf).map((p) => distance(middle, p))),
  );
  return {
    index,
    node,
    blend,
    layers,
    key: `${formKey} ${blend} ${shapes.map(({ paint }) => paintKey(paint)).join('|')}`,
    formKey,
    middle,
    length: outlines.reduce((sum, each) => sum + each.length, 0),
    reach: Math.max(...far),
  };
}

/** True for a group that is one thing: clipped, or laid on what is below it as a whole. */
const isOneThing = ({ clip, blend, children }: DrawnGroup): boolean =>
  clip !== null || (blend !== 'normal' && children.length > 1);

/** What is drawn, one by one, back to front, with how it is laid on what is below it. */
function thingsOf(nodes: readonly DrawnNode[], blend: BlendMode): [DrawnNode, BlendMode][] {
  return nodes.flatMap((node): [DrawnNode, BlendMode][] => {
    if (node.kind === 'shape') return partedShape(node).map((part) => [part, blend]);
    const own = node.blend === 'normal' ? blend : node.blend;
    if (isOneThing(node)) return [[{ ...node, blend: 'normal' }, own]];
    return thingsOf(node.children, own);
  });
}

/**
 * The marks of a drawing, back to front. A path of many contours that lie apart is as many marks.
 * @param within how far points may be from where they would be
 */
export const marksOf = (nodes: readonly DrawnNode[], within: number): Mark[] =>
  thingsOf(nodes, 'normal')
    .map(([node, blend], index) => markOf(node, blend, index, within))
    .filter((mark) => mark !== null);
