import { finding } from '@/core/finding';
import { addTurns, multiplyTurn, radiansOf, turn, type Turn } from '@/core/number';
import { alongTurn } from '@/core/symmetry';
import { polygonOf, type Field, type Maker } from './construction';

export type WhirlParams = {
  readonly sides: number;
  readonly radius: number;
  readonly angle: Turn;
  readonly ends: 'count' | 'size';
  readonly count: number;
  readonly smallest: number;
};

/**
 * How much smaller a regular polygon is that stands turned by θ inside its equal, its corners on the other's sides:
 * cos(π/n) / cos(π/n − θ), for 0 < θ < 2π/n. A corner of the inner one then lies at the outer one's apothem over the cosine of its
 * angle from the side's middle (plane trigonometry).
 */
export const whirlFactor = (sides: number, angle: Turn): number =>
  Math.cos(Math.PI / sides) / Math.cos(Math.PI / sides - radiansOf(angle));

const MOST = 400;

/** How many polygons there are: as counted, or down to the smallest size. */
export function whirlCount({ sides, radius, angle, ends, count, smallest }: WhirlParams): number {
  if (ends === 'count') return count;
  const factor = whirlFactor(sides, angle);
  return Math.min(MOST, 1 + Math.floor(Math.log(smallest / radius) / Math.log(factor) + 1e-9));
}

/** What the shrinking ends by. @param most of the things one in another */
export const endsFields = (
  most: number,
): readonly Field<{ readonly ends: 'count' | 'size'; readonly count: number }>[] => [
  {
    key: 'ends',
    label: 'Ends by',
    type: 'choice',
    choices: [
      ['count', 'Count'],
      ['size', 'Smallest'],
    ],
  },
  {
    key: 'count',
    label: 'Count',
    type: 'count',
    least: 1,
    most,
    when: ({ ends }) => ends === 'count',
  },
];

/** A regular polygon turned and shrunk inward again and again, each just touching the one outside it. */
export const whirl: Maker<WhirlParams> = {
  name: 'Whirl',
  fields: [
    { key: 'sides', label: 'Sides', type: 'count', least: 3, most: 120 },
    { key: 'radius', label: 'To a corner', type: 'length' },
    { key: 'angle', label: 'Turns by', type: 'turn' },
    ...endsFields(MOST),
    { key: 'smallest', label: 'Smallest', type: 'length', when: ({ ends }) => ends === 'size' },
  ],
  start: { sides: 4, radius: 60, angle: turn(1, 36), ends: 'count', count: 12, smallest: 5 },
  rule: 'evenodd',
  problem: ({ sides, radius, angle, ends, smallest }) => {
    if (!(radius > 0)) return finding('whirl.radius');
    if (!(angle.num > 0 && angle.num * sides < angle.den)) return finding('whirl.angle', sides);
    if (ends === 'size' && !(smallest > 0 && smallest <= radius)) return finding('whirl.smallest', radius);
    return null;
  },
  paths: (params) => {
    const { sides, radius, angle } = params;
    const factor = whirlFactor(sides, angle);
    return Array.from({ length: whirlCount(params) }, (_, k) =>
      polygonOf(
        Array.from({ length: sides }, (__, corner) =>
          alongTurn(addTurns(multiplyTurn(angle, k), turn(corner, sides)), radius * factor ** k),
        ),
      ),
    );
  },
  extent: ({ radius }) => radius,
  facts: (params) => [
    { caption: 'Each is times', value: whirlFactor(params.sides, params.angle), as: 'plain' },
    {
      caption: 'Smallest',
      value: params.radius * whirlFactor(params.sides, params.angle) ** (whirlCount(params) - 1),
      as: 'length',
    },
    { caption: 'Count', value: whirlCount(params), as: 'plain' },
  ],
};
