/**
 * Changing the tree of a round's motif: new groups, and places beside what is there.
 *
 * @example
 * const made = withNewGroup(round, new Set(['stem', 'leaf']), newId, { op: 'union' });
 */
import {
  commonGroup,
  freeName,
  groupsAround,
  nodeKey,
  largestNodes,
  motifOfTree,
  motifTree,
  nodesOfGroup,
  treeWith,
  treeWithout,
  withShapesAndGroups,
  type GroupNode,
  type MotifNode,
  type Spot,
} from './groups';
import { LIMITS, type Group, type Round, type GroupId, type ShapeId } from './model';

/** A round with its motif as a tree says. */
export const withTree = (round: Round, tree: readonly MotifNode[]): Round => {
  const { shapes, groups } = motifOfTree(tree);
  return withShapesAndGroups(round, shapes, groups);
};

const depthOf = (node: MotifNode): number =>
  node.kind === 'shape' ? 0 : 1 + Math.max(0, ...node.nodes.map(depthOf));

/** True where no group would lie in more groups than there may be. */
export const isDeepEnough = (round: Round, home: string | null, node: MotifNode): boolean =>
  groupsAround(round, home === null ? {} : { group: home }).length + depthOf(node) <= LIMITS.depth;

/** The place in a group in front of some nodes, or behind them. */
export function besideNodes(
  tree: readonly MotifNode[],
  home: string | null,
  chosen: readonly MotifNode[],
  at: 'front' | 'back',
): Spot {
  const keys = new Set(chosen.map(nodeKey));
  const holds = (node: MotifNode): boolean =>
    keys.has(nodeKey(node)) || (node.kind === 'group' && node.nodes.some(holds));
  const beside = nodesOfGroup(tree, home);
  const places = beside.flatMap((node, k) => (holds(node) ? [k] : []));
  const from = at === 'front' ? (places[places.length - 1] ?? -1) + 1 : (places[0] ?? 0);
  const next = beside.slice(from).find((node) => !keys.has(nodeKey(node)));
  return { group: home, before: next ? nodeKey(next) : null };
}

/**
 * A round with some of its shapes in a new group of their own, in front of what they were in front of, or behind. Groups that they are all
 * of go into it as they are. Where they are one group already it stays that.
 * @returns the round and the group's id; null where they are not two things or more
 */
export function withNewGroup(
  round: Round,
  shapeIds: ReadonlySet<ShapeId>,
  newId: () => string,
  look: Pick<Group, 'op' | 'axis'> = {},
  at: 'front' | 'back' = 'front',
): { round: Round; groupId: GroupId } | null {
  const tree = motifTree(round);
  const nodes = largestNodes(tree, shapeIds);
  const [first, another] = nodes;
  if (!first) return null;
  if (first.kind === 'group' && !another)
    return { round: withGroup(round, first.group.id, look), groupId: first.group.id };
  if (!another) return null;
  const home = commonGroup(round, nodes);
  const group: Group = { id: newId(), name: freeName('Group', round.groups ?? []), ...look };
  const made: GroupNode = { kind: 'group', group, nodes };
  if (!isDeepEnough(round, home, made)) return null;
  const spot = besideNodes(tree, home, nodes, at);
  const rest = treeWithout(tree, new Set(nodes.map(nodeKey)));
  return { round: withTree(round, treeWith(rest, [made], spot)), groupId: group.id };
}

/** A round with some of its shapes in one group, one of them alone too; null where there is none, or the group would lie too deep. */
export function withGroupOf(
  round: Round,
  shapeIds: ReadonlySet<ShapeId>,
  newId: () => string,
): { round: Round; groupId: GroupId } | null {
  const tree = motifTree(round);
  const [only, another] = largestNodes(tree, shapeIds);
  if (only?.kind !== 'shape' || another) return withNewGroup(round, shapeIds, newId);
  const { shape } = only;
  const home = shape.group ?? null;
  const group: Group = { id: newId(), name: freeName('Group', round.groups ?? []) };
  const made: GroupNode = { kind: 'group', group, nodes: [only] };
  if (!isDeepEnough(round, home, made)) return null;
  const spot = besideNodes(tree, home, [only], 'front');
  return {
    round: withTree(round, treeWith(treeWithout(tree, new Set([shape.id])), [made], spot)),
    groupId: group.id,
  };
}

/** A group with something else about it. */
export const withGroup = (round: Round, groupId: GroupId, part: Partial<Group>): Round => ({
  ...round,
  ...(round.groups && {
    groups: round.groups.map((group) => (group.id === groupId ? { ...group, ...part } : group)),
  }),
});
