import { pathsOfContours, type Contour } from '../curve/contours';
import { signedArea, type Path } from '../curve/path';
import type { BandJoin } from '../merge/band';
import { MergeFailed } from '../merge/merge';
import { isLeftForLater, outlinesOfTask, type OutlineTask } from '../merge/outlines';
import { nodeGrips } from './band';
import type { Maker } from './construction';

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

const made = new WeakMap<OffsetNumbers, readonly Path[] | string>();

function outlineOf(numbers: OffsetNumbers): readonly Path[] | string {
  const known = made.get(numbers);
  if (known !== undefined) return known;
  let answer: readonly Path[] | string;
  try {
    answer = outlinesOfTask(taskOf(numbers)).flat();
    if (answer.length === 0) answer = 'Nothing of the shape is left that far inward.';
  } catch (error) {
    if (!(error instanceof MergeFailed)) throw error;
    answer = error.message;
  }
  made.set(numbers, answer);
  return answer;
}

const pathsOfOffset = (numbers: OffsetNumbers): readonly Path[] => {
  const outline = outlineOf(numbers);
  return typeof outline === 'string' ? [] : outline;
};

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
    {
      key: 'join',
      label: 'Join',
      type: 'choice',
      choices: [
        ['miter', 'Miter'],
        ['round', 'Round'],
        ['bevel', 'Bevel'],
      ],
    },
    {
      key: 'limit',
      label: 'Miter limit',
      type: 'share',
      least: 1,
      most: 100,
      when: ({ join }) => join === 'miter',
    },
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
    // What takes long is found out when the offset is made.
    if (!made.has(numbers) && isLeftForLater(taskOf(numbers))) return null;
    const outline = outlineOf(numbers);
    return typeof outline === 'string' ? outline : null;
  },
  partSizes: (numbers) => [Math.max(1, pathsOfOffset(numbers).length)],
  paths: pathsOfOffset,
  grips: ({ shape }) => nodeGrips(shape, (next) => ({ shape: next })),
  facts: (numbers) => [
    { caption: 'Area', value: signedArea(pathsOfOffset(numbers)), as: 'plain' },
    { caption: 'Area before', value: signedArea(pathsOfContours(numbers.shape)), as: 'plain' },
  ],
};
