import { MIRROR, turnMap } from '../curve/affine';
import { mapPath, reversedPath, type Path } from '../curve/path';
import type { Turn } from '../number/turn';

/** Outlines put where a copy stands, clockwise as they were. */
export function placedLoops(loops: readonly Path[], by: Turn, mirrored: boolean): Path[] {
  const map = turnMap(by);
  return loops.map((loop) => mapPath(mirrored ? reversedPath(mapPath(loop, MIRROR)) : loop, map));
}
