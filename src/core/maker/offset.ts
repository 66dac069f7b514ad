import { pathsOfContours, type Contour } from '../curve/contours';
import { signedArea } from '../curve/path';
import type { BandJoin } from '../merge/band';
import type { OutlineTask } from '../merge/outlines';
import { nodeGrips } from './band';
import type { Maker } from './construction';
import { JOIN_FIELDS, outlined } from './outlined';

export type OffsetNumbers = {
  /** What the outline runs beside. */
  readonly shape: readonly Contour[];
  readonly rule: 'nonzero' | 'evenodd';
  /** Outward for a positive distance. */
  readonly away: number;
  readonly join: BandJoin;
  readonly limit: number;
};

const taskOf = ({ shape, rule, away, join, limit }: OffsetNumbers): OutlineTask => ({
  kind: 'offset',
  paths: pathsOfContours(shape),
  rule,
  away,
  join,
  limit,
});

const drawn = outlined(taskOf, 'Nothing of the shape is left that far inward.');

/** A closed shape's outline at a distance from it, outward or inward; stays a distance. */
export const offset: Maker<OffsetNumbers> = {
  name: 'Offset',
  fields: [
    { key: 'shape', label: 'Shape', type: 'drawn' },
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
  problem: (numbers) => {
    if (!numbers.shape.some(({ closed }) => closed)) return 'An offset needs a closed shape.';
    return drawn.problem(numbers);
  },
  partSizes: (numbers) => [Math.max(1, drawn.paths(numbers).length)],
  paths: drawn.paths,
  grips: ({ shape }) => nodeGrips(shape, (next) => ({ shape: next })),
  facts: (numbers) => [
    { caption: 'Area', value: signedArea(drawn.paths(numbers)), as: 'plain' },
    { caption: 'Area before', value: signedArea(pathsOfContours(numbers.shape)), as: 'plain' },
  ],
};
