import type { Arrangement } from './arrange';
import { coverOf } from './cover';
import type { CoverPath } from './windings';
import { valueAt } from './lists';

/** A short name for a text: two 32-bit FNV-1a hashes with different starts. */
function hashOf(text: string): string {
  let [a, b] = [0x811c9dc5, 0x01234567];
  for (let k = 0; k < text.length; k += 1) {
    const code = text.charCodeAt(k);
    a = Math.imul(a ^ code, 0x01000193);
    b = Math.imul(b ^ code, 0x01000193) ^ (b >>> 13);
  }
  return (a >>> 0).toString(36) + (b >>> 0).toString(36);
}

/** One text for a cover whatever copy of the cell it was read in: the least of all its turned forms. */
function canonical(cover: readonly (readonly [number, number])[], fold: number): string {
  const textOf = (shift: number): string =>
    cover
      .map(([path, element]) => [path, (element + shift) % fold] as const)
      .sort((a, b) => a[0] - b[0] || a[1] - b[1])
      .join(' ');
  // Only turns that bring a copy of the first path to the top need be tried.
  const least = Math.min(...cover.map(([path]) => path));
  const shifts = new Set(
    cover.flatMap(([path, element]) => (path === least ? [(fold - element) % fold] : [])),
  );
  return [...shifts].map(textOf).sort()[0] ?? '';
}

/**
 * A key for each kind of cells that stays the same while shapes are moved a little: which copies of which paths cover
 * the cell, seen from the cell, and its rank from the centre outward among those with the same cover.
 * @param order how those that lie equally far out are ranked: by direction, or, as in old files, as they were found
 */
export function keysOf(arrangement: Arrangement, paths: readonly CoverPath[], order?: 'found'): string[] {
  const { subdivision, kindCount } = arrangement;
  const { group } = subdivision;
  const kindOf = new Map<number, number>();
  for (let kind = 0; kind < kindCount; kind += 1) kindOf.set(arrangement.largestFace(kind), kind);
  const covers: string[] = Array.from({ length: kindCount }, () => '');
  coverOf(subdivision, paths, arrangement.cover.members, undefined, (face, winding) => {
    const kind = kindOf.get(face);
    if (kind === undefined) return;
    const cover: [number, number][] = [];
    for (let slot = 0; slot < winding.length; slot += 1) {
      const w = valueAt(winding, slot);
      const path = Math.floor(slot / group.order);
      if (paths[path]?.rule === 'evenodd' ? w % 2 !== 0 : w !== 0) cover.push([path, slot % group.order]);
    }
    // With a mirror the sector is one for every cell: there is nothing to choose between.
    covers[kind] = group.mirror ? cover.join(' ') : canonical(cover, group.fold);
  });
  const ranks = new Map<string, number>();
  const keys = covers.map(() => '');
  for (const { kind } of arrangement.cellKinds(order)) {
    const cover = covers[kind] ?? '';
    const rank = ranks.get(cover) ?? 0;
    ranks.set(cover, rank + 1);
    keys[kind] = `${hashOf(cover)}-${rank}`;
  }
  return keys;
}
