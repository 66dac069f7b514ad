import { type Affine, boundsOfPaths, compose, isEmptyBounds, mapPath, turnMap } from '@/core/curve';
import type { MergePart } from '@/core/merge';
import { pathData, printNumber } from './pathData';

const DECIMALS = 9;

/**
 * The parts of a merge as a plain SVG file, every turn a path of its own, under a map; drawn as filled areas or as
 * the lines of cells. Arcs stay arcs.
 */
export function svgOfMerge(parts: readonly MergePart[], place: Affine, drawn: 'areas' | 'lines'): string {
  const copies = parts.flatMap(({ turns, loops }) =>
    turns.map((t) => {
      const map = compose(place, turnMap(t));
      return loops.map((loop) => mapPath(loop, map));
    }),
  );
  const box = boundsOfPaths(copies.flat());
  const empty = isEmptyBounds(box);
  const margin = empty ? 1 : Math.max(box.right - box.left, box.bottom - box.top) / 50;
  const n = (value: number): string => printNumber(value, DECIMALS);
  const view = empty
    ? '0 0 1 1'
    : [
        box.left - margin,
        box.top - margin,
        box.right - box.left + 2 * margin,
        box.bottom - box.top + 2 * margin,
      ]
        .map(n)
        .join(' ');
  const style =
    drawn === 'areas'
      ? 'fill="#1d1d1b"'
      : `fill="none" stroke="#1d1d1b" stroke-width="${n(margin / 10)}" stroke-linejoin="round"`;
  const paths = copies.map((loops) => `<path d="${pathData(loops, DECIMALS)}"/>`).join('\n');
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${view}">\n<g ${style}>\n${paths}\n</g>\n</svg>\n`;
}
