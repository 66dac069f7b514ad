/**
 * Bars with flat, round or pointed ends; also the arms of a branch.
 *
 * @example
 * barPath(ORIGIN, turn(0), { length: 30, width: 4 }, { kind: 'pointed', reach: 6, both: false });
 */
import { finding } from '@/core/finding';
import { add, line, ORIGIN, type Path, point, type Point, scaleBy, type Segment } from '@/core/curve';
import { radiansOf, turn, type Turn } from '@/core/number';
import { alongTurn } from '@/core/symmetry';
import { arcAbout, type Field, type Maker } from './construction';

/** How a bar ends. What older files do not say is as long as the bar is wide, at its far end alone. */
export type TipParams = {
  readonly tip: 'flat' | 'round' | 'pointed';
  readonly tipBy?: 'width' | 'length' | 'angle';
  readonly tipLength?: number;
  /** The whole angle at the point. */
  readonly tipAngle?: Turn;
  readonly ends?: 'one' | 'both';
};

const isPointed = ({ tip }: TipParams): boolean => tip === 'pointed';

/** The fields of a tip, for whatever has bars. */
export const TIP_FIELDS: readonly Field<TipParams>[] = [
  {
    key: 'tip',
    label: 'Tips',
    type: 'choice',
    choices: [
      ['flat', 'Flat'],
      ['round', 'Round'],
      ['pointed', 'Pointed'],
    ],
  },
  {
    key: 'tipBy',
    label: 'Tip from',
    type: 'choice',
    choices: [
      ['width', 'Width'],
      ['length', 'Length'],
      ['angle', 'Angle'],
    ],
    absent: 'width',
    when: isPointed,
  },
  {
    key: 'tipLength',
    label: 'Tip length',
    type: 'length',
    absent: 6,
    when: (params) => isPointed(params) && params.tipBy === 'length',
  },
  {
    key: 'tipAngle',
    label: 'Tip angle',
    type: 'turn',
    absent: turn(1, 6),
    when: (params) => isPointed(params) && params.tipBy === 'angle',
  },
  {
    key: 'ends',
    label: 'At',
    type: 'choice',
    choices: [
      ['one', 'One end'],
      ['both', 'Both ends'],
    ],
    absent: 'one',
    when: ({ tip }) => tip !== 'flat',
  },
];

/** Why a tip makes nothing; null where it does. */
export function tipProblem({ tip, tipBy, tipLength = 6, tipAngle = turn(1, 6) }: TipParams) {
  if (tip !== 'pointed') return null;
  if (tipBy === 'length' && !(tipLength > 0)) return finding('bar.tip');
  return tipBy === 'angle' && !(tipAngle.num > 0 && 2 * tipAngle.num < tipAngle.den)
    ? finding('bar.angle')
    : null;
}

/** How far the end of a bar reaches beyond its straight sides: by an angle a, w / 2 ÷ tan(a / 2) (plane trigonometry). */
export function tipReach(
  width: number,
  { tip, tipBy, tipLength = 6, tipAngle = turn(1, 6) }: TipParams,
): number {
  if (tip === 'flat') return 0;
  if (tip === 'round') return width / 2;
  if (tipBy === 'length') return tipLength;
  return tipBy === 'angle' ? width / 2 / Math.tan(radiansOf(tipAngle) / 2) : width;
}

/**
 * A bar from a point in a direction. Where it is too short for its tips they share its length.
 * @returns a closed path, clockwise for a bar that leads up
 */
export function barPath(
  from: Point,
  direction: Turn,
  { length, width }: { readonly length: number; readonly width: number },
  end: TipParams,
): Path {
  const along = alongTurn(direction, 1);
  const across = { x: -along.y, y: along.x };
  const at = (u: number, v: number): Point => add(add(from, scaleBy(along, u)), scaleBy(across, v));
  const h = width / 2;
  const both = end.ends === 'both' && end.tip !== 'flat';
  const reach = Math.min(tipReach(width, end), both ? length / 2 : length);
  const [low, high] = [both ? reach : 0, length - reach];
  const [a, b, c, d] = [at(low, -h), at(high, -h), at(high, h), at(low, h)];
  const tip = (p: Point, q: Point, peak: Point, middle: Point): Segment[] => {
    if (end.tip === 'round' && reach > 0) return [arcAbout(p, q, middle, h)];
    return end.tip === 'pointed' ? [line(p, peak), line(peak, q)] : [line(p, q)];
  };
  const side = (p: Point, q: Point): Segment[] => (high > low ? [line(p, q)] : []);
  return {
    closed: true,
    segments: [
      ...side(a, b),
      ...tip(b, c, at(length, 0), at(high, 0)),
      ...side(c, d),
      ...(both ? tip(d, a, at(0, 0), at(low, 0)) : [line(d, a)]),
    ],
  };
}

export type BarParams = TipParams & { readonly length: number; readonly width: number };

/** A bar from its origin upward: its length from end to end, its width, and a point at one end or both. */
export const bar: Maker<BarParams> = {
  name: 'Bar',
  fields: [
    { key: 'length', label: 'Length', type: 'length' },
    { key: 'width', label: 'Width', type: 'length' },
    ...(TIP_FIELDS as readonly Field<BarParams>[]),
  ],
  start: {
    length: 40,
    width: 8,
    tip: 'pointed',
    tipBy: 'length',
    tipLength: 10,
    tipAngle: turn(1, 6),
    ends: 'one',
  },
  problem: (params) => {
    const { length, width, ends } = params;
    if (!(length > 0 && width > 0)) return finding('bar.size');
    const problem = tipProblem(params);
    if (problem) return problem;
    const tips = tipReach(width, params) * (ends === 'both' ? 2 : 1);
    // A hair of room, so that tips that take the whole length are not refused for a rounding.
    return params.tip !== 'flat' && tips > length * (1 + 1e-12) ? finding('bar.room', length) : null;
  },
  paths: (params) => [barPath(ORIGIN, turn(0), params, params)],
  extent: ({ length }) => length,
  reached: (params, length) => {
    const tips = tipReach(params.width, params) * (params.ends === 'both' ? 2 : 1);
    // Longer, its tips stay as they are; too short for them, the whole is smaller.
    if (tips <= length) return { ...params, length };
    const factor = length / params.length;
    return {
      ...params,
      length,
      width: params.width * factor,
      ...(params.tipLength !== undefined && { tipLength: params.tipLength * factor }),
    };
  },
  widened: (params, factor) => ({ ...params, width: params.width * factor }),
  grips: (params) => {
    const { length, width, tip, tipBy } = params;
    const level = length - tipReach(width, params);
    const side = {
      id: 'width',
      at: point(width / 2, -level),
      drag: (to: Point) => ({ width: Math.max(1e-6, 2 * Math.abs(to.x)) }),
    };
    const neck = {
      id: 'tip',
      at: point(-width / 2, -level),
      drag: (to: Point) => ({ tipLength: Math.max(1e-6, length + to.y) }),
    };
    return tip === 'pointed' && tipBy === 'length' ? [side, neck] : [side];
  },
  facts: (params) => {
    if (params.tip !== 'pointed') return [];
    const reach = tipReach(params.width, params);
    return params.tipBy === 'angle'
      ? [{ caption: 'Tip length', value: reach, as: 'length' }]
      : [
          {
            caption: 'Tip angle',
            value: (2 * Math.atan2(params.width / 2, reach) * 180) / Math.PI,
            as: 'degrees',
          },
        ];
  },
};
