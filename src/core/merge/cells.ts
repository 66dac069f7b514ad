import polylabel from 'polylabel';

import { keysOf } from '../arrangement/keys';
import { centroidOf } from '../curve/centroid';
import { flatten } from '../curve/flatten';
import type { Path } from '../curve/path';
import type { Point } from '../curve/point';
import type { Turn } from '../number/turn';
import { divideNow } from './engine';
import type { MergeKind, MergeOperand } from './merge';

/** A kind of cells, with one of them as it stands. */
export interface Cells extends MergeKind {
  /** Stays the same while shapes are moved a little: paint that is kept by it stays on its cells. */
  readonly key: string;
  /** One cell: its outline clockwise, holes the other way. */
  readonly loops: readonly Path[];
  /** The turns that make all others of it; where a mirror makes more, `mirrored` are the turns of its reflection. */
  readonly turns: readonly Turn[];
  readonly mirrored: readonly Turn[];
  readonly centroid: Point;
  /** A point inside the cell, far from its border. */
  readonly inside: Point;
  /** Keys of the other kinds that share a border with it. */
  readonly neighbours: readonly string[];
}

/** A point far from the border, to a hundredth of how far that can be (the pole of inaccessibility). */
function insideOf(loops: readonly Path[], area: number): Point {
  const tolerance = Math.sqrt(area) / 200;
  const rings = loops.map((loop) => flatten(loop, tolerance).map(({ x, y }) => [x, y]));
  const [x = 0, y = 0] = polylabel(rings, tolerance);
  return { x, y };
}

/**
 * All kinds of cells that operands' copies make, from the centre outward.
 * @throws MergeFailed where the work limit is reached
 */
export function cellsOf(operands: readonly MergeOperand[]): Cells[] {
  const { arrangement, arranged, cells } = divideNow(operands);
  if (!arrangement) return [];
  const keys = keysOf(arrangement, arranged.paths);
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
