import type { Path } from '@/core/curve';
import type { Work } from '@/core/derive';
import { edgeOf, type Round, seenPaths } from '@/core/figure';
import type { Wedge } from '@/core/symmetry';
import { wedgeData } from '@/ui/common';

/** What of a motif must not cross a ray. */
export function warnedPaths(round: Round, work: Work): Path[] {
  const warned = round.shapes.filter((shape) => edgeOf(round, shape) === 'warn');
  return warned.length === 0 ? [] : seenPaths(round, work, new Set(warned.map(({ id }) => id)));
}

/** All that is not the wedge, to be filled by the even-odd rule. */
export const outsideData = (wedge: Wedge, radius: number): string => {
  const far = 4 * radius;
  return `M${-far} ${-far}H${far}V${far}H${-far}Z${wedgeData(wedge, far)}`;
};
