import { finding } from '@/core/finding';
import type { Point } from '@/core/curve';
import { gcd, turn } from '@/core/number';
import { alongTurn } from '@/core/symmetry';
import { polygonOf, type Maker } from './construction';

export type StarParams = {
  readonly points: number;
  readonly skip: number;
  readonly radius: number;
  readonly draw: 'outline' | 'lines';
};

/** Distance of a star's inner corners: R cos(πk/n) / cos(π(k−1)/n). Source: Coxeter, "Regular Polytopes". */
export const innerRadius = ({ points, skip, radius }: StarParams): number =>
  (radius * Math.cos((Math.PI * skip) / points)) / Math.cos((Math.PI * (skip - 1)) / points);

/** The star {n/k}: each of n points joined to the k-th after it; as its outline, or as the lines themselves. */
export const star: Maker<StarParams> = {
  name: 'Star',
  fields: [
    { key: 'points', label: 'Points n', type: 'count', least: 5, most: 720 },
    { key: 'skip', label: 'Joins every k', type: 'count', least: 2, most: 359 },
    { key: 'radius', label: 'To a point', type: 'length' },
    {
      key: 'draw',
      label: 'Drawn as',
      type: 'choice',
      choices: [
        ['outline', 'Outline'],
        ['lines', 'Its lines'],
      ],
    },
  ],
  start: { points: 8, skip: 3, radius: 40, draw: 'outline' },
  problem: ({ points, skip, radius }) => {
    if (!(radius > 0)) return finding('star.radius');
    return 2 * skip < points ? null : finding('star.skip', points);
  },
  paths: (params) => {
    const { points, skip, radius, draw } = params;
    if (draw === 'outline') {
      const inner = innerRadius(params);
      const corners = Array.from({ length: 2 * points }, (_, k): Point =>
        alongTurn(turn(k, 2 * points), k % 2 === 0 ? radius : inner),
      );
      return [polygonOf(corners)];
    }
    const parts = gcd(points, skip);
    return Array.from({ length: parts }, (_, first) =>
      polygonOf(
        Array.from({ length: points / parts }, (__, k) =>
          alongTurn(turn((first + k * skip) % points, points), radius),
        ),
      ),
    );
  },
  extent: ({ radius }) => radius,
  facts: (params) => [
    { caption: 'Inner corners at', value: innerRadius(params), as: 'length' },
    { caption: 'Angle of a point', value: 180 - (360 * params.skip) / params.points, as: 'degrees' },
  ],
};
