import { besideNodes, isDeepEnough, withGroup, withNewGroup, withTree } from '../grouping';
import {
  commonGroup,
  groupsAround,
  nodeKey,
  largestNodes,
  motifTree,
  nodesOfGroup,
  treeWith,
  treeWithout,
  type MotifNode,
  type Spot,
} from '../groups';
import type { AxisSide, Figure, Group, RoundId, GroupId, ShapeId } from '../model';
import { withRound } from '../update';

/** Makes shapes of a round a group: one thing to select, move, combine and list. */
export const groupShapes = (
  figure: Figure,
  roundId: RoundId,
  shapeIds: ReadonlySet<ShapeId>,
  newId: () => string,
): Figure => withRound(figure, roundId, (round) => withNewGroup(round, shapeIds, newId)?.round ?? round);

const dissolved = (tree: readonly MotifNode[], gone: ReadonlySet<string>): MotifNode[] =>
  tree.flatMap((node): MotifNode[] => {
    if (node.kind === 'shape') return [node];
    return gone.has(node.group.id) ? [...node.nodes] : [{ ...node, nodes: dissolved(node.nodes, gone) }];
  });

/**
 * Lets go what lies in the groups that shapes are all of, inner groups staying; shapes that are a part of a group are taken out of it, to in
 * front of it.
 */
export const ungroupShapes = (figure: Figure, roundId: RoundId, shapeIds: ReadonlySet<ShapeId>): Figure =>
  withRound(figure, roundId, (round) => {
    const tree = motifTree(round);
    const nodes = largestNodes(tree, shapeIds);
    const groups = new Set(nodes.flatMap((node) => (node.kind === 'group' ? [node.group.id] : [])));
    if (groups.size > 0) return withTree(round, dissolved(tree, groups));
    const inner = nodes.filter((node) => node.kind === 'shape' && node.shape.group !== undefined);
    if (inner.length === 0) return round;
    return withTree(
      round,
      inner.reduce<readonly MotifNode[]>((before, node) => {
        const own = node.kind === 'shape' ? node.shape.group : undefined;
        const [group] = groupsAround(round, own === undefined ? {} : { group: own }).slice(-1);
        const rest = treeWithout(before, new Set([nodeKey(node)]));
        const home = group?.parent ?? null;
        const beside = nodesOfGroup(before, home);
        const next = beside[beside.findIndex((each) => nodeKey(each) === group?.id) + 1];
        return treeWith(rest, [node], { group: home, before: next ? nodeKey(next) : null });
      }, tree),
    );
  });

/** Gives a group another name. */
export const renameGroup = (figure: Figure, roundId: RoundId, groupId: GroupId, name: string): Figure =>
  name.trim() === ''
    ? figure
    : withRound(figure, roundId, (round) => withGroup(round, groupId, { name: name.trim() }));

/** Puts shapes, and groups that they are all of, at a place in the motif, in the order that they have. */
export const placeInMotif = (
  figure: Figure,
  roundId: RoundId,
  shapeIds: ReadonlySet<ShapeId>,
  spot: Spot,
): Figure =>
  withRound(figure, roundId, (round) => {
    const tree = motifTree(round);
    const nodes = largestNodes(tree, shapeIds);
    const moved = new Set(nodes.map(nodeKey));
    // A thing cannot be put into itself, or beside itself.
    const around = groupsAround(round, spot.group === null ? {} : { group: spot.group });
    const isInside = around.some(({ id }) => moved.has(id));
    const isBeside = spot.before !== null && moved.has(spot.before);
    if (nodes.length === 0 || isInside || isBeside) return round;
    if (!nodes.every((node) => isDeepEnough(round, spot.group, node))) return round;
    return withTree(round, treeWith(treeWithout(tree, moved), nodes, spot));
  });

export type LayerStep = 'front' | 'forward' | 'backward' | 'back';

/** Moves shapes, and groups that they are all of, within what they lie in: to its front, its back, or past the next thing there. */
export const reorderShapes = (
  figure: Figure,
  roundId: RoundId,
  shapeIds: ReadonlySet<ShapeId>,
  step: LayerStep,
): Figure =>
  withRound(figure, roundId, (round) => {
    const tree = motifTree(round);
    const nodes = largestNodes(tree, shapeIds);
    if (nodes.length === 0) return round;
    const home = commonGroup(round, nodes);
    const moved = new Set(nodes.map(nodeKey));
    const others = nodesOfGroup(treeWithout(tree, moved), home);
    const { before } = besideNodes(
      tree,
      home,
      nodes,
      step === 'forward' || step === 'front' ? 'front' : 'back',
    );
    const at = before === null ? others.length : others.findIndex((node) => nodeKey(node) === before);
    const to = { front: others.length, back: 0, forward: at + 1, backward: at - 1 }[step];
    const next = others[Math.max(0, Math.min(to, others.length))];
    const spot = { group: home, before: next ? nodeKey(next) : null };
    return withTree(round, treeWith(treeWithout(tree, moved), nodes, spot));
  });

/**
 * Keeps of shapes one side of the axis, united with its reflection, live; null shows them as they are drawn. Several become a group that is
 * united first, so that they are one outline.
 */
export function setAxis(
  figure: Figure,
  roundId: RoundId,
  shapeIds: ReadonlySet<ShapeId>,
  side: AxisSide | null,
  newId: () => string,
): Figure {
  return withRound(figure, roundId, (round) => {
    const [node, another] = largestNodes(motifTree(round), shapeIds);
    if (node?.kind === 'group' && !another) {
      const groups = (round.groups ?? []).map((group) =>
        group.id === node.group.id ? about(group, side) : group,
      );
      return { ...round, groups };
    }
    const made = side && another && withNewGroup(round, shapeIds, newId, { op: 'union', axis: side }, 'back');
    if (made) return made.round;
    const shapes = round.shapes.map((shape) => (shapeIds.has(shape.id) ? about(shape, side) : shape));
    return { ...round, shapes };
  });
}

/** A shape or group with a side of the axis to keep, or none. */
function about<T extends Pick<Group, 'axis'>>(thing: T, side: AxisSide | null): T {
  const { axis: _, ...rest } = thing;
  return (side === null ? rest : { ...rest, axis: side }) as T;
}
