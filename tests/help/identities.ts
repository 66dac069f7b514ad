import { type Merged, mergeNow, type MergeOperation, type MergeRequest, type MergeShape } from '@/core/merge';
import { NO_TURN } from '@/core/number';

export const requestOf = (
  fold: number,
  mirror: boolean,
  shapes: readonly MergeShape[],
  op: MergeOperation = 'union',
): MergeRequest => ({
  op,
  among: 'copies',
  operands: [{ fold, mirror, start: NO_TURN, shapes }],
});

/** Area of the cells that at least one copy covers, or weighted by how many do. */
export const coveredArea = ({ kinds }: Merged, weigh: (depth: number) => number): number =>
  kinds.reduce((sum, kind) => sum + weigh(kind.depth) * kind.area * kind.size, 0);

/**
 * What must hold for any motif whatever; returns what does not. The size is that of the figure; areas are compared in
 * units of its square.
 */
export function brokenIdentities(fold: number, mirror: boolean, shapes: readonly MergeShape[]): string[] {
  const broken: string[] = [];
  const union = mergeNow(requestOf(fold, mirror, shapes));
  const size = Math.max(1e-9, ...union.kinds.map(({ outer }) => outer));
  const differ = (a: number, b: number): boolean => Math.abs(a - b) > 2e-6 * size * size;
  const say = (what: string, a: number, b: number): void => {
    if (differ(a, b)) broken.push(`${what}: ${a} and ${b}`);
  };
  const total = coveredArea(union, (depth) => (depth > 0 ? 1 : 0));
  say('area of the outline and of its cells', union.facts.area, total);
  const outline = mergeNow({ ...requestOf(fold, mirror, shapes), outlineOnly: true });
  say('the outline with and without its cells', outline.facts.area, union.facts.area);
  const alone = mergeNow(requestOf(1, false, shapes));
  const [order, orbit] = [mirror ? 2 * fold : fold, coveredArea(union, (depth) => depth)];
  // Copies that coincide count once, so the copies' areas may be a whole share of all.
  const share = alone.facts.area > 1e-3 * size * size ? (order * alone.facts.area) / orbit : 1;
  if (Math.abs(share - Math.round(share)) > 1e-4 * order)
    broken.push(`area by depth: ${orbit} of ${order} times ${alone.facts.area}`);
  const odd = mergeNow(requestOf(fold, mirror, shapes, 'exclusion'));
  say(
    'exclusion and odd cells',
    odd.facts.area,
    coveredArea(union, (depth) => depth % 2),
  );
  const cells = mergeNow(requestOf(fold, mirror, shapes, 'divide'));
  say(
    'cells and their outlines',
    cells.facts.area,
    coveredArea(cells, () => 1),
  );
  if (cells.kinds.some((kind) => (2 * fold) % kind.size !== 0))
    broken.push('a kind’s size does not divide 2n');
  const again = mergeNow(
    requestOf(fold, false, union.parts.length === 0 ? [] : [{ paths: wholeWedge(union), rule: 'nonzero' }]),
  );
  say('the union of a union', again.facts.area, union.facts.area);
  return broken;
}

/** One copy of every part: its turns give the whole again. */
const wholeWedge = ({ parts }: Merged) => parts.flatMap(({ loops }) => loops);
