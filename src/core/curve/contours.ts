import { applyTo, type Affine } from './affine';
import { nodesOfPath, pathOfNodes, type PathNode } from './nodes';
import type { Path } from './path';

/** One line of nodes: closed, or open with two ends. A path has one or more of them. */
export interface Contour {
  readonly closed: boolean;
  readonly nodes: readonly PathNode[];
}

/** Two nodes can only close round an area where a side between them is curved. */
export const canClose = (nodes: readonly PathNode[]): boolean =>
  nodes.length > 2 || pathOfNodes(nodes, true).segments.some(({ kind }) => kind !== 'line');

/** All nodes of contours, one contour after the other: what a node's index counts. */
export const nodesOfContours = (contours: readonly Contour[]): PathNode[] =>
  contours.flatMap(({ nodes }) => nodes);

/** Which contour an index of all nodes is in, and where in it; null past the end. */
export function placeOfNode(
  contours: readonly Contour[],
  index: number,
): { readonly contour: number; readonly node: number } | null {
  let node = index;
  for (const [contour, { nodes }] of contours.entries()) {
    if (node < nodes.length) return { contour, node };
    node -= nodes.length;
  }
  return null;
}

/** The index among all nodes of the first node of a contour. */
export const firstNodeOf = (contours: readonly Contour[], contour: number): number =>
  contours.slice(0, contour).reduce((sum, { nodes }) => sum + nodes.length, 0);

/**
 * Contours with those changed that have some of the named nodes, each into any number of others.
 * @param indices among all nodes; `change` is told those of its contour, counted in it
 */
export function changedContours(
  contours: readonly Contour[],
  indices: ReadonlySet<number>,
  change: (contour: Contour, own: ReadonlySet<number>) => readonly Contour[],
): Contour[] {
  let first = 0;
  return contours.flatMap((contour) => {
    const own = new Set([...contour.nodes.keys()].filter((k) => indices.has(first + k)));
    first += contour.nodes.length;
    return own.size > 0 ? change(contour, own) : [contour];
  });
}

const mappedNode = (node: PathNode, m: Affine): PathNode => ({
  ...node,
  ...applyTo(m, node),
  ...(node.in && { in: applyTo(m, node.in) }),
  ...(node.out && { out: applyTo(m, node.out) }),
});

/** Contours under a map that keeps angles and their direction: a move, a turn, an even scale. */
export const mappedContours = (contours: readonly Contour[], m: Affine): Contour[] =>
  contours.map(({ closed, nodes }) => ({ closed, nodes: nodes.map((node) => mappedNode(node, m)) }));

/** The contours that draw paths. */
export const contoursOfPaths = (paths: readonly Path[]): Contour[] =>
  paths.map((path) => ({ closed: path.closed, nodes: nodesOfPath(path) }));

/** The paths that contours draw. */
export const pathsOfContours = (contours: readonly Contour[]): Path[] =>
  contours.map(({ nodes, closed }) => pathOfNodes(nodes, closed));
