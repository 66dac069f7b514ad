import { mapPath, MIRROR, type Path, reversedPath } from '@/core/curve';
import { remembered } from '../remembered';
import { keptPaints, kindKey, paintedRefs, paintOfRef } from './cellPaints';
import { addTurns, equalTurns, type Turn } from '@/core/number';
import { type CellCopy, type CellGroup, type Division, groupsOf } from '@/core/merge';
import type { Work } from '@/core/derive';
import { nameOfPaint } from '@/core/paint';
import type { Paint, SceneCopy, SceneLayer } from '@/core/scene';
import type { CellRef, CellEdits, Round, RoundMerge } from './model';

export const NO_CELL_EDITS: CellEdits = { frame: false, fused: [], removed: [], paints: {} };

/** What a round that is divided begins with: each cell looks as the shape does that lies over it. */
export const FIRST_CELLS: CellEdits = { ...NO_CELL_EDITS, fromShapes: true };

/** The cells of a divided round as a person sees them: fused, and without what was removed. */
export interface ShownCells {
  readonly groups: readonly CellGroup[];
  /** References of what was done to cells that are no longer there. */
  readonly lost: readonly string[];
}

const shown = new WeakMap<Division, { fused: CellEdits['fused']; cells: ShownCells }>();

/** The groups of a division under what was fused; the same object as long as neither changes. */
export function shownCells(division: Division, { fused }: Pick<CellEdits, 'fused'>, work: Work): ShownCells {
  const known = shown.get(division);
  if (known?.fused === fused) return known.cells;
  const missed = work.missed;
  const cells = groupsOf(division, fused, work);
  if (work.missed === missed) shown.set(division, { fused, cells });
  return cells;
}

/** References of removed and painted cells, and of fused ones, that mean no cell any more. */
export function lostRefs(division: Division, done: CellEdits): string[] {
  const keys = new Set(division.cells.map(({ key }) => key));
  const refs = [...done.removed, ...paintedRefs(done.paints), ...done.fused.flatMap(({ cells }) => cells)];
  return [...new Set(refs.filter((ref) => !keys.has(kindKey(ref))))];
}

/** What was done to cells that are there. */
export function keptEdits(division: Division, done: CellEdits): CellEdits {
  const lost = new Set(lostRefs(division, done));
  const stays = (ref: CellRef): boolean => !lost.has(ref);
  return {
    ...done,
    removed: done.removed.filter(stays),
    paints: keptPaints(done.paints, stays),
    fused: done.fused
      .map((each) => ({ ...each, cells: each.cells.filter(stays) }))
      .filter(({ cells }) => cells.length > 1),
  };
}

/** Cells that were removed, by kind: all of it, or single ones. */
interface Removed {
  readonly all: ReadonlySet<string>;
  readonly single: ReadonlyMap<string, ReadonlySet<CellRef>>;
}

export const removedByKind = remembered((removed: CellEdits['removed']): Removed => {
  const all = new Set<string>();
  const single = new Map<string, Set<CellRef>>();
  for (const ref of removed) {
    const key = kindKey(ref);
    if (key === ref) all.add(key);
    else single.set(key, (single.get(key) ?? new Set()).add(ref));
  }
  return { all, single };
});

/** True for a cell that was removed, by itself or with its kind. */
export function isRemoved({ all, single }: Removed, ref: CellRef): boolean {
  const key = kindKey(ref);
  return all.has(key) || (single.get(key)?.has(ref) ?? false);
}

/** The paint of each cell of a group, or null where it was removed: its own, its kind's, or the round's where shapes cover it. */
export function paintsOfCells(
  { copies, keys, depth, fused }: CellGroup,
  { paint, cells = NO_CELL_EDITS }: RoundMerge,
): (Paint | null)[] {
  const removed = removedByKind(cells.removed);
  const plain = depth > 0 ? paint : UNPAINTED;
  const [only = ''] = keys;
  const said = cells.paints[only];
  // Of a whole kind one thing is said most often.
  if (!fused && !said?.single && !removed.single.has(only)) {
    const own = removed.all.has(only) ? null : (said?.all ?? plain);
    return copies.map(() => own);
  }
  return copies.map(({ refs }) => {
    if (refs.some((ref) => isRemoved(removed, ref))) return null;
    for (const ref of refs) {
      const own = paintOfRef(cells.paints, ref);
      if (own) return own;
    }
    return plain;
  });
}

/** True where a merge says the same of a group as another, seen without looking at its cells. */
const saysTheSame = ({ keys, fused }: CellGroup, a: RoundMerge, b: RoundMerge): boolean =>
  a.cells?.removed === b.cells?.removed &&
  a.paint === b.paint &&
  (a.cells?.paints === b.cells?.paints ||
    (!fused && keys.every((key) => a.cells?.paints[key] === b.cells?.paints[key])));

interface GroupPaints {
  readonly merge: RoundMerge;
  readonly paints: readonly Paint[];
}

const paintsOfGroups = new WeakMap<CellGroup, GroupPaints>();

/** The paints that the cells of a group have, each once; those that were removed have none. The same list while nothing else is said of them. */
export function paintsOfGroup(group: CellGroup, merge: RoundMerge): readonly Paint[] {
  const known = paintsOfGroups.get(group);
  if (known && saysTheSame(group, known.merge, merge)) return known.paints;
  const found = new Map<string, Paint>();
  for (const paint of new Set(paintsOfCells(group, merge))) if (paint) found.set(nameOfPaint(paint), paint);
  const paints = [...found.values()];
  paintsOfGroups.set(group, { merge, paints });
  return paints;
}

/** The paint of one cell, or null where it was removed. */
export const paintOfOne = (copy: CellCopy, group: CellGroup, merge: RoundMerge): Paint | null =>
  paintsOfCells({ ...group, copies: [copy] }, merge)[0] ?? null;

/** What lines enclose and no shape covers has no paint until it gets some. */
const UNPAINTED: Paint = { fill: null, stroke: null };

interface CellLook {
  readonly paint: Paint;
  readonly copies: readonly CellCopy[];
}

/** The copies of a group by paint: a group comes once for each paint that its copies have. */
function looksOf({ copies }: CellGroup, paints: readonly (Paint | null)[]): CellLook[] {
  const looks = new Map<string, { paint: Paint; copies: CellCopy[] }>();
  copies.forEach((copy, k) => {
    const paint = paints[k];
    if (!paint) return;
    const name = nameOfPaint(paint);
    const look = looks.get(name) ?? { paint, copies: [] };
    looks.set(name, look);
    look.copies.push(copy);
  });
  return [...looks.values()];
}

/** What the layers of a group were made of, and these. */
interface GroupLayers {
  readonly round: Pick<Round, 'id' | 'blend' | 'opacity'>;
  readonly start: Turn;
  readonly merge: RoundMerge;
  readonly paints: readonly (Paint | null)[];
  readonly layers: readonly SceneLayer[];
}

const layersOfGroups = new WeakMap<CellGroup, GroupLayers>();

/** The layers of one group; the same as long as it looks the same. */
function keptLayers(round: Round, merge: RoundMerge, group: CellGroup): readonly SceneLayer[] {
  const { start } = round.rule;
  const known = layersOfGroups.get(group);
  const isSame =
    known?.round.id === round.id &&
    known.round.blend === round.blend &&
    known.round.opacity === round.opacity &&
    equalTurns(known.start, start);
  if (isSame && saysTheSame(group, known.merge, merge)) return known.layers;
  const paints = paintsOfCells(group, merge);
  const layers =
    isSame && known.paints.every((paint, k) => paint === paints[k])
      ? known.layers
      : layersOfGroup(round, group, paints);
  layersOfGroups.set(group, { round, start, merge, paints, layers });
  return layers;
}

/** The layers of a divided round: one for each kind and paint, reflected copies apart. */
export const layersOfCells = (
  round: Round,
  merge: RoundMerge,
  division: Division,
  work: Work,
): SceneLayer[] =>
  shownCells(division, merge.cells ?? NO_CELL_EDITS, work).groups.flatMap((group) =>
    keptLayers(round, merge, group),
  );

interface GroupCopies {
  readonly start: Turn;
  readonly opacity: number;
  readonly copies: ReadonlyMap<CellCopy, SceneCopy>;
  /** All that are as the outline stands, and all that are reflected. */
  readonly plain: readonly SceneCopy[];
  readonly mirrored: readonly SceneCopy[];
}

const copiesOfGroups = new WeakMap<CellGroup, GroupCopies>();

/** Where the cells of a group are shown; the same objects whatever their paint. */
function copiesOfGroup(group: CellGroup, start: Turn, opacity: number): GroupCopies {
  const known = copiesOfGroups.get(group);
  if (known && known.opacity === opacity && equalTurns(known.start, start)) return known;
  const copies = new Map(
    group.copies.map((copy) => [copy, { turn: addTurns(copy.turn, start), ...(opacity < 1 && { opacity }) }]),
  );
  const those = (mirrored: boolean): SceneCopy[] =>
    [...copies].flatMap(([copy, shown]) => (copy.mirrored === mirrored ? [shown] : []));
  const made = { start, opacity, copies, plain: those(false), mirrored: those(true) };
  copiesOfGroups.set(group, made);
  return made;
}

const reflectedLoops = remembered((loops: readonly Path[]): readonly Path[] =>
  loops.map((loop) => reversedPath(mapPath(loop, MIRROR))),
);

/** Kinds whose paint did not change keep their layers, and with them all that was drawn of these. */
export function layersOfGroup(
  { id, blend, opacity = 1, rule }: Round,
  group: CellGroup,
  paints: readonly (Paint | null)[],
): SceneLayer[] {
  const known = copiesOfGroup(group, rule.start, opacity);
  return looksOf(group, paints).flatMap(({ paint, copies }) => {
    if (!paint.fill && !paint.stroke) return [];
    return [false, true].flatMap((mirrored): SceneLayer[] => {
      const own = copies.filter((copy) => copy.mirrored === mirrored);
      if (own.length === 0) return [];
      const all = mirrored ? known.mirrored : known.plain;
      const paths = mirrored ? reflectedLoops(group.loops) : group.loops;
      return [
        {
          roundId: id,
          blend,
          copies: own.length === all.length ? all : own.flatMap((copy) => known.copies.get(copy) ?? []),
          items: [
            { origin: { of: 'cells', keys: group.keys }, paths, paint, rule: 'nonzero', mirrored: false },
          ],
        },
      ];
    });
  });
}
