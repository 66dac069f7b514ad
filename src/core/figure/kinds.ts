import { type Affine, applyTo, compose, lengthOf, middleOf, MIRROR, turnMap } from '@/core/curve';
import { remembered } from '../remembered';
import type { CellCopy, CellGroup } from '@/core/merge';
import { directionOf, type PlacedRegion, ringsOfPlaces } from '@/core/paint';
import type { Paint } from '@/core/scene';
import { paintsOfCells, paintsOfGroup, type ShownCells } from './cells';
import type { RoundMerge } from './model';

/** What a stroke over a cell reaches: it alone, its kind, every second or third of it, its ring, its sector. */
export const CELL_REACHES = ['one', 'kind', 'second', 'third', 'ring', 'sector'] as const;
export type CellReach = (typeof CELL_REACHES)[number];

/** A kind of cells as a person finds it in a list. */
export interface KindFacts {
  /** Stays the same while the kind does. */
  readonly name: string;
  readonly group: CellGroup;
  readonly count: number;
  /** Of the area of all cells. */
  readonly share: number;
  /** What its cells are painted with: one paint where all have the same; none where all are removed. */
  readonly paints: readonly Paint[];
}

export const nameOfKind = ({ keys, copies }: CellGroup): string =>
  `${[...keys].sort().join('+')}×${copies.length}`;

const factsOfGroups = new WeakMap<CellGroup, KindFacts>();

/** The kinds of a divided round from centre to rim; what is said of one is the same object while it is the same. */
export function kindsOf({ groups }: ShownCells, merge: RoundMerge): KindFacts[] {
  const whole = groups.reduce((sum, { area, copies }) => sum + area * copies.length, 0);
  return groups.map((group) => {
    const paints = paintsOfGroup(group, merge);
    const share = whole > 0 ? (group.area * group.copies.length) / whole : 0;
    const known = factsOfGroups.get(group);
    if (known?.paints === paints && known.share === share) return known;
    const facts = { name: nameOfKind(group), group, count: group.copies.length, share, paints };
    factsOfGroups.set(group, facts);
    return facts;
  });
}

/** What is there of a divided round, without the cells that were removed. */
export interface CellsFacts {
  readonly cells: number;
  readonly kinds: number;
  readonly loops: number;
  readonly nodes: number;
  readonly area: number;
}

/** Figures of the cells that are left. */
export function factsOfCells({ groups }: ShownCells, merge: RoundMerge): CellsFacts {
  const facts = { cells: 0, kinds: 0, loops: 0, nodes: 0, area: 0 };
  for (const group of groups) {
    const count = paintsOfCells(group, merge).filter((paint) => paint !== null).length;
    facts.cells += count;
    facts.kinds += count > 0 ? 1 : 0;
    facts.loops += count * group.loops.length;
    facts.nodes += count * group.loops.reduce((sum, { segments }) => sum + segments.length, 0);
    facts.area += count * group.area;
  }
  return facts;
}

export const refsOfGroup = ({ copies }: CellGroup): string[] => copies.flatMap(({ refs }) => refs);

const mapOf = ({ turn, mirrored }: CellCopy): Affine =>
  mirrored ? compose(turnMap(turn), MIRROR) : turnMap(turn);

/** Where each cell of a group lies. */
function placesOfGroup(group: CellGroup): (copy: CellCopy) => PlacedRegion {
  const { loops, inner, outer, depth } = group;
  const middle = middleOf(loops);
  return (copy) => ({ at: applyTo(mapOf(copy), middle), inner, outer, depth });
}

interface PlacedCells {
  readonly copies: readonly CellCopy[];
  /** Of each copy. */
  readonly places: readonly PlacedRegion[];
}

/** All cells of groups, and where they lie; found once for the same groups. */
export const placedCells = remembered((groups: readonly CellGroup[]): PlacedCells => {
  const [copies, places]: [CellCopy[], PlacedRegion[]] = [[], []];
  for (const group of groups) {
    const placeOf = placesOfGroup(group);
    for (const copy of group.copies) {
      copies.push(copy);
      places.push(placeOf(copy));
    }
  }
  return { copies, places };
});

/** The groups that are in one ring with a group. */
function ringWith(groups: readonly CellGroup[], group: CellGroup): CellGroup[] {
  const rings = ringsOfPlaces(
    groups.map((each) => ({
      at: middleOf(each.loops),
      inner: each.inner,
      outer: each.outer,
      depth: each.depth,
    })),
  );
  const own = rings[groups.indexOf(group)];
  return groups.filter((_, k) => rings[k] === own);
}

/** Places that differ by less than this many turns are in one direction. */
const SAME_DIRECTION = 1e-6;

/** The copies of a group clockwise around the centre. */
function clockwise(group: CellGroup): CellCopy[] {
  const placeOf = placesOfGroup(group);
  return group.copies
    .map((copy) => ({ copy, direction: directionOf(placeOf(copy).at) }))
    .sort((a, b) => a.direction - b.direction)
    .map(({ copy }) => copy);
}

/** References to the cells that a stroke over one of them reaches. */
export function reachedCells(
  groups: readonly CellGroup[],
  { group, copy }: { readonly group: CellGroup; readonly copy: CellCopy },
  reach: CellReach,
): string[] {
  switch (reach) {
    case 'one':
      return [...copy.refs];
    case 'kind':
      return refsOfGroup(group);
    case 'second':
    case 'third': {
      const step = reach === 'second' ? 2 : 3;
      const row = clockwise(group);
      const own = row.indexOf(copy);
      return row.filter((_, k) => (k - own) % step === 0).flatMap(({ refs }) => refs);
    }
    case 'ring':
      return ringWith(groups, group).flatMap(refsOfGroup);
    case 'sector': {
      // As wide as the cells of its ring are apart, to both sides of its middle.
      const count = ringWith(groups, group).reduce((sum, { copies }) => sum + copies.length, 0);
      const own = placesOfGroup(group)(copy).at;
      if (count < 2 || lengthOf(own) < 1e-9 * group.outer) return [...copy.refs];
      const half = 1 / (2 * count);
      const direction = directionOf(own);
      const { copies, places } = placedCells(groups);
      return copies
        .filter((_, k) => {
          const { at } = places[k] as PlacedRegion;
          const away = directionOf(at) - direction;
          const turned = away - Math.round(away);
          return (
            turned > SAME_DIRECTION - half &&
            turned <= half + SAME_DIRECTION &&
            lengthOf(at) > 1e-9 * group.outer
          );
        })
        .flatMap(({ refs }) => refs);
    }
  }
}
