import polylabel from 'polylabel';

import type { Result } from '@/core/finding';
import { keysOf } from '@/core/arrangement';
import { centroidOf, flatten, type Path, pathLength, type Point, signedArea } from '@/core/curve';
import { divisionOf, factsOf, merge, mergeNow, type Divided, type Merged } from './engine';
import { weaveOf } from './weave/weave';
import {
  MergeStopped,
  tried,
  type Cells,
  type Division,
  type MergeControl,
  type MergeOperand,
  type MergeRequest,
  type MergeResult,
  type WeaveLook,
} from './merge';

/**
 * The point of a cell that is farthest from its border, and so well inside of it.
 * @param area of the cell
 */
export const insideOf = (loops: readonly Path[], area: number): Point => poleOf(loops, Math.sqrt(area) / 200);

/** A point inside a cell, and how far from its border it is at least. */
export interface Inside {
  readonly at: Point;
  readonly away: number;
}

/**
 * Half of how wide a cell is, were it a band: its area by the length of its border. The point that is farthest from the border is no nearer to it,
 * as every point lies within that distance of the border.
 */
export function halfWidth(loops: readonly Path[], area: number): number {
  const around = loops.reduce((sum, loop) => sum + pathLength(loop), 0);
  return around > 0 ? area / around : 0;
}

/** A point well inside a cell, sooner found than the one that is farthest from its border. @param area of the cell */
export function wellInside(loops: readonly Path[], area: number): Inside {
  const half = halfWidth(loops, area);
  return { at: poleOf(loops, half / 4), away: half / 2 };
}

function poleOf(loops: readonly Path[], tolerance: number): Point {
  // It is looked for within the first loop's box, which is to be that of the border around the holes.
  const sizes = new Map(loops.map((loop) => [loop, Math.abs(signedArea([loop]))]));
  const outerFirst = [...loops].sort((a, b) => (sizes.get(b) ?? 0) - (sizes.get(a) ?? 0));
  const rings = outerFirst.map((loop) => flatten(loop, tolerance).map(({ x, y }) => [x, y]));
  const [x = 0, y = 0] = polylabel(rings, tolerance);
  return { x, y };
}

/** The kinds of cells that a merge divided into; none where there was nothing to divide. */
export function divided(merged: Merged, { order }: Pick<MergeRequest, 'order'> = {}): Division {
  const found = divisionOf(merged);
  if (!found) return { fold: 1, mirror: false, cells: [] };
  const { fold, mirror } = found.arranged;
  return { fold, mirror, cells: cellsIn(found, order) };
}

function cellsIn({ arrangement, arranged, cells }: Divided, order: MergeRequest['order']): Cells[] {
  const keys = keysOf(arrangement, arranged.paths, order);
  const neighbours = arrangement.neighbours();
  return cells.map(({ kind, parts, ...measures }) => {
    const [own, image] = parts;
    const loops = own?.loops ?? [];
    return {
      ...measures,
      key: keys[kind] ?? '',
      loops,
      turns: own?.turns ?? [],
      mirrored: image?.turns ?? [],
      centroid: centroidOf(loops) ?? { x: 0, y: 0 },
      inside: insideOf(loops, measures.area),
      neighbours: [...(neighbours.get(kind) ?? [])].map((other) => keys[other] ?? ''),
    };
  });
}

/**
 * All kinds of cells that operands' copies make, from the centre outward; why not, where the work limit is reached.
 */
export const cellsOf = (operands: readonly MergeOperand[]): Result<readonly Cells[]> =>
  tried(() => divided(mergeNow({ op: 'divide', among: 'copies', operands })).cells);

/** A merge, and where it divides its cells, where it weaves its crossings. @throws MergeStopped, MergeFailed */
export async function mergedFully(request: MergeRequest, control: MergeControl): Promise<MergeResult> {
  const [operand, ...cutters] = request.operands;
  if (request.weave && operand) {
    // A weave is made in one go: an older request ends here where a newer one came in.
    await control.pause?.();
    if (control.stopped?.()) throw new MergeStopped();
    return woven(operand, cutters, request.weave);
  }
  const merged = await merge(request, control);
  const { parts, facts } = merged;
  return request.op === 'divide' ? { parts, facts, division: divided(merged, request) } : { parts, facts };
}

function woven(
  { fold, mirror, start, shapes }: MergeOperand,
  cutters: readonly MergeOperand[],
  { bands, gap, swapped }: WeaveLook,
): MergeResult {
  const started = performance.now();
  const lines = shapes.flatMap(({ paths }, k) => {
    const band = bands[k];
    return band ? [{ paths, ...band }] : [];
  });
  const made = weaveOf({ fold, mirror, start, lines, gap, swapped, cutters });
  const parts = made.parts.flat();
  const { crossings, crowded } = made;
  return {
    parts,
    facts: factsOf(parts, null, false, performance.now() - started),
    weave: {
      crossings,
      crowded,
      fold: made.fold,
      shapeOfPart: made.parts.flatMap((each, k) => each.map(() => k)),
    },
  };
}
