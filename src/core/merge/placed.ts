import { mapPath, MIRROR, type Path, reversedPath, turnMap } from '@/core/curve';
import type { Turn } from '@/core/number';

/** Outlines put where a copy stands, clockwise as they were. */
export function placedLoops(loops: readonly Path[], by: Turn, mirrored: boolean): Path[] {
  const map = turnMap(by);
  return loops.map((loop) => mapPath(mirrored ? reversedPath(mapPath(loop, MIRROR)) : loop, map));
}
