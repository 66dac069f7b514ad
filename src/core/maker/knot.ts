import { finding } from '@/core/finding';
import { arcFromBulge, type Path } from '@/core/curve';
import { gcd, radiansOf, turn, type Turn } from '@/core/number';
import { alongTurn } from '@/core/symmetry';
import type { Maker } from './construction';

export type KnotParams = {
  readonly lobes: number;
  readonly skip: number;
  readonly radius: number;
  readonly arc: Turn;
};

/**
 * A knot of arcs: equal arcs from tip to tip of a regular polygon, each joining a tip to the k-th after it and bending
 * towards the middle. Three half circles, and arcs of other angles, make the three-lobed knot. The bulge of an arc of angle a is
 * tan(a/4) (DXF reference, group code 42).
 */
export const knot: Maker<KnotParams> = {
  name: 'Knot',
  fields: [
    { key: 'lobes', label: 'Lobes', type: 'count', least: 3, most: 180 },
    { key: 'skip', label: 'Joins every k', type: 'count', least: 1, most: 89 },
    { key: 'radius', label: 'To a tip', type: 'length' },
    { key: 'arc', label: 'Each arc', type: 'turn' },
  ],
  start: { lobes: 3, skip: 1, radius: 45, arc: turn(1, 2) },
  problem: ({ lobes, skip, radius, arc }) => {
    if (!(radius > 0)) return finding('knot.radius');
    if (!(2 * skip <= lobes)) return finding('knot.skip', lobes);
    return arc.num > 0 && arc.num < arc.den ? null : finding('knot.arc');
  },
  paths: ({ lobes, skip, radius, arc }) => {
    const bulge = -Math.tan(radiansOf(arc) / 4);
    const parts = gcd(lobes, skip);
    const tip = (k: number) => alongTurn(turn(k % lobes, lobes), radius);
    return Array.from({ length: parts }, (_, first): Path => ({
      closed: true,
      segments: Array.from({ length: lobes / parts }, (__, k) =>
        arcFromBulge(tip(first + k * skip), tip(first + (k + 1) * skip), bulge),
      ),
    }));
  },
  extent: ({ radius }) => radius,
};
