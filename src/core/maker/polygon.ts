import type { Point } from '@/core/curve';
import { finding } from '@/core/finding';
import { turn } from '@/core/number';
import { alongTurn, MOST_CORNERS_WITH_ALL } from '@/core/symmetry';
import { lineOf, polygonOf, type Maker } from './construction';

export type PolygonParams = {
  readonly sides: number;
  /** From the middle to a corner. */
  readonly radius: number;
  /** Drawn with it, as lines: the longest ones, or all. */
  readonly diagonals: 'none' | 'long' | 'all';
};

export const MOST_SIDES = 720;

/**
 * A regular polygon about its origin, its first corner straight up, and its diagonals. The corners are at exact turns k/n; every side is
 * 2 r sin(π/n); the longest diagonals join each corner to the one or two farthest from it, and there are n (n − 3) / 2 in all (any
 * geometry text).
 */
export const polygon: Maker<PolygonParams> = {
  name: 'Polygon',
  originName: 'Middle',
  fields: [
    { key: 'sides', label: 'Sides', type: 'count', least: 3, most: MOST_SIDES },
    { key: 'radius', label: 'To a corner', type: 'length' },
    {
      key: 'diagonals',
      label: 'Diagonals',
      type: 'choice',
      choices: [
        ['none', 'None'],
        ['long', 'Long'],
        ['all', 'All'],
      ],
    },
  ],
  start: { sides: 6, radius: 20, diagonals: 'none' },
  problem: ({ sides, radius, diagonals }) => {
    if (!Number.isInteger(sides) || sides < 3 || sides > MOST_SIDES)
      return finding('polygon.sides', MOST_SIDES);
    if (diagonals === 'all' && sides > MOST_CORNERS_WITH_ALL)
      return finding('polygon.diagonals', MOST_CORNERS_WITH_ALL);
    return radius > 0 ? null : finding('polygon.radius');
  },
  paths: ({ sides: n, radius, diagonals }) => {
    const corners = Array.from({ length: n }, (_, k) => alongTurn(turn(k, n), radius));
    const paths = [polygonOf(corners)];
    if (diagonals === 'none') return paths;
    for (let a = 0; a < n; a += 1)
      for (let b = a + 2; b < n; b += 1) {
        const apart = Math.min(b - a, n - b + a);
        if (apart > 1 && (diagonals === 'all' || apart === Math.floor(n / 2)))
          paths.push(lineOf(corners[a] as Point, corners[b] as Point));
      }
    return paths;
  },
  extent: ({ radius }) => radius,
  reached: (params, radius) => ({ ...params, radius }),
};
