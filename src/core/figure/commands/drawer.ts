/** Motifs of the drawer in a figure: placed, followed, changed, and let go. */
import { type Affine, IDENTITY, inverse } from '@/core/curve';
import type { Work } from '@/core/derive';
import { motifOfTree, motifTree, withShapesAndGroups, type Motif, type MotifNode } from '../groups';
import { withGroupOf, withTree } from '../grouping';
import { renamedShapes } from '../inputs';
import type { Figure, Group, Round, Shape, RoundId, GroupId, ShapeId } from '../model';
import { detached, mappedMotif, usesOfFigure } from '../sources';
import { withRound } from '../update';

/** A motif with ids of its own. */
function renewed({ shapes, groups = [] }: Motif, newId: () => string): Required<Motif> {
  const fresh = new Map(groups.map(({ id }) => [id, newId()]));
  const home = (id: string | undefined): string | undefined => (id === undefined ? undefined : fresh.get(id));
  return {
    shapes: renamedShapes(shapes, newId).map(({ group, ...shape }): Shape => {
      const inside = home(group);
      return { ...shape, ...(inside !== undefined && { group: inside }) };
    }),
    groups: groups.map(({ parent, ...group }): Group => {
      const inside = home(parent);
      return {
        ...group,
        id: home(group.id) ?? newId(),
        ...(inside !== undefined && { parent: inside }),
      };
    }),
  };
}

/** A motif all of which lies in one group. */
function inGroup({ shapes, groups }: Required<Motif>, group: Group): Required<Motif> {
  return {
    shapes: shapes.map((shape) => (shape.group === undefined ? { ...shape, group: group.id } : shape)),
    groups: [
      group,
      ...groups.map((each) => (each.parent === undefined ? { ...each, parent: group.id } : each)),
    ],
  };
}

/** A motif of the drawer that is put somewhere. */
export interface MotifPlaced {
  readonly name: string;
  readonly motif: Motif;
  /** From its own coordinates to those of the round. */
  readonly place: Affine;
  /** Which one it follows from now on; a copy follows none. */
  readonly follows: { readonly motif: string; readonly revision: number } | null;
}

/** Puts a motif of the drawer in front of a round's: as a group of its name, unless it is one shape that follows nothing. */
export function placeMotif(
  figure: Figure,
  roundId: RoundId,
  { name, motif, place, follows }: MotifPlaced,
  newId: () => string,
  work: Work,
): { figure: Figure; ids: string[] } {
  const own = renewed(mappedMotif(motif, place, work), newId);
  const isAlone = own.shapes.length === 1 && !follows;
  const group: Group = { id: newId(), name, ...(follows && { source: { ...follows, place } }) };
  const made = isAlone ? own : inGroup(own, group);
  return {
    figure: withRound(figure, roundId, (round) =>
      withShapesAndGroups(
        round,
        [...round.shapes, ...made.shapes],
        [...(round.groups ?? []), ...made.groups],
      ),
    ),
    ids: made.shapes.map(({ id }) => id),
  };
}

/** Makes shapes of a round a use of a motif that they were just kept as: one group, which follows it from now on. */
export const linkMotif = (
  figure: Figure,
  roundId: RoundId,
  shapeIds: ReadonlySet<ShapeId>,
  follows: { readonly motif: string; readonly revision: number; readonly name: string },
  newId: () => string,
): Figure =>
  withRound(figure, roundId, (before) => {
    const made = withGroupOf(before, shapeIds, newId);
    if (!made) return before;
    const { name, motif, revision } = follows;
    return {
      ...made.round,
      groups: (made.round.groups ?? []).map((group) =>
        group.id === made.groupId ? { ...group, name, source: { motif, revision, place: IDENTITY } } : group,
      ),
    };
  });

/** A round whose use of a motif holds another one in its place. */
function withUse(round: Round, group: Group, motif: Required<Motif>): Round {
  const tree = motifTree(round);
  const inside: MotifNode = { kind: 'group', group, nodes: motifTree(motif) };
  const replaced = (nodes: readonly MotifNode[]): MotifNode[] =>
    nodes.map((node) => {
      if (node.kind === 'shape') return node;
      return node.group.id === group.id ? inside : { ...node, nodes: replaced(node.nodes) };
    });
  return withTree(round, replaced(tree));
}

/** Puts a newer revision of a motif in the place of each use of it that is older. */
export function followMotif(
  figure: Figure,
  id: string,
  { revision, motif }: { readonly revision: number; readonly motif: Motif },
  newId: () => string,
  work: Work,
): Figure {
  return usesOfFigure(figure)
    .filter(({ group: { source } }) => source.motif === id && source.revision < revision)
    .reduce((before, { roundId, group }) => {
      const source = { ...group.source, revision };
      const own = renewed(mappedMotif(motif, source.place, work), newId);
      return withRound(before, roundId, (round) =>
        // A linked round was changed with the first of them.
        round.groups?.some((each) => each.id === group.id && each.source?.revision !== revision)
          ? withUse(round, { ...group, source }, own)
          : round,
      );
    }, figure);
}

/** Lets a use go: it stays as it is, and follows its motif no longer. */
export const detachMotif = (figure: Figure, roundId: RoundId, groupId: GroupId): Figure =>
  withRound(figure, roundId, (round) =>
    round.groups?.some(({ id, source }) => id === groupId && source)
      ? { ...round, groups: round.groups.map((group) => (group.id === groupId ? detached(group) : group)) }
      : round,
  );

/** What lies in a use, in the motif's own coordinates: what the motif becomes where it is changed to this. Null where there is no such use. */
export function motifOfUse(figure: Figure, roundId: RoundId, groupId: GroupId, work: Work): Motif | null {
  const use = usesOfFigure(figure).find((each) => each.roundId === roundId && each.group.id === groupId);
  const round = figure.rounds.find(({ id }) => id === roundId);
  if (!use || !round) return null;
  const inside = insideOf(motifTree(round), groupId);
  return inside && mappedMotif(motifOfTree(inside), inverse(use.group.source.place), work);
}

function insideOf(nodes: readonly MotifNode[], groupId: GroupId): readonly MotifNode[] | null {
  for (const node of nodes) {
    if (node.kind === 'shape') continue;
    const found = node.group.id === groupId ? node.nodes : insideOf(node.nodes, groupId);
    if (found) return found;
  }
  return null;
}
