import type { Result } from '@/core/finding';
import { keysOf } from '@/core/arrangement';
import { centroidOf } from '@/core/curve';
import { divisionOf, factsOf, merge, mergeNow, type Divided, type Merged } from './engine';
import { insideOf } from './inside';
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
