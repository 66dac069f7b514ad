import { finding } from '@/core/finding';
import { ORIGIN, point, type Point } from '@/core/curve';
import { circlePath, commonOfCircles } from './circle';
import type { Maker } from './construction';

export type LatticeParams = {
  readonly rings: number;
  readonly radius: number;
  readonly spacing: number;
  readonly clip: 'no' | 'circle';
  readonly within: number;
};

/** The points of the triangular grid within k rings of the origin, row by row; two of them straight up and down. */
function gridPoints(rings: number, spacing: number): Point[] {
  const points: Point[] = [];
  for (let q = -rings; q <= rings; q += 1)
    for (let r = Math.max(-rings, -q - rings); r <= Math.min(rings, rings - q); r += 1)
      points.push(point((Math.sqrt(3) / 2) * q * spacing, (r + q / 2) * spacing));
  return points;
}

/**
 * Equal circles on the 60° grid: k rings round one hold 1 + 3 k (k + 1) of them. As far apart as their radius they go
 * through each other's centres. Clipped, each becomes what it shares with one circle about the origin.
 */
export const lattice: Maker<LatticeParams> = {
  name: 'Lattice',
  fields: [
    { key: 'rings', label: 'Rings', type: 'count', least: 0, most: 14 },
    { key: 'radius', label: 'Radius', type: 'length' },
    { key: 'spacing', label: 'Apart', type: 'length' },
    {
      key: 'clip',
      label: 'Clipped',
      type: 'choice',
      choices: [
        ['no', 'No'],
        ['circle', 'To a circle'],
      ],
    },
    { key: 'within', label: 'Within', type: 'length', when: ({ clip }) => clip === 'circle' },
  ],
  start: { rings: 2, radius: 15, spacing: 15, clip: 'no', within: 30 },
  rule: 'evenodd',
  problem: ({ radius, spacing, clip, within }) => {
    if (!(radius > 0 && spacing > 0)) return finding('lattice.size');
    return clip === 'no' || within > 0 ? null : finding('lattice.clip');
  },
  paths: ({ rings, radius, spacing, clip, within }) =>
    gridPoints(rings, spacing).flatMap((centre) => {
      if (clip === 'no') return [circlePath(centre, radius)];
      const common = commonOfCircles(within, centre, radius);
      return common ? [common] : [];
    }),
  extent: ({ rings, radius, spacing, clip, within }) =>
    clip === 'circle' ? Math.min(within, rings * spacing + radius) : rings * spacing + radius,
  grips: ({ radius }) => [
    {
      id: 'radius',
      at: point(radius, 0),
      drag: (to) => ({ radius: Math.max(1e-6, Math.hypot(to.x, to.y)) }),
    },
    { id: 'middle', at: ORIGIN, drag: () => ({}) },
  ],
  facts: ({ rings }) => [{ caption: 'Circles', value: 1 + 3 * rings * (rings + 1), as: 'plain' }],
};
