import {
  applyTo,
  type Bounds,
  boxOfPaths,
  flatten,
  isInBounds,
  lengthOf,
  MIRROR,
  type Path,
  type Point,
  signedArea,
  windingNumber,
  windingOfCorners,
} from '@/core/curve';
import { NO_TURN, radiansOf, turn, type Turn } from '@/core/number';
import { remembered } from '../remembered';
import { taskOf, type Work } from '@/core/derive';
import { type Cells, type Division, type MergeRequest, type MergeShape } from './merge';
import { MERGED } from './tasks';
import { CellIndex } from './cellIndex';
import { placedLoops } from './placed';

/** Which cells are fused: by references, in all turns (and reflections, where the fold has them), or these alone. */
export interface Fusing {
  readonly cells: readonly string[];
  readonly alone?: true;
}

/** One cell of a kind as it stands in the whole. */
export interface CellCopy {
  readonly turn: Turn;
  /** Reflected about the axis before it is turned. */
  readonly mirrored: boolean;
  /** References to the cells that it is made of: one, or those that were fused to it. */
  readonly refs: readonly string[];
}

/** Cells that are alike: one as it stands, and where the others are. */
export interface CellGroup {
  readonly loops: readonly Path[];
  readonly copies: readonly CellCopy[];
  /** Keys of the kinds that it is made of; more than one, or one more than once, where cells are fused. */
  readonly keys: readonly string[];
  readonly fused: boolean;
  /** Of one. */
  readonly area: number;
  readonly inner: number;
  readonly outer: number;
  /** How many copies of shapes cover it, the most where cells are fused. */
  readonly depth: number;
}

class Joined {
  private readonly parent: Int32Array;

  constructor(count: number) {
    this.parent = new Int32Array(count);
    for (let k = 0; k < count; k += 1) this.parent[k] = k;
  }

  rootOf(cell: number): number {
    let root = cell;
    while ((this.parent[root] ?? root) !== root) root = this.parent[root] ?? root;
    for (let at = cell; at !== root;) {
      const next = this.parent[at] ?? root;
      this.parent[at] = root;
      at = next;
    }
    return root;
  }

  join(a: number, b: number): void {
    this.parent[this.rootOf(b)] = this.rootOf(a);
  }
}

const outlines = new WeakMap<readonly Cells[], Map<string, readonly Path[]>>();

/** The outline of shapes in all their turns; the shapes themselves where it is none yet, or more to do than a limit. */
function unionOf(shapes: readonly MergeShape[], fold: number, work: Work): readonly Path[] {
  const request: MergeRequest = {
    op: 'union',
    among: 'copies',
    outlineOnly: true,
    operands: [{ fold, mirror: false, start: NO_TURN, shapes }],
  };
  const united = work.ask(taskOf(MERGED, request));
  if (united?.ok) return united.value.flat();
  return shapes.flatMap(({ paths }) =>
    Array.from({ length: fold }, (_, k) => placedLoops(paths, turn(k, fold), false)).flat(),
  );
}

/**
 * The outline of cells together. Where turns take them to themselves only those that these do not make of one another are
 * put together, and turned exactly.
 */
function outlineOf(
  index: CellIndex,
  cells: readonly Cells[],
  members: readonly number[],
  fold: number,
  work: Work,
): readonly Path[] {
  const known = outlines.get(cells) ?? new Map<string, readonly Path[]>();
  outlines.set(cells, known);
  const name = members.join(' ');
  const before = known.get(name);
  if (before) return before;
  const own = new Set(members);
  const keepsAll = (steps: number): boolean => members.every((cell) => own.has(index.turned(cell, steps)));
  let steps = fold;
  for (let k = 1; k < fold; k += 1)
    if (fold % k === 0 && keepsAll(k)) {
      steps = k;
      break;
    }
  const seen = new Set<number>();
  const apart = members.filter((cell) => {
    if (seen.has(cell)) return false;
    for (let k = 0; k < fold; k += steps) seen.add(index.turned(cell, k));
    return true;
  });
  const shapes = apart.map((cell) => ({ paths: index.loopsAt(cell), rule: 'nonzero' as const }));
  const missed = work.missed;
  const loops = unionOf(shapes, fold / steps, work);
  if (work.missed === missed) known.set(name, loops);
  return loops;
}

/** All copies of a kind, but for some. */
function groupOfKind(kind: CellIndex['kinds'][number], isLeftOut: (k: number) => boolean): CellGroup[] {
  const copies: CellCopy[] = [];
  for (let k = 0; k < kind.size; k += 1)
    if (!isLeftOut(k)) copies.push({ ...kind.copy(k), refs: [kind.ref(k)] });
  if (copies.length === 0) return [];
  const { loops, key, area, inner, outer, depth } = kind.cells;
  return [{ loops, copies, keys: [key], fused: false, area, inner, outer, depth }];
}

interface Numbered {
  readonly fold: number;
  readonly index: CellIndex;
  /** Of each kind all copies: the same objects whatever of other kinds is fused, so that what is made of them stays. */
  readonly whole: (kind: number) => CellGroup[];
}

const numberings = new WeakMap<readonly Cells[], Numbered>();

/** Cells by running numbers; made once for a division. */
function numbered(cells: readonly Cells[], fold: number): Numbered {
  const known = numberings.get(cells);
  if (known?.fold === fold) return known;
  const index = new CellIndex(cells, fold);
  const groups = new Map<number, CellGroup[]>();
  const made: Numbered = {
    fold,
    index,
    whole: (kind) => {
      const own = index.kinds[kind];
      const before = groups.get(kind) ?? (own ? groupOfKind(own, () => false) : []);
      groups.set(kind, before);
      return before;
    },
  };
  numberings.set(cells, made);
  return made;
}

/**
 * The cells of a division in kinds, from the centre outward, those fused together that are to be.
 * @returns also the references that mean no cell any more
 */
export function groupsOf(
  { cells, fold, mirror }: Division,
  fusings: readonly Fusing[],
  work: Work,
): { groups: CellGroup[]; lost: string[] } {
  const { index, whole } = numbered(cells, fold);
  const joined = new Joined(index.count);
  const lost: string[] = [];
  const touched = new Set<number>();
  for (const { cells: refs, alone } of fusings) {
    const members = refs.flatMap((ref) => {
      const found = index.cellsAt(ref);
      if (found.length === 0) lost.push(ref);
      return ref.includes('@') ? found : found.slice(0, 1);
    });
    const images = alone
      ? [(cell: number) => cell]
      : Array.from({ length: fold }, (_, k) => (cell: number) => index.turned(cell, k)).flatMap((map) =>
          mirror ? [map, (cell: number) => index.reflected(map(cell))] : [map],
        );
    for (const image of images) {
      const [first, ...rest] = members.map(image);
      for (const other of rest) if (first !== undefined) joined.join(first, other);
      for (const cell of [first, ...rest]) if (cell !== undefined) touched.add(cell);
    }
  }
  const together = new Map<number, number[]>();
  for (const cell of [...touched].sort((a, b) => a - b)) {
    const root = joined.rootOf(cell);
    together.set(root, [...(together.get(root) ?? []), cell]);
  }
  const unions = [...together.values()].filter((members) => members.length > 1);
  const inUnion = new Set(unions.flat());
  const done = new Set<number>();
  const fusedGroups = unions.flatMap((members): CellGroup[] => {
    const [first = 0] = members;
    if (done.has(joined.rootOf(first))) return [];
    const copies: CellCopy[] = [];
    const put = (map: (cell: number) => number, by: Turn, mirrored: boolean): void => {
      const image = members.map(map);
      const root = joined.rootOf(image[0] ?? 0);
      if (done.has(root) || image.some((cell) => joined.rootOf(cell) !== root)) return;
      if (together.get(root)?.length !== members.length) return;
      done.add(root);
      copies.push({ turn: by, mirrored, refs: image.map((cell) => index.ref(cell)) });
    };
    for (let k = 0; k < fold; k += 1) put((cell) => index.turned(cell, k), turn(k, fold), false);
    if (mirror)
      for (let k = 0; k < fold; k += 1)
        put((cell) => index.turned(index.reflected(cell), k), turn(k, fold), true);
    const kinds = members.map((cell) => index.kindOf(cell));
    const parts = kinds.flatMap((kind) => cells[kind] ?? []);
    const loops = outlineOf(index, cells, members, fold, work);
    return [
      {
        loops,
        copies,
        keys: parts.map(({ key }) => key),
        fused: true,
        area: signedArea(loops),
        inner: Math.min(...parts.map(({ inner }) => inner)),
        outer: Math.max(...parts.map(({ outer }) => outer)),
        depth: Math.max(...parts.map(({ depth }) => depth)),
      },
    ];
  });
  const touchedKinds = new Set([...inUnion].map((cell) => index.kindOf(cell)));
  const plain = index.kinds.flatMap((own, kind) =>
    touchedKinds.has(kind) ? groupOfKind(own, (k) => inUnion.has(index.at(kind, k))) : whole(kind),
  );
  const groups = [...plain, ...fusedGroups].sort((a, b) => a.inner + a.outer - (b.inner + b.outer));
  return { groups, lost };
}

/** References as few as say the same: a kind's key where all of its cells are there. */
export function shortRefs(cells: readonly Cells[], refs: readonly string[]): string[] {
  const sizes = new Map(cells.map((each) => [each.key, each.turns.length + each.mirrored.length]));
  const found = new Map<string, Set<string>>();
  const whole = new Set(refs.filter((ref) => !ref.includes('@')));
  for (const ref of refs) {
    const [key = ''] = ref.split('@');
    if (whole.has(key)) continue;
    const list = found.get(key) ?? new Set();
    found.set(key, list.add(ref));
  }
  return [
    ...whole,
    ...[...found].flatMap(([key, list]) => (list.size === sizes.get(key) ? [key] : [...list])),
  ];
}

const sizeOf = ({ left, right, top, bottom }: Bounds): number => Math.max(right - left, bottom - top);

/** True where a point is inside outlines by the nonzero rule. */
export function isInside(loops: readonly Path[], p: Point): boolean {
  const box = boxOfPaths(loops);
  if (!isInBounds(box, p)) return false;
  return loops.reduce((sum, loop) => sum + windingNumber(loop, p, sizeOf(box) * 1e-6), 0) !== 0;
}

/** Outlines as polygons that are no farther from them than `near`; made once for the same outlines. */
const polygonsOf = remembered((loops: readonly Path[]) => {
  const box = boxOfPaths(loops);
  const near = sizeOf(box) * 1e-3;
  return { box, near, polygons: loops.map((loop) => flatten(loop, near)) };
});

/** True where a point is inside outlines, that is known to be so far from them: sooner told the farther it is. */
export function isWellInside(loops: readonly Path[], p: Point, away: number): boolean {
  const { box, near, polygons } = polygonsOf(loops);
  if (!isInBounds(box, p)) return false;
  if (away < 2 * near) return isInside(loops, p);
  return polygons.reduce((sum, corners) => sum + windingOfCorners(corners, p), 0) !== 0;
}

/** The cell at a point of the whole: its kind, and which of its copies. */
export function cellAt(groups: readonly CellGroup[], p: Point): { group: CellGroup; copy: CellCopy } | null {
  const r = lengthOf(p);
  for (const group of groups) {
    if (r < group.inner - 1e-9 * group.outer || r > group.outer * (1 + 1e-9)) continue;
    for (const copy of group.copies) {
      const angle = -radiansOf(copy.turn);
      const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
      const turned = { x: p.x * cos - p.y * sin, y: p.x * sin + p.y * cos };
      const own = copy.mirrored ? applyTo(MIRROR, turned) : turned;
      if (isInside(group.loops, own)) return { group, copy };
    }
  }
  return null;
}
