import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';

import paper from 'paper/dist/paper-core.js';

import { type Affine, cubicsOfArc, flatten, mapPath, type Path } from '@/core/curve';
import { pathData } from '@/core/format';
import type { MergeShape } from '@/core/merge';
import { clipper, flatCopies } from '../help/clipper';

/** A general-purpose library, doing what the engine does, as well as it can. */
export interface Reference {
  readonly name: string;
  /** Unites all copies. */
  union(shapes: readonly MergeShape[], maps: readonly Affine[]): unknown;
  /** Divides the copies of one shape into all cells; null where it has no way to. */
  divide: ((shape: MergeShape, maps: readonly Affine[]) => unknown) | null;
  /** The outline of an open line as wide as this, with round joins and caps, within a tolerance; null where it has no way to. */
  band: ((line: Path, width: number, tolerance: number) => unknown) | null;
}

const require = createRequire(import.meta.url);

interface PathKitPath {
  op(other: PathKitPath, operation: unknown): boolean;
  simplify(): boolean;
  stroke(options: { width: number; join: unknown; cap: unknown; precision: number }): PathKitPath | null;
  setFillType(type: unknown): void;
  copy(): PathKitPath;
  delete(): void;
}
interface PathKit {
  FromSVGString(data: string): PathKitPath;
  PathOp: Record<'UNION' | 'INTERSECT' | 'DIFFERENCE', unknown>;
  FillType: Record<'WINDING' | 'EVENODD', unknown>;
  StrokeJoin: Record<'ROUND', unknown>;
  StrokeCap: Record<'ROUND', unknown>;
}

async function pathKit(): Promise<Reference> {
  const start = require('pathkit-wasm/bin/pathkit.js') as (options: object) => Promise<PathKit>;
  const before = process.listeners('unhandledRejection');
  const kit = await start({ wasmBinary: readFileSync(require.resolve('pathkit-wasm/bin/pathkit.wasm')) });
  // It puts handlers of its own on the process, which would swallow our errors.
  for (const event of ['uncaughtException', 'unhandledRejection'] as const)
    for (const listener of process.listeners(event as 'uncaughtException'))
      if (!before.includes(listener as never)) process.removeListener(event, listener);
  const itemOf = ({ paths, rule }: MergeShape, map: Affine): PathKitPath => {
    const item = kit.FromSVGString(
      pathData(
        paths.map((path) => mapPath(path, map)),
        9,
      ),
    );
    item.setFillType(rule === 'evenodd' ? kit.FillType.EVENODD : kit.FillType.WINDING);
    return item;
  };
  return {
    name: 'pathkit-wasm',
    union: (shapes, maps) => {
      const items = maps.flatMap((map) => shapes.map((shape) => itemOf(shape, map)));
      return pairwise(items, (a, b) => {
        a.op(b, kit.PathOp.UNION);
        return a;
      });
    },
    divide: (shape, maps) =>
      pieceByPiece(
        maps.map((map) => itemOf(shape, map)),
        (a, b) => {
          const both = a.copy();
          both.op(b, kit.PathOp.INTERSECT);
          const rest = a.copy();
          rest.op(b, kit.PathOp.DIFFERENCE);
          return [both, rest];
        },
      ),
    band: (line, width, tolerance) => {
      const item = kit.FromSVGString(pathData([line], 9));
      // Its precision is a factor: curves are as near as about a quarter over it.
      const precision = 0.25 / tolerance;
      item.stroke({ width, join: kit.StrokeJoin.ROUND, cap: kit.StrokeCap.ROUND, precision });
      item.simplify();
      return item;
    },
  };
}

function pairwise<T>(items: T[], unite: (a: T, b: T) => T): T | undefined {
  let level = items;
  while (level.length > 1) {
    const next: T[] = [];
    for (let k = 0; k + 1 < level.length; k += 2) next.push(unite(level[k] as T, level[k + 1] as T));
    if (level.length % 2 === 1) next.push(level[level.length - 1] as T);
    level = next;
  }
  return level[0];
}

/** A reference that took longer than it was given; how long it had worked. */
export class OutOfPatience extends Error {
  constructor(readonly milliseconds: number) {
    super('out of patience');
  }
}

/** A reference ends after this time, in milliseconds; what it took is then a lower bound. */
export const PATIENCE = 4000;

/** Cuts all pieces so far by the next item, one after another. @throws OutOfPatience */
function pieceByPiece<T>(items: readonly T[], cut: (piece: T, by: T) => [T, T]): T[] {
  const began = performance.now();
  const [first, ...rest] = items;
  let pieces: T[] = first === undefined ? [] : [first];
  for (const item of rest) {
    let left = item;
    const next: T[] = [];
    for (const piece of pieces) {
      next.push(...cut(piece, item));
      left = cut(left, piece)[1];
      const spent = performance.now() - began;
      if (spent > PATIENCE) throw new OutOfPatience(spent);
    }
    pieces = [...next, left];
  }
  return pieces;
}

function paperReference(): Reference {
  const scope = new paper.PaperScope();
  scope.setup(new paper.Size(1, 1));
  const itemOf = ({ paths, rule }: MergeShape, map: Affine): paper.PathItem => {
    const curves = (path: Path): Path => ({
      ...path,
      segments: path.segments.flatMap((s) => (s.kind === 'arc' ? cubicsOfArc(s) : [s])),
    });
    const item = new scope.CompoundPath({
      pathData: pathData(
        paths.map((path) => curves(mapPath(path, map))),
        9,
      ),
      insert: false,
    });
    item.fillRule = rule;
    return item;
  };
  return {
    name: 'paper',
    union: (shapes, maps) =>
      pairwise(
        maps.flatMap((map) => shapes.map((shape) => itemOf(shape, map))),
        (a, b) => a.unite(b, { insert: false }),
      ),
    divide: (shape, maps) =>
      pieceByPiece(
        maps.map((map) => itemOf(shape, map)),
        (a, b) => [a.intersect(b, { insert: false }), a.subtract(b, { insert: false })],
      ),
    band: null,
  };
}

async function clipperReference(): Promise<Reference> {
  const library = await clipper();
  const { NonZero } = library.FillRule;
  return {
    name: 'clipper2-wasm',
    union: (shapes, maps) => library.UnionSelfD(flatCopies(library, shapes, maps, 1e-3), NonZero, 6),
    divide: (shape, maps) =>
      pieceByPiece(
        maps.map((map) => flatCopies(library, [shape], [map], 1e-3)),
        (a, b) => [library.IntersectD(a, b, NonZero, 6), library.DifferenceD(a, b, NonZero, 6)],
      ),
    band: (line, width, tolerance) => {
      const flat = new library.PathD();
      flat.assign(Float64Array.from(flatten(line, tolerance).flatMap(({ x, y }) => [x, y, 0])));
      const paths = new library.PathsD();
      paths.push_back(flat);
      const { JoinType, EndType } = library;
      return library.InflatePathsD(paths, width / 2, JoinType.Round, EndType.Round, 2, 6, tolerance);
    },
  };
}

/** The three libraries that the engine is compared with; they are no part of the product. */
export const references = async (): Promise<Reference[]> => [
  await clipperReference(),
  await pathKit(),
  paperReference(),
];
