/**
 * Paths as a person edits them: nodes with handles of a kind.
 *
 * @example
 * const path = pathOfNodes(nodes.map((node) => movedNode(node, { x: 0, y: 2 })), true);
 */
import { add, distance, lengthOf, scaleBy, subtract, type Point } from './point';
import type { Path } from './path';
import { arcFromBulge, bulgeOf, cubic, line, splitAt, type Segment } from './segment';

/**
 * Corner: handles are free of each other. Smooth: they lie on one line. Even: and are equally long. Mirrored: each is the reflection of the
 * other in the axis, or in a line beside it.
 */
export type NodeKind = 'corner' | 'smooth' | 'even' | 'mirrored';
export const NODE_KINDS: readonly NodeKind[] = ['corner', 'smooth', 'even', 'mirrored'];

/** A point that a person can take hold of; `in` and `out` are its handles, where its sides are curves. */
export interface PathNode {
  readonly x: number;
  readonly y: number;
  readonly kind: NodeKind;
  readonly in?: Point;
  readonly out?: Point;
  /** The side to the next node is a circular arc of this bulge (see `arcFromBulge`); it then has no handles. */
  readonly bulge?: number;
}

export type HandleSide = 'in' | 'out';

const spot = (node: PathNode): Point => ({ x: node.x, y: node.y });

function sideOf(a: PathNode, b: PathNode): Segment {
  if (a.bulge !== undefined) return arcFromBulge(spot(a), spot(b), a.bulge);
  if (a.out || b.in) return cubic(spot(a), a.out ?? spot(a), b.in ?? spot(b), spot(b));
  return line(spot(a), spot(b));
}

const lastSides = new WeakMap<PathNode, { readonly to: PathNode; readonly side: Segment }>();

/** The side from a node to the next: the same object as long as both nodes are, as a drag moves few of many. */
function sideBetween(a: PathNode, b: PathNode): Segment {
  const known = lastSides.get(a);
  if (known?.to === b) return known.side;
  const side = sideOf(a, b);
  lastSides.set(a, { to: b, side });
  return side;
}

/** The path through nodes: a side is an arc where it has a bulge, a cubic where it has a handle, else a line. */
export function pathOfNodes(nodes: readonly PathNode[], closed: boolean): Path {
  const sides = closed && nodes.length > 1 ? nodes.length : nodes.length - 1;
  const segments: Segment[] = [];
  for (let k = 0; k < sides; k += 1) {
    const a = nodes[k];
    const b = nodes[(k + 1) % nodes.length];
    if (a && b) segments.push(sideBetween(a, b));
  }
  return { closed: closed && nodes.length > 1, segments };
}

function straight(a: Point, b: Point): boolean {
  const [p, q] = [lengthOf(a), lengthOf(b)];
  return p > 0 && q > 0 && distance(scaleBy(a, 1 / p), scaleBy(b, -1 / q)) < 1e-6;
}

function kindOf(at: Point, into: Point | undefined, out: Point | undefined): NodeKind {
  if (!into || !out) return 'corner';
  const [a, b] = [subtract(into, at), subtract(out, at)];
  if (!straight(a, b)) return 'corner';
  return Math.abs(lengthOf(a) - lengthOf(b)) < 1e-9 * lengthOf(a) ? 'even' : 'smooth';
}

/** The nodes of a path, for editing it node by node. */
export function nodesOfPath(path: Path): PathNode[] {
  const { segments, closed } = path;
  const last = segments[segments.length - 1];
  const at = (k: number): PathNode | null => {
    const after = segments[k];
    const before = k > 0 ? segments[k - 1] : closed ? last : undefined;
    const place = after?.from ?? before?.to;
    if (!place) return null;
    const into = before?.kind === 'cubic' ? before.in : undefined;
    const out = after?.kind === 'cubic' ? after.out : undefined;
    return {
      x: place.x,
      y: place.y,
      kind: kindOf(place, into, out),
      ...(into && { in: into }),
      ...(out && { out }),
      ...(after?.kind === 'arc' && { bulge: bulgeOf(after) }),
    };
  };
  const count = segments.length + (closed ? 0 : 1);
  return Array.from({ length: count }, (_, k) => at(k)).filter((node) => node !== null);
}

/** A node and its handles moved by a vector. */
export const movedNode = (node: PathNode, by: Point): PathNode => ({
  ...node,
  x: node.x + by.x,
  y: node.y + by.y,
  ...(node.in && { in: add(node.in, by) }),
  ...(node.out && { out: add(node.out, by) }),
});

/** A point reflected in the upright line through a node. */
const reflectedAt = (node: Point, p: Point): Point => ({ x: 2 * node.x - p.x, y: p.y });

/** True for a node whose handles are mirrored, and are so now: a path that was turned keeps its kinds of nodes. */
const isMirrored = (node: PathNode): boolean => {
  if (node.kind !== 'mirrored' || !node.in || !node.out) return false;
  const arm = distance(node.in, spot(node));
  return distance(reflectedAt(node, node.in), node.out) <= 1e-9 * (arm + lengthOf(spot(node)));
};

const opposite = (side: HandleSide): HandleSide => (side === 'in' ? 'out' : 'in');

/** The node with one handle put at a point; the other follows as the node's kind asks. A side that was an arc becomes a curve. */
export function withHandle(node: PathNode, side: HandleSide, to: Point): PathNode {
  const other = opposite(side);
  const { bulge, ...rest } = node;
  const isArc = bulge !== undefined && side === 'in';
  const moved: PathNode = { ...rest, ...(isArc && { bulge }), [side]: to };
  const far = node[other];
  if (isMirrored(node)) return { ...moved, [other]: reflectedAt(node, to) };
  if (node.kind === 'corner' || node.kind === 'mirrored' || !far) return moved;
  const arm = subtract(to, spot(node));
  const size = lengthOf(arm);
  if (size === 0) return moved;
  const length = node.kind === 'even' ? size : distance(far, spot(node));
  return { ...moved, [other]: add(spot(node), scaleBy(arm, -length / size)) };
}

/**
 * The nodes with one of them made another kind. A node that has no handles gets them along the line between
 * its neighbours, a third of the way to each; sides that were arcs there become curves.
 */
export function withKind(
  nodes: readonly PathNode[],
  index: number,
  kind: NodeKind,
  closed: boolean,
): PathNode[] {
  const node = nodes[index];
  if (!node) return [...nodes];
  if (kind === 'corner') return nodes.map((each, k) => (k === index ? { ...each, kind } : each));
  const count = nodes.length;
  const beside = (k: number) => (closed ? nodes[(k + count) % count] : nodes[k]);
  const [before, after] = [beside(index - 1), beside(index + 1)];
  const here = spot(node);
  const [a, b] = [before ? spot(before) : here, after ? spot(after) : here];
  const along = node.in && node.out ? subtract(node.out, node.in) : subtract(b, a);
  const size = lengthOf(along) || 1;
  const reach = (handle: Point | undefined, neighbour: Point) =>
    handle ? distance(handle, here) : distance(neighbour, here) / 3;
  let [into, out] = [reach(node.in, a), reach(node.out, b)];
  if (kind !== 'smooth') into = out = (into + out) / 2;
  // Mirrored handles begin level, on the sides where the path goes.
  const way = kind === 'mirrored' ? { x: along.x < 0 ? -size : size, y: 0 } : along;
  const made: PathNode = {
    x: node.x,
    y: node.y,
    kind,
    in: add(here, scaleBy(way, -into / size)),
    out: add(here, scaleBy(way, out / size)),
  };
  return nodes.map((each, k) => {
    if (k === index) return made;
    if (each === before && each.bulge !== undefined) return withoutBulge(each);
    return each;
  });
}

function withoutBulge(node: PathNode): PathNode {
  const { bulge: _, ...rest } = node;
  return rest;
}

/** The node as a corner without handles. */
export const bare = (node: PathNode): PathNode => ({ x: node.x, y: node.y, kind: 'corner' });

/** A new node on a side at parameter t, the curve's form kept. */
export function withNodeAt(nodes: readonly PathNode[], side: number, t: number, closed: boolean): PathNode[] {
  const path = pathOfNodes(nodes, closed);
  const segment = path.segments[side];
  if (!segment) return [...nodes];
  const split = splitAt(segment, t);
  const rebuilt = nodesOfPath({
    ...path,
    segments: path.segments.flatMap((s, k) => (k === side ? split : [s])),
  });
  // Nodes that were there keep the kind that the person gave them.
  return rebuilt.map((node, k) => {
    const old = k <= side ? nodes[k] : k === side + 1 ? undefined : nodes[k - 1];
    if (!old) return segment.kind === 'cubic' ? { ...node, kind: 'smooth' } : node;
    return { ...node, kind: node.kind === 'corner' || old.kind !== 'even' ? old.kind : node.kind };
  });
}

/** The nodes without some of them; the sides between those left keep the handles that remain. */
export function withoutNodes(nodes: readonly PathNode[], gone: ReadonlySet<number>): PathNode[] {
  return nodes
    .map((node, k) =>
      gone.has((k + 1) % nodes.length) && node.bulge !== undefined ? withoutBulge(node) : node,
    )
    .filter((_, k) => !gone.has(k));
}
