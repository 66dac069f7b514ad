import clipperFactory from 'clipper2-wasm/dist/es/clipper2z.js';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';

import { type Affine, applyTo, flatten } from '@/core/curve';
import type { MergeShape } from '@/core/merge';

type Clipper = Awaited<ReturnType<typeof load>>;

async function load() {
  const wasm = createRequire(import.meta.url).resolve('clipper2-wasm/dist/es/clipper2z.wasm');
  return clipperFactory({ wasmBinary: readFileSync(wasm) as unknown as ArrayBuffer });
}

let loaded: Promise<Clipper> | null = null;

/** A general-purpose polygon library, as the reference that merges are compared with. */
export const clipper = (): Promise<Clipper> => (loaded ??= load());

/** Flat copies of shapes: each copy normalised to windings of 0 and 1, then all put together. */
export function flatCopies(
  library: Clipper,
  shapes: readonly MergeShape[],
  maps: readonly Affine[],
  tolerance: number,
) {
  const one = new library.PathsD();
  for (const { paths, rule } of shapes) {
    const own = new library.PathsD();
    for (const path of paths) {
      const flat = new library.PathD();
      flat.assign(Float64Array.from(flatten(path, tolerance).flatMap(({ x, y }) => [x, y, 0])));
      own.push_back(flat);
    }
    const clean = library.UnionSelfD(
      own,
      rule === 'evenodd' ? library.FillRule.EvenOdd : library.FillRule.NonZero,
      8,
    );
    for (let k = 0; k < clean.size(); k += 1) one.push_back(clean.get(k));
  }
  const motif = library.UnionSelfD(one, library.FillRule.NonZero, 8);
  const all = new library.PathsD();
  for (const map of maps) {
    for (let k = 0; k < motif.size(); k += 1) {
      const path = motif.get(k);
      const copy: number[] = [];
      for (let i = 0; i < path.size(); i += 1) {
        const p = path.get(i);
        const q = applyTo(map, p);
        copy.push(q.x, q.y, 0);
      }
      // A reflected copy runs the other way; put back, so that nonzero adds up.
      if (map.a * map.d - map.b * map.c < 0) {
        const points = Array.from({ length: copy.length / 3 }, (_, i) => copy.slice(3 * i, 3 * i + 3));
        copy.splice(0, copy.length, ...points.reverse().flat());
      }
      const flat = new library.PathD();
      flat.assign(Float64Array.from(copy));
      all.push_back(flat);
    }
  }
  return all;
}

export function areaOf(library: Clipper, paths: ReturnType<typeof flatCopies>): number {
  let area = 0;
  for (let k = 0; k < paths.size(); k += 1) area += library.AreaPathD(paths.get(k));
  return area;
}
