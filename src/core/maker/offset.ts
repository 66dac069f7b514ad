import { finding } from '@/core/finding';
import { type Contour, nodesOfContours, type Path, pathsOfContours, signedArea } from '@/core/curve';
import { type BandJoin, OFFSET } from '@/core/merge';
import { taskOf } from '@/core/derive';
import { remembered } from '../remembered';
import { nodeGrips } from './band';
import { JOIN_FIELDS, type Maker } from './construction';

export type OffsetParams = {
  /** What the outline runs beside. */
  readonly shape: readonly Contour[];
  readonly rule: 'nonzero' | 'evenodd';
  /** Outward for a positive distance. */
  readonly away: number;
  readonly join: BandJoin;
  readonly limit: number;
};

const offsetTask = remembered(({ shape, rule, away, join, limit }: OffsetParams) =>
  taskOf(OFFSET, { paths: pathsOfContours(shape), rule, away, join, limit }),
);

const MOST_NODES = 5000;

/** A closed shape's outline at a distance from it, outward or inward; stays a distance. */
export const offset: Maker<OffsetParams, readonly Path[]> = {
  name: 'Offset',
  fields: [
    { key: 'shape', label: 'Shape', type: 'drawn', of: 'place' },
    {
      key: 'rule',
      label: 'Fills',
      type: 'choice',
      choices: [
        ['nonzero', 'Nonzero'],
        ['evenodd', 'Even-odd'],
      ],
      when: ({ shape }) => shape.length > 1,
    },
    { key: 'away', label: 'Offset', type: 'length', mayBeZero: true },
    ...JOIN_FIELDS,
  ],
  start: {
    shape: [
      {
        closed: true,
        nodes: [
          { x: -10, y: 0, kind: 'corner' },
          { x: 0, y: -30, kind: 'corner' },
          { x: 10, y: 0, kind: 'corner' },
        ],
      },
    ],
    rule: 'nonzero',
    away: 3,
    join: 'round',
    limit: 4,
  },
  problem: ({ shape }) => {
    if (!shape.some(({ closed }) => closed)) return finding('offset.shape');
    return nodesOfContours(shape).length > MOST_NODES ? finding('offset.nodes', MOST_NODES) : null;
  },
  solve: offsetTask,
  isOnePart: true,
  paths: (_, outlines) => outlines,
  grips: ({ shape }) => nodeGrips(shape, 'shape', (next) => ({ shape: next })),
  facts: (params, paths) => [
    { caption: 'Area', value: signedArea(paths), as: 'plain' },
    { caption: 'Area before', value: signedArea(pathsOfContours(params.shape)), as: 'plain' },
  ],
};
