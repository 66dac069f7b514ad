import { mapPath, MIRROR, type Path, reversedPath } from '@/core/curve';
import { remembered } from '../remembered';
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

/** The kind that a reference is to. */
export function kindKey(ref: CellRef): string {
  const at = ref.indexOf('@');
  return at < 0 ? ref : ref.slice(0, at);
}

/** References of removed and painted cells, and of fused ones, that mean no cell any more. */
export function lostRefs(division: Division, done: CellEdits): string[] {
  const keys = new Set(division.cells.map(({ key }) => key));
  const refs = [...done.removed, ...Object.keys(done.paints), ...done.fused.flatMap(({ cells }) => cells)];
  return [...new Set(refs.filter((ref) => !keys.has(kindKey(ref))))];
}

/** What was done to cells that are there. */
export function keptEdits(division: Division, done: CellEdits): CellEdits {
  const lost = new Set(lostRefs(division, done));
  const stays = (ref: CellRef): boolean => !lost.has(ref);
  return {
    ...done,
    removed: done.removed.filter(stays),
    paints: Object.fromEntries(Object.entries(done.paints).filter(([ref]) => stays(ref))),
    fused: done.fused
      .map((each) => ({ ...each, cells: each.cells.filter(stays) }))
      .filter(({ cells }) => cells.length > 1),
  };
}

/** What was said of cells by kind: of all of it, and of single ones. */
interface Overrides<T> {
  readonly all: ReadonlyMap<string, T>;
  readonly single: ReadonlyMap<string, ReadonlyMap<string, T>>;
}

function overridesByKind<T>(entries: Iterable<readonly [string, T]>): Overrides<T> {
  const all = new Map<string, T>();
  const single = new Map<string, Map<string, T>>();
  for (const [ref, what] of entries) {
    const key = kindKey(ref);
    if (key === ref) all.set(key, what);
    else {
      const known = single.get(key) ?? new Map<string, T>();
      single.set(key, known.set(ref, what));
    }
  }
  return { all, single };
}

export const paintsByKind = remembered((paints: CellEdits['paints']) =>
  overridesByKind(Object.entries(paints)),
);
export const removedByKind = remembered((removed: CellEdits['removed']) =>
  overridesByKind(removed.map((ref) => [ref, true] as const)),
);

/** What was said of one cell, or of its kind. */
export function overrideOf<T>({ all, single }: Overrides<T>, ref: CellRef): T | undefined {
  const key = kindKey(ref);
  return single.get(key)?.get(ref) ?? all.get(key);
}

/** The paint of each cell of a group, or null where it was removed: its own, its kind's, or the round's where shapes cover it. */
export function paintsOfCells(
  { copies, keys, depth, fused }: CellGroup,
  { paint, cells = NO_CELL_EDITS }: RoundMerge,
): (Paint | null)[] {
  const paints = paintsByKind(cells.paints);
  const removed = removedByKind(cells.removed);
  const plain = depth > 0 ? paint : UNPAINTED;
  const [only = ''] = keys;
  // Of a whole kind one thing is said most often.
  if (!fused && !paints.single.has(only) && !removed.single.has(only)) {
    const own = removed.all.has(only) ? null : (paints.all.get(only) ?? plain);
    return copies.map(() => own);
  }
  return copies.map(({ refs }) => {
    if (refs.some((ref) => overrideOf(removed, ref))) return null;
    for (const ref of refs) {
      const own = overrideOf(paints, ref);
      if (own) return own;
    }
    return plain;
  });
}

/** The paints that the cells of a group have, each once; those that were removed have none. */
export function paintsOfGroup(group: CellGroup, merge: RoundMerge): Paint[] {
  const found = new Map<string, Paint>();
  for (const paint of new Set(paintsOfCells(group, merge))) if (paint) found.set(nameOfPaint(paint), paint);
  return [...found.values()];
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

interface GroupLayers {
  readonly round: Pick<Round, 'id' | 'blend' | 'opacity'>;
  readonly start: Turn;
  readonly paints: readonly (Paint | null)[];
  readonly layers: readonly SceneLayer[];
}

const layersOfGroups = new WeakMap<CellGroup, GroupLayers>();

/** The layers of a divided round: one for each kind and paint, reflected copies apart. */
export function layersOfCells(round: Round, merge: RoundMerge, division: Division, work: Work): SceneLayer[] {
  const { start } = round.rule;
  return shownCells(division, merge.cells ?? NO_CELL_EDITS, work).groups.flatMap((group) => {
    const paints = paintsOfCells(group, merge);
    const known = layersOfGroups.get(group);
    if (
      known?.round.id === round.id &&
      known.round.blend === round.blend &&
      known.round.opacity === round.opacity &&
      equalTurns(known.start, start) &&
      known.paints.every((paint, k) => paint === paints[k])
    )
      return known.layers;
    const layers = layersOfGroup(round, group, paints);
    layersOfGroups.set(group, { round, start, paints, layers });
    return layers;
  });
}

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
