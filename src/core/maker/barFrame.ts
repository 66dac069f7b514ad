import { finding } from '@/core/finding';
import { add, mapPath, type Point, scaleBy, turnMap } from '@/core/curve';
import { turn } from '@/core/number';
import { alongTurn } from '@/core/symmetry';
import { polygonOf, type Maker } from './construction';

export type BarFrameParams = { readonly sides: number; readonly radius: number; readonly bar: number };

const apothem = (sides: number, radius: number): number => radius * Math.cos(Math.PI / sides);

const MOST_SIDES = 72;

/** Where the line at distance a from the origin beside side k meets the one at distance b beside the next side. */
function meeting(sides: number, k: number, a: number, b: number): Point {
  const [u, v] = [alongTurn(turn(2 * k + 1, 2 * sides), 1), alongTurn(turn(2 * k + 3, 2 * sides), 1)];
  const cos = Math.cos((2 * Math.PI) / sides);
  const square = Math.sin((2 * Math.PI) / sides) ** 2;
  return scaleBy(
    add(
      scaleBy({ x: u.x - cos * v.x, y: u.y - cos * v.y }, a),
      scaleBy({ x: v.x - cos * u.x, y: v.y - cos * u.y }, b),
    ),
    1 / square,
  );
}

/**
 * The frame that could not be built: n bars round a regular polygon, each lying over the one before it and under
 * the one after. Lines beside each side at the apothem R cos(π/n) and one and two bars farther in bound them; a bar
 * runs along the outer strip of its side and turns into the inner strip of the next. Together they fill the ring between the
 * outer and the innermost polygon, each bar an n-th of it.
 */
export const barFrame: Maker<BarFrameParams> = {
  name: 'Bar frame',
  fields: [
    { key: 'sides', label: 'Sides', type: 'count', least: 3, most: MOST_SIDES },
    { key: 'radius', label: 'To a corner', type: 'length' },
    { key: 'bar', label: 'Bar', type: 'length' },
  ],
  start: { sides: 4, radius: 60, bar: 11 },
  problem: ({ sides, radius, bar }) => {
    if (!(radius > 0)) return finding('barFrame.radius');
    const most = apothem(sides, radius) / 2;
    return bar > 0 && bar < most ? null : finding('barFrame.bar', most);
  },
  inFold: (params, fold) => (fold >= 3 && fold <= MOST_SIDES ? { ...params, sides: fold } : params),
  paths: ({ sides, radius, bar }) => {
    const outer = apothem(sides, radius);
    const [middle, inner] = [outer - bar, outer - 2 * bar];
    const first = polygonOf([
      meeting(sides, -1, outer, outer),
      meeting(sides, 0, outer, middle),
      meeting(sides, 1, middle, inner),
      meeting(sides, 1, inner, inner),
      meeting(sides, 0, middle, inner),
      meeting(sides, -1, outer, middle),
    ]);
    return Array.from({ length: sides }, (_, k) => mapPath(first, turnMap(turn(k, sides))));
  },
  extent: ({ radius }) => radius,
  grips: ({ sides, radius, bar }) => {
    const direction = alongTurn(turn(1, 2 * sides), 1);
    const outer = apothem(sides, radius);
    return [
      {
        id: 'bar',
        at: scaleBy(direction, outer - bar),
        drag: (to) => ({
          bar: Math.min(0.499 * outer, Math.max(1e-6, outer - (to.x * direction.x + to.y * direction.y))),
        }),
      },
    ];
  },
};
