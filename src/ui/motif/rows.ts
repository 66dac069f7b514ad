/**
 * The list of a motif as a person sees it: the front first, what lies in a group indented under it.
 *
 * @example
 * rowsOf(motifTree(round), closed).map(({ node, depth }) => …);
 */
import { type MotifNode, nodeKey, nodesOfGroup, type Shape, shapesIn, type Spot } from '@/core/figure';
import type { Paint } from '@/core/scene';

export interface MotifRow {
  readonly node: MotifNode;
  readonly key: string;
  readonly name: string;
  readonly depth: number;
  /** The group that it lies in. */
  readonly home: string | null;
  /** Of its shapes. */
  readonly ids: readonly string[];
  readonly paints: readonly Paint[];
  readonly isVisible: boolean;
  readonly isLocked: boolean;
}

function rowOf(node: MotifNode, depth: number, home: string | null): MotifRow {
  const shapes = shapesIn(node);
  return {
    node,
    key: nodeKey(node),
    name: node.kind === 'shape' ? node.shape.name : node.group.name,
    depth,
    home,
    ids: shapes.map(({ id }) => id),
    paints: shapes.map(({ paint }) => paint),
    isVisible: shapes.some(({ visible }) => visible),
    isLocked: shapes.every(({ locked }) => locked),
  };
}

const lastRows = new WeakMap<Shape, MotifRow>();

/** The row of a shape; the same as long as the shape and its place are, so that a long list is not made anew with each edit. */
function shapeRow(
  node: MotifNode & { readonly kind: 'shape' },
  depth: number,
  home: string | null,
): MotifRow {
  const known = lastRows.get(node.shape);
  if (known?.depth === depth && known.home === home) return known;
  const made = rowOf(node, depth, home);
  lastRows.set(node.shape, made);
  return made;
}

/** The rows of a tree, the front first; none for what lies in a closed group. */
export function rowsOf(
  tree: readonly MotifNode[],
  closed: ReadonlySet<string>,
  depth = 0,
  home: string | null = null,
): MotifRow[] {
  return [...tree].reverse().flatMap((node): MotifRow[] => {
    if (node.kind === 'shape') return [shapeRow(node, depth, home)];
    const row = rowOf(node, depth, home);
    return closed.has(node.group.id) ? [row] : [row, ...rowsOf(node.nodes, closed, depth + 1, node.group.id)];
  });
}

/** Where something is let go at a row: in front of it, behind it, or in it. */
export type DropPlace = 'above' | 'below' | 'into';

/** What a share of a row's height, from its top, stands for. */
export function dropPlaceAt(row: MotifRow, share: number): DropPlace {
  if (row.node.kind === 'shape') return share < 0.5 ? 'above' : 'below';
  return share < 0.3 ? 'above' : share > 0.8 ? 'below' : 'into';
}

/** Where in the tree that is. */
export function spotOf(tree: readonly MotifNode[], row: MotifRow, place: DropPlace): Spot {
  if (place === 'into') return { group: row.key, before: null };
  if (place === 'below') return { group: row.home, before: row.key };
  const beside = nodesOfGroup(tree, row.home);
  const next = beside[beside.findIndex((node) => nodeKey(node) === row.key) + 1];
  return { group: row.home, before: next ? nodeKey(next) : null };
}
