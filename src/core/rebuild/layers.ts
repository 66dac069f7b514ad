/**
 * What lies over what: pairs of marks of which it is seen which is on top, and blocks of marks in an order that keeps them so.
 *
 * @example
 * const overlaps = overlapsOf(marks, 0.05);
 * const order = sortedBlocks([petals, dots, rim], overlaps);
 * otherwiseIn(order.flatMap((k) => blocks[k]), overlaps); // 0: all that overlaps lies as it did
 */
import {
  type Bounds,
  closedPath,
  convexHull,
  hullOfPaths,
  hullsMeet,
  meetingBoxes,
  type Point,
  signedArea,
} from '@/core/curve';
import { STRAIGHT, taskOf } from '@/core/derive';
import { MERGED, type MergeOperand } from '@/core/merge';
import { NO_TURN } from '@/core/number';
import { remembered } from '../remembered';
import type { Colour } from '@/core/scene';
import type { Mark } from './mark';

/** Two marks that may overlap: their hulls do. */
interface Overlap {
  readonly lower: Mark;
  readonly upper: Mark;
  /** Whether they do; worked out when it is first asked for. */
  readonly isReal: () => boolean;
}

/** More pairs than this are not looked at. */
const MOST_PAIRS = 400_000;

/** The one colour that a mark hides what is below it with; null where it has several, or is seen through. */
function soleColour({ node, blend }: Mark): Colour | null {
  if (node.kind !== 'shape' || blend !== 'normal') return null;
  const { fill, stroke } = node.paint;
  const colours = new Set([fill, stroke?.colour ?? null].filter((each) => each !== null));
  const [only, another] = colours;
  return typeof only === 'string' && another === undefined && only.length === 7 ? only : null;
}

const strokeOf = ({ node }: Mark): number =>
  node.kind === 'shape' ? (node.paint.stroke?.width ?? 0) / 2 : 0;

function hullOf(mark: Mark): Point[] {
  const hull = hullOfPaths(mark.layers.flatMap(({ outlines }) => outlines.map(({ path }) => path)));
  const wide = strokeOf(mark);
  if (wide === 0) return hull;
  return convexHull(
    hull.flatMap(({ x, y }) =>
      [-wide, wide].flatMap((dx) => [-wide, wide].map((dy) => ({ x: x + dx, y: y + dy }))),
    ),
  );
}

/** What a mark fills alone; null where it has lines, which are as wide as they are. */
function filledOf({ node }: Mark): MergeOperand | null {
  if (node.kind !== 'shape' || node.paint.stroke) return null;
  const shapes = [{ paths: node.paths.map(closedPath), rule: node.rule }];
  return { fold: 1, mirror: false, start: NO_TURN, shapes };
}

/** Whether what two marks cover has an area in common, wider than so much. */
function doOverlap(a: Mark, b: Mark, within: number): boolean {
  const [own, other] = [filledOf(a), filledOf(b)];
  if (!own || !other) return true;
  const both = STRAIGHT.ask(
    taskOf(MERGED, { op: 'intersection', among: 'operands', operands: [own, other], outlineOnly: true }),
  );
  if (!both?.ok) return true;
  return Math.abs(signedArea(both.value.flat())) > within * Math.min(a.reach, b.reach);
}

/**
 * Pairs of marks that may overlap, so that it is seen which lies over the other.
 * @param within what overlaps by less does not count
 */
export function overlapsOf(marks: readonly Mark[], within: number): Overlap[] {
  const all = marks.map((mark) => {
    const hull = hullOf(mark);
    const [across, down] = [hull.map(({ x }) => x), hull.map(({ y }) => y)];
    const box: Bounds = {
      left: Math.min(...across),
      right: Math.max(...across),
      top: Math.min(...down),
      bottom: Math.max(...down),
    };
    return { mark, hull, box, colour: soleColour(mark) };
  });
  const found: Overlap[] = [];
  for (const [k, j] of meetingBoxes(all.map(({ box }) => box))) {
    if (found.length >= MOST_PAIRS) break;
    const [a, b] = [all[k], all[j]] as [(typeof all)[number], (typeof all)[number]];
    if ((a.colour !== null && a.colour === b.colour) || !hullsMeet(a.hull, b.hull, within)) continue;
    const [lower, upper] = a.mark.index < b.mark.index ? [a.mark, b.mark] : [b.mark, a.mark];
    found.push({ lower, upper, isReal: once(() => doOverlap(lower, upper, within)) });
  }
  return found;
}

function once<T>(work: () => T): () => T {
  let known: { readonly of: T } | null = null;
  return () => (known ??= { of: work() }).of;
}

/** Overlaps by the mark that lies lower. */
const byLower = remembered((overlaps: readonly Overlap[]): ReadonlyMap<Mark, readonly Overlap[]> => {
  const found = new Map<Mark, Overlap[]>();
  for (const overlap of overlaps) {
    const list = found.get(overlap.lower);
    if (list) list.push(overlap);
    else found.set(overlap.lower, [overlap]);
  }
  return found;
});

/** Overlaps of marks that are all among some. */
export function overlapsAmong(marks: readonly Mark[], overlaps: readonly Overlap[]): Overlap[] {
  const own = new Set(marks);
  const lower = byLower(overlaps);
  return [...own].flatMap((mark) => (lower.get(mark) ?? []).filter(({ upper }) => own.has(upper)));
}

/** How many pairs lie the other way round where marks are drawn in an order; what is not in it does not count. */
export function otherwiseIn(order: readonly Mark[], overlaps: readonly Overlap[]): number {
  const place = new Map(order.map((mark, k) => [mark, k]));
  return overlaps.filter(
    ({ lower, upper, isReal }) => (place.get(lower) ?? -1) > (place.get(upper) ?? Infinity) && isReal(),
  ).length;
}

/**
 * Places of blocks, back to front: each over those that it has to lie over, and the one that begins lowest first where several may be next.
 * Where some have to lie over each other, they lie as they begin.
 */
export function sortedBlocks(blocks: readonly (readonly Mark[])[], overlaps: readonly Overlap[]): number[] {
  const blockOf = new Map(blocks.flatMap((marks, k) => marks.map((mark): [Mark, number] => [mark, k])));
  const above = blocks.map(() => new Set<number>());
  for (const { lower, upper } of overlaps) {
    const [a, b] = [blockOf.get(lower), blockOf.get(upper)];
    if (a !== undefined && b !== undefined && a !== b) above[a]?.add(b);
  }
  const below = blocks.map(() => 0);
  for (const set of above) for (const k of set) below[k] = (below[k] ?? 0) + 1;
  const firsts = blocks.map((marks) => Math.min(...marks.map(({ index }) => index)));
  const left = new Set(blocks.keys());
  const order: number[] = [];
  while (left.size > 0) {
    const isFree = (k: number): boolean => below[k] === 0;
    const next = [...left].reduce((a, b) => {
      if (isFree(a) !== isFree(b)) return isFree(a) ? a : b;
      return (firsts[a] ?? 0) <= (firsts[b] ?? 0) ? a : b;
    });
    left.delete(next);
    order.push(next);
    for (const k of above[next] ?? []) below[k] = (below[k] ?? 0) - 1;
  }
  return order;
}
