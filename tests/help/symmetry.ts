import { distance, lengthOf, mapPath, MIRROR, type Path, type Point, turnMap } from '@/core/curve';
import type { Merged } from '@/core/merge';
import { turn } from '@/core/number';

/** All copies of all parts of a result. */
export const wholeOf = ({ parts }: Pick<Merged, 'parts'>): Path[] =>
  parts.flatMap(({ turns, loops }) => turns.flatMap((t) => loops.map((loop) => mapPath(loop, turnMap(t)))));

export const nodesOf = (paths: readonly Path[]): Point[] =>
  paths.flatMap(({ segments }) => segments.map(({ from }) => from));

/** The farthest that a node of the result is from the nearest node of its image, as a share of its size. */
export function asymmetry(merged: Merged, fold: number, mirror: boolean): number {
  const nodes = nodesOf(wholeOf(merged));
  const size = Math.max(1e-9, ...nodes.map(lengthOf));
  const cells = new Map<string, Point[]>();
  const key = (x: number, y: number) => `${Math.round((x / size) * 1e6)} ${Math.round((y / size) * 1e6)}`;
  for (const p of nodes) cells.set(key(p.x, p.y), [...(cells.get(key(p.x, p.y)) ?? []), p]);
  const maps = [turnMap(turn(1, fold)), ...(mirror ? [MIRROR] : [])];
  let worst = 0;
  for (const map of maps) {
    for (const { x, y } of nodes) {
      const image = { x: map.a * x + map.c * y, y: map.b * x + map.d * y };
      const around = [-1e-6, 0, 1e-6].flatMap((dx) =>
        [-1e-6, 0, 1e-6].flatMap((dy) => cells.get(key(image.x + dx * size, image.y + dy * size)) ?? []),
      );
      worst = Math.max(worst, Math.min(Infinity, ...around.map((p) => distance(p, image))) / size);
    }
  }
  return worst;
}
