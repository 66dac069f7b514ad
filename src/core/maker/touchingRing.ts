import { finding } from '@/core/finding';
import { point } from '@/core/curve';
import { turn } from '@/core/number';
import { alongTurn } from '@/core/symmetry';
import { circlePath } from './circle';
import type { Maker } from './construction';

export type TouchingRingParams = {
  readonly solve: 'size' | 'ring' | 'gap' | 'count';
  readonly count: number;
  readonly size: number;
  readonly ring: number;
  readonly gap: number;
};

interface Solved {
  readonly count: number;
  readonly size: number;
  readonly ring: number;
  readonly gap: number;
}

const MOST = 720;

/**
 * All four numbers from three: n circles of radius r stand on a ring of radius R with gaps g where
 * R sin(π/n) = r + g/2 (plane trigonometry). A solved count is the largest that leaves the gap; what is over
 * widens the gaps.
 */
export function solvedRing({ solve, count, size, ring, gap }: TouchingRingParams): Solved {
  const sine = Math.sin(Math.PI / count);
  switch (solve) {
    case 'size':
      return { count, ring, gap, size: ring * sine - gap / 2 };
    case 'ring':
      return { count, size, gap, ring: (size + gap / 2) / sine };
    case 'gap':
      return { count, size, ring, gap: 2 * (ring * sine - size) };
    case 'count': {
      const most = Math.floor(Math.PI / Math.asin(Math.min(1, (size + gap / 2) / ring)) + 1e-9);
      return { count: most, size, ring, gap: 2 * (ring * Math.sin(Math.PI / most) - size) };
    }
  }
}

/** Equal circles round a centre: any three of count, size, ring and gap give the fourth. A gap below 0 overlaps. */
export const touchingRing: Maker<TouchingRingParams> = {
  name: 'Touching ring',
  fields: [
    {
      key: 'solve',
      label: 'Work out',
      type: 'choice',
      choices: [
        ['size', 'Size'],
        ['ring', 'Ring'],
        ['gap', 'Gap'],
        ['count', 'Count'],
      ],
    },
    {
      key: 'count',
      label: 'Circles',
      type: 'count',
      least: 2,
      most: MOST,
      when: ({ solve }) => solve !== 'count',
    },
    { key: 'size', label: 'Radius', type: 'length', when: ({ solve }) => solve !== 'size' },
    { key: 'ring', label: 'Ring radius', type: 'length', when: ({ solve }) => solve !== 'ring' },
    { key: 'gap', label: 'Gap', type: 'length', mayBeZero: true, when: ({ solve }) => solve !== 'gap' },
  ],
  start: { solve: 'size', count: 12, size: 10, ring: 45, gap: 0 },
  problem: (params) => {
    const { solve, count, ring, size, gap } = params;
    if (solve === 'size' && !(ring * Math.sin(Math.PI / count) > gap / 2))
      return finding('ring.gap', 2 * ring * Math.sin(Math.PI / count));
    if (solve === 'count' && !(size + gap / 2 <= ring)) return finding('ring.radius', ring);
    const solved = solvedRing(params);
    if (!(solved.size > 0 && solved.ring > 0)) return finding('ring.size');
    return solved.count >= 2 && solved.count <= MOST ? null : finding('ring.count', MOST);
  },
  paths: (params) => {
    const { count, size, ring } = solvedRing(params);
    return Array.from({ length: count }, (_, k) => circlePath(alongTurn(turn(k, count), ring), size));
  },
  extent: (params) => {
    const { ring, size } = solvedRing(params);
    return ring + size;
  },
  grips: (params) => {
    const { ring, size } = solvedRing(params);
    return params.solve === 'size'
      ? []
      : [
          {
            id: 'size',
            at: point(size, -ring),
            drag: (to) => ({ size: Math.max(1e-6, Math.hypot(to.x, to.y + ring)) }),
          },
        ];
  },
  facts: (params) => {
    const solved = solvedRing(params);
    const all = [
      { caption: 'Circles', value: solved.count, as: 'plain' as const, key: 'count' },
      { caption: 'Radius', value: solved.size, as: 'length' as const, key: 'size' },
      { caption: 'Ring radius', value: solved.ring, as: 'length' as const, key: 'ring' },
      { caption: 'Gap', value: solved.gap, as: 'length' as const, key: 'gap' },
    ];
    return all
      .filter(({ key }) => key === params.solve || (key === 'gap' && params.solve === 'count'))
      .map(({ caption, value, as }) => ({ caption, value, as }));
  },
};
