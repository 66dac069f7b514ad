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

/** Numbers from 0 up to a count, each with its place among them in the order of their decimal texts: 0, 1, 10, 11, 2, … */
export function textRanks(count: number): Int32Array {
  const texts = Array.from({ length: count }, (_, k) => String(k)).sort();
  const ranks = new Int32Array(count);
  texts.forEach((text, rank) => (ranks[Number(text)] = rank));
  return ranks;
}

/** The copies of one path that cover a cell, by their elements, upward. */
interface Covering {
  readonly path: number;
  readonly elements: readonly number[];
}

const textOf = (cover: readonly Covering[]): string =>
  cover.flatMap(({ path, elements }) => elements.map((element) => `${path},${element}`)).join(' ');

/** How many of some numbers, which go upward, are below a limit. */
function countBelow(numbers: readonly number[], limit: number): number {
  let [low, high] = [0, numbers.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((numbers[middle] ?? 0) < limit) low = middle + 1;
    else high = middle;
  }
  return low;
}

/**
 * The elements of a path's copies after a turn, upward again: those that go past the last one come first, and all keep their order.
 * @returns the element at a place
 */
function turned({ elements }: Covering, shift: number, fold: number): (k: number) => number {
  const from = countBelow(elements, fold - shift);
  return (k) => ((elements[(from + k) % elements.length] ?? 0) + shift) % fold;
}

/**
 * One text for a cover whatever copy of the cell it was read in: of all its turned forms the one whose text comes first. The forms have the same paths,
 * as often, so that their texts differ where the first of their elements do: none but the one that is taken is written.
 */
export function canonicalCover(cover: readonly Covering[], fold: number, ranks: Int32Array): string {
  const [top] = cover;
  if (!top) return '';
  const isBefore = (a: number, b: number): boolean => {
    for (const each of cover) {
      const [inA, inB] = [turned(each, a, fold), turned(each, b, fold)];
      for (let k = 0; k < each.elements.length; k += 1) {
        const apart = valueAt(ranks, inA(k)) - valueAt(ranks, inB(k));
        if (apart !== 0) return apart < 0;
      }
    }
    return false;
  };
  // Only turns that bring a copy of the first path to the top need be tried.
  const shifts = top.elements.map((element) => (fold - element) % fold);
  const best = shifts.reduce((least, shift) => (isBefore(shift, least) ? shift : least));
  return textOf(
    cover.map((each) => {
      const at = turned(each, best, fold);
      return { path: each.path, elements: each.elements.map((_, k) => at(k)) };
    }),
  );
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
  const ranksOfTexts = textRanks(group.mirror ? 0 : group.fold);
  const covers: string[] = Array.from({ length: kindCount }, () => '');
  coverOf(subdivision, paths, arrangement.cover.members, undefined, (face, winding) => {
    const kind = kindOf.get(face);
    if (kind === undefined) return;
    const cover: { path: number; elements: number[] }[] = [];
    for (let slot = 0; slot < winding.length; slot += 1) {
      const w = valueAt(winding, slot);
      const path = Math.floor(slot / group.order);
      if (paths[path]?.rule === 'evenodd' ? w % 2 === 0 : w === 0) continue;
      const last = cover.at(-1);
      if (last?.path === path) last.elements.push(slot % group.order);
      else cover.push({ path, elements: [slot % group.order] });
    }
    // With a mirror the sector is one for every cell: there is nothing to choose between.
    covers[kind] = group.mirror ? textOf(cover) : canonicalCover(cover, group.fold, ranksOfTexts);
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
