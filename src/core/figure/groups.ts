/**
 * The tree of a motif. Its shapes stand in one list, back to front, as they are drawn; groups stand beside them, and what lies in a group
 * names it. A group stands where the backmost of its shapes does.
 *
 * @example
 * for (const node of motifTree(round)) if (node.kind === 'group') console.log(node.group.name, shapesIn(node).length);
 */
import { finding, type Finding } from '@/core/finding';
import { LIMITS, type Group, type Round, type Shape, type GroupId, type ShapeId } from './model';

/** What a tree is made of. */
export type Motif = Pick<Round, 'shapes' | 'groups'>;

interface ShapeNode {
  readonly kind: 'shape';
  readonly shape: Shape;
}

export interface GroupNode {
  readonly kind: 'group';
  readonly group: Group;
  /** Back to front. */
  readonly nodes: readonly MotifNode[];
}

export type MotifNode = ShapeNode | GroupNode;

interface OpenGroup {
  readonly kind: 'group';
  readonly group: Group;
  readonly nodes: MotifNode[];
}

/** A group and those that it lies in, the outermost first; a chain that goes round ends where it would begin again. */
function chainOf(groups: ReadonlyMap<string, Group>, groupId: GroupId | undefined): Group[] {
  const chain: Group[] = [];
  let group = groupId === undefined ? undefined : groups.get(groupId);
  while (group && !chain.includes(group)) {
    chain.unshift(group);
    group = group.parent === undefined ? undefined : groups.get(group.parent);
  }
  return chain;
}

const byId = ({ groups = [] }: Motif): Map<string, Group> =>
  new Map(groups.map((group) => [group.id, group]));

const trees = new WeakMap<
  readonly Shape[],
  { readonly groups: Round['groups']; readonly tree: readonly MotifNode[] }
>();

/** A motif as a tree, back to front; the same object for the same motif. */
export function motifTree(motif: Motif): readonly MotifNode[] {
  const { shapes, groups } = motif;
  const kept = trees.get(shapes);
  if (kept && kept.groups === groups) return kept.tree;
  const known = byId(motif);
  const tree: MotifNode[] = [];
  const open = new Map<string, OpenGroup>();
  for (const shape of shapes) {
    let list = tree;
    for (const group of chainOf(known, shape.group)) {
      const here = open.get(group.id) ?? { kind: 'group' as const, group, nodes: [] };
      if (!open.has(group.id)) list.push(here);
      open.set(group.id, here);
      list = here.nodes;
    }
    list.push({ kind: 'shape', shape });
  }
  trees.set(shapes, { groups, tree });
  return tree;
}

/** The shapes of a node, back to front. */
export const shapesIn = (node: MotifNode): readonly Shape[] =>
  node.kind === 'shape' ? [node.shape] : node.nodes.flatMap(shapesIn);

/** The shapes of a tree, back to front, those of a group next to one another. */
export const shapesOfTree = (tree: readonly MotifNode[]): Shape[] => tree.flatMap(shapesIn);

/** The groups of a round that a shape lies in, the outermost first. */
export const groupsAround = (motif: Motif, { group }: Pick<Shape, 'group'>): readonly Group[] =>
  group === undefined ? [] : chainOf(byId(motif), group);

/** Why groups and what names them are no tree; null where they are one. */
export function treeProblem(motif: Motif): Finding | null {
  const known = byId(motif);
  const isHome = (id: string | undefined): boolean => id === undefined || known.has(id);
  if (
    !motif.shapes.every(({ group }) => isHome(group)) ||
    !(motif.groups ?? []).every(({ parent }) => isHome(parent))
  )
    return finding('groups.unknown');
  for (const group of known.values()) {
    const chain = chainOf(known, group.id);
    if (chain[0]?.parent !== undefined) return finding('groups.loop');
    if (chain.length > LIMITS.depth) return finding('groups.deep', LIMITS.depth);
  }
  return null;
}

/** True for a shape that can be taken hold of. */
export const isFree = ({ visible, locked }: Shape): boolean => visible && !locked;

/** Shapes with all that are in an outermost group with one of them; locked and hidden ones stay out. */
export function wholeGroups(round: Motif, shapeIds: Iterable<ShapeId>): Set<string> {
  const ids = new Set(shapeIds);
  for (const node of motifTree(round)) {
    if (node.kind === 'shape') continue;
    const shapes = shapesIn(node);
    if (!shapes.some(({ id }) => ids.has(id))) continue;
    for (const shape of shapes) if (isFree(shape)) ids.add(shape.id);
  }
  return ids;
}

/** True where all of a group that can be is among some shapes. */
const isWithin = (node: GroupNode, ids: ReadonlySet<string>): boolean => {
  const shapes = shapesIn(node);
  const free = shapes.filter(isFree);
  return (free.length > 0 ? free : shapes).every(({ id }) => ids.has(id));
};

/** The largest parts of a tree that some shapes are all of, back to front. */
export function largestNodes(tree: readonly MotifNode[], ids: ReadonlySet<string>): MotifNode[] {
  return tree.flatMap((node): MotifNode[] => {
    if (node.kind === 'shape') return ids.has(node.shape.id) ? [node] : [];
    return isWithin(node, ids) ? [node] : largestNodes(node.nodes, ids);
  });
}

/** The innermost group that some shapes are all of; null where they are none, or more than one. */
export function groupOf(motif: Motif, shapes: readonly Shape[]): Group | null {
  const [node, another] = largestNodes(motifTree(motif), new Set(shapes.map(({ id }) => id)));
  return node?.kind === 'group' && !another ? node.group : null;
}

/**
 * What a click goes on to in the groups round a shape: the next group inward of what is selected, at last the shape alone, and then the
 * outermost again.
 */
export function deeper(round: Motif, shape: Shape, selected: ReadonlySet<string>): Set<string> {
  let nodes = motifTree(round);
  const steps: Set<string>[] = [];
  for (const { id } of groupsAround(round, shape)) {
    const node = nodes.find((each): each is GroupNode => each.kind === 'group' && each.group.id === id);
    if (!node) break;
    steps.push(new Set(shapesIn(node).flatMap((each) => (isFree(each) ? [each.id] : []))));
    nodes = node.nodes;
  }
  steps.push(new Set([shape.id]));
  const isSame = (ids: ReadonlySet<string>): boolean =>
    ids.size === selected.size && [...ids].every((id) => selected.has(id));
  const at = steps.findIndex(isSame);
  return steps[(at + 1) % steps.length] ?? new Set([shape.id]);
}

/** A name of a kind that no other has: “Group 3”. */
export function freeName(kind: string, taken: readonly { readonly name: string }[]): string {
  const names = new Set(taken.map(({ name }) => name));
  let number = 1;
  while (names.has(`${kind} ${number}`)) number += 1;
  return `${kind} ${number}`;
}

/** The name of a copy: that of the original with the next free number, “Petal 2”. The names taken get it too. */
export function copyName(name: string, taken: Set<string>): string {
  const base = name.replace(/ \d+$/, '').slice(0, LIMITS.name - 8);
  let number = 2;
  while (taken.has(`${base} ${number}`)) number += 1;
  const own = `${base} ${number}`;
  taken.add(own);
  return own;
}

/** A name for a shape that is added: as it is, or with the next number where one has it. */
export const freshName = (name: string, shapes: readonly Shape[]): string =>
  shapes.some((shape) => shape.name === name)
    ? copyName(name, new Set(shapes.map((shape) => shape.name)))
    : name;

/** Groups that some shape lies in, at whatever depth; the same list where all are. */
export function usedGroups(groups: readonly Group[], shapes: readonly Shape[]): readonly Group[] {
  const known = new Map(groups.map((group) => [group.id, group]));
  const names = new Set(shapes.map(({ group }) => group));
  const used = new Set([...names].flatMap((name) => chainOf(known, name)));
  return used.size === groups.length ? groups : groups.filter((group) => used.has(group));
}

/** A round with another motif; groups without a shape go. */
export function withShapesAndGroups(round: Round, shapes: readonly Shape[], groups: readonly Group[]): Round {
  const { groups: _, ...rest } = round;
  const used = usedGroups(groups, shapes);
  return { ...rest, shapes, ...(used.length > 0 && { groups: used }) };
}

/** A motif of a tree: what lies in a group names it. Groups in which nothing is go. */
export function motifOfTree(tree: readonly MotifNode[]): Required<Motif> {
  const shapes: Shape[] = [];
  const groups: Group[] = [];
  const visit = (nodes: readonly MotifNode[], inside: string | undefined): void => {
    for (const node of nodes) {
      if (node.kind === 'shape') shapes.push(withHome(node.shape, inside));
      else if (shapesIn(node).length > 0) {
        groups.push(withParent(node.group, inside));
        visit(node.nodes, node.group.id);
      }
    }
  };
  visit(tree, undefined);
  return { shapes, groups };
}

/** A shape in a group, or in none; itself where it is there. */
function withHome(shape: Shape, home: string | undefined): Shape {
  if (shape.group === home) return shape;
  const { group: _, ...rest } = shape;
  return home === undefined ? rest : { ...rest, group: home };
}

function withParent(group: Group, parent: string | undefined): Group {
  if (group.parent === parent) return group;
  const { parent: _, ...rest } = group;
  return parent === undefined ? rest : { ...rest, parent };
}

/** What a node is known by: the id of its shape or group. */
export const nodeKey = (node: MotifNode): string => (node.kind === 'shape' ? node.shape.id : node.group.id);

/** A tree without some of its nodes. */
export const treeWithout = (tree: readonly MotifNode[], gone: ReadonlySet<string>): MotifNode[] =>
  tree.flatMap((node): MotifNode[] => {
    if (gone.has(nodeKey(node))) return [];
    return node.kind === 'shape' ? [node] : [{ ...node, nodes: treeWithout(node.nodes, gone) }];
  });

/** Where nodes go: into a group, or none, behind the node of a key, or in front of all. */
export interface Spot {
  readonly group: string | null;
  readonly before: string | null;
}

const holdsGroup = (tree: readonly MotifNode[], id: string): boolean =>
  tree.some((node) => node.kind === 'group' && (node.group.id === id || holdsGroup(node.nodes, id)));

/** A tree with nodes put in at a place; where the place is not there, in front of all. */
export function treeWith(tree: readonly MotifNode[], added: readonly MotifNode[], spot: Spot): MotifNode[] {
  const { group, before } = spot;
  if (group !== null && !holdsGroup(tree, group)) return [...tree, ...added];
  const put = (nodes: readonly MotifNode[], here: string | null): MotifNode[] => {
    const inner = nodes.map((node) =>
      node.kind === 'shape' ? node : { ...node, nodes: put(node.nodes, node.group.id) },
    );
    if (here !== group) return inner;
    const at = inner.findIndex((node) => nodeKey(node) === before);
    return at < 0 ? [...inner, ...added] : [...inner.slice(0, at), ...added, ...inner.slice(at)];
  };
  return put(tree, null);
}

/** The nodes beside which a group's are, or the outermost; none where there is no such group. */
export function nodesOfGroup(tree: readonly MotifNode[], group: string | null): readonly MotifNode[] {
  if (group === null) return tree;
  for (const node of tree) {
    if (node.kind === 'shape') continue;
    if (node.group.id === group) return node.nodes;
    const inside = nodesOfGroup(node.nodes, group);
    if (inside.length > 0) return inside;
  }
  return [];
}

/** The innermost group that all of some nodes lie in; null where there is none. */
export function commonGroup(motif: Motif, nodes: readonly MotifNode[]): string | null {
  const chains = nodes.map((node) =>
    groupsAround(motif, { group: node.kind === 'shape' ? node.shape.group : node.group.parent } as Shape),
  );
  const [first = [], ...rest] = chains;
  const shared = first.filter((group, k) => rest.every((chain) => chain[k]?.id === group.id));
  return shared[shared.length - 1]?.id ?? null;
}

/**
 * Copies of shapes, and of the groups that they are all of: these keep together as the originals do, but not with them. What is a part of a
 * group stays in it.
 */
export function regrouped(
  motif: Motif,
  shapeIds: ReadonlySet<ShapeId>,
  newId: () => string,
): Required<Motif> {
  const fresh = new Map<string, string>();
  const visit = (node: MotifNode): void => {
    if (node.kind === 'shape') return;
    fresh.set(node.group.id, newId());
    node.nodes.forEach(visit);
  };
  largestNodes(motifTree(motif), shapeIds).forEach(visit);
  const known = byId(motif);
  const taken = new Set((motif.groups ?? []).map(({ name }) => name));
  const home = (group: string | undefined): string | undefined =>
    group === undefined || !known.has(group) ? undefined : (fresh.get(group) ?? group);
  return {
    groups: (motif.groups ?? [])
      .filter(({ id }) => fresh.has(id))
      .map((group) => {
        const copy = { ...group, id: fresh.get(group.id) ?? group.id, name: copyName(group.name, taken) };
        return withParent(copy, home(group.parent));
      }),
    shapes: motif.shapes
      .filter(({ id }) => shapeIds.has(id))
      .map((shape) => withHome(shape, home(shape.group))),
  };
}
