import { finding } from '@/core/finding';
import { add, type Point, scaleBy, subtract } from '@/core/curve';
import { turn } from '@/core/number';
import { alongTurn } from '@/core/symmetry';
import { polygonOf, type Maker } from './construction';

export type BladeParams = {
  readonly sides: number;
  readonly radius: number;
  readonly width: number;
  readonly length: number;
  readonly side: 'inside' | 'outside';
};

const sideLength = ({ sides, radius }: BladeParams): number => 2 * radius * Math.sin(Math.PI / sides);

/** The upper corner of the polygon, the direction of its side, and the direction square to that of the bar's width. */
function frame({ sides, radius, side }: BladeParams): { corner: Point; along: Point; across: Point } {
  const corner = alongTurn(turn(0), radius);
  const chord = subtract(alongTurn(turn(1, sides), radius), corner);
  const along = scaleBy(chord, 1 / Math.hypot(chord.x, chord.y));
  const inward = { x: -along.y, y: along.x };
  return { corner, along, across: side === 'inside' ? inward : scaleBy(inward, -1) };
}

/**
 * A blade: a bar that lies along a side of a regular polygon about the origin, one of its corners on the polygon's
 * upper corner. The side is 2 r sin(π/n) long (plane trigonometry).
 */
export const blade: Maker<BladeParams> = {
  name: 'Blade',
  fields: [
    { key: 'sides', label: 'Sides', type: 'count', least: 3, most: 720 },
    { key: 'radius', label: 'To a corner', type: 'length' },
    { key: 'width', label: 'Width', type: 'length' },
    { key: 'length', label: 'Length', type: 'length' },
    {
      key: 'side',
      label: 'Lies',
      type: 'choice',
      choices: [
        ['inside', 'Inside'],
        ['outside', 'Outside'],
      ],
    },
  ],
  start: { sides: 8, radius: 50, width: 10, length: 70, side: 'inside' },
  problem: ({ radius, width, length }) =>
    radius > 0 && width > 0 && length > 0 ? null : finding('blade.size'),
  paths: (params) => {
    const { corner, along, across } = frame(params);
    const far = add(corner, scaleBy(along, params.length));
    const wide = scaleBy(across, params.width);
    return [polygonOf([corner, far, add(far, wide), add(corner, wide)])];
  },
  extent: ({ radius }) => radius,
  grips: (params) => {
    const { corner, along, across } = frame(params);
    const far = add(corner, scaleBy(along, params.length));
    return [
      {
        id: 'end',
        at: add(far, scaleBy(across, params.width)),
        drag: (to) => {
          const way = subtract(to, corner);
          return {
            length: Math.max(1e-6, way.x * along.x + way.y * along.y),
            width: Math.max(1e-6, way.x * across.x + way.y * across.y),
          };
        },
      },
    ];
  },
  facts: (params) => [
    { caption: 'Side of the polygon', value: sideLength(params), as: 'length' },
    { caption: 'Past the next corner', value: params.length - sideLength(params), as: 'length' },
  ],
};
