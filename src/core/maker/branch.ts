import { finding } from '@/core/finding';
import { add, mapPath, MIRROR, ORIGIN, type Path, point, type Point, reversedPath } from '@/core/curve';
import { degreesOf, turn, type Turn } from '@/core/number';
import { alongTurn } from '@/core/symmetry';
import { barPath, TIP_FIELDS, tipProblem, type TipParams } from './bar';
import { lineOf, type Field, type Maker } from './construction';

export type BranchParams = {
  readonly length: number;
  readonly pairs: number;
  readonly angle: Turn;
  readonly first: number;
  readonly last: number;
  readonly growth: number;
  readonly arm: number;
  readonly law: 'equal' | 'falling' | 'leaf';
  readonly width: number;
} & TipParams;

/**
 * Where the pairs leave the stem: from the first to the last, each gap `growth` times the one before it, so at
 * (qⁱ − 1) / (qᵖ⁻¹ − 1) of the way (sum of a geometric series); evenly for q = 1.
 */
export function pairPositions({ pairs, first, last, growth }: BranchParams): number[] {
  return Array.from({ length: pairs }, (_, i) => {
    if (pairs === 1) return first;
    const share =
      Math.abs(growth - 1) < 1e-9 ? i / (pairs - 1) : (growth ** i - 1) / (growth ** (pairs - 1) - 1);
    return first + (last - first) * share;
  });
}

/** Lengths of the arms: all equal, falling evenly towards the tip, or as the half wave of a leaf. */
export function armLengths({ pairs, arm, law }: BranchParams): number[] {
  return Array.from({ length: pairs }, (_, i) => {
    if (law === 'equal') return arm;
    return law === 'falling' ? arm * (1 - i / pairs) : arm * Math.sin((Math.PI * (i + 1)) / (pairs + 1));
  });
}

/**
 * A branch: a stem from the origin upward with pairs of arms at an angle to it. With a width each bar is a shape; with
 * none they are lines, to be stroked.
 */
export const branch: Maker<BranchParams> = {
  name: 'Branch',
  fields: [
    { key: 'length', label: 'Length', type: 'length' },
    { key: 'pairs', label: 'Pairs', type: 'count', least: 0, most: 100 },
    { key: 'angle', label: 'Angle', type: 'turn' },
    { key: 'first', label: 'First at', type: 'length', mayBeZero: true },
    { key: 'last', label: 'Last at', type: 'length' },
    { key: 'growth', label: 'Gaps grow by', type: 'share', least: 0.2, most: 5 },
    { key: 'arm', label: 'Arm', type: 'length' },
    {
      key: 'law',
      label: 'Arms',
      type: 'choice',
      choices: [
        ['equal', 'Equal'],
        ['falling', 'Falling'],
        ['leaf', 'As a leaf'],
      ],
    },
    { key: 'width', label: 'Width', type: 'length', mayBeZero: true },
    ...TIP_FIELDS.map((field): Field<BranchParams> => ({
      ...(field as Field<BranchParams>),
      when: (params) => params.width > 0 && (field.when?.(params) ?? true),
    })),
  ],
  start: {
    length: 70,
    pairs: 5,
    angle: turn(1, 6),
    first: 24,
    last: 60,
    growth: 1,
    arm: 18,
    law: 'falling',
    width: 3,
    tip: 'pointed',
  },
  problem: (params) => {
    const { length, angle, first, last, growth, arm, width } = params;
    if (!(length > 0 && arm > 0)) return finding('branch.length');
    if (!(angle.num > 0 && 2 * angle.num < angle.den)) return finding('branch.angle');
    if (!(first >= 0 && last >= first && last <= length)) return finding('branch.pairs', length);
    if (!(growth > 0)) return finding('branch.growth');
    return width >= 0 && width < length ? tipProblem(params) : finding('branch.width', length);
  },
  paths: (params) => {
    const { length, angle, width } = params;
    const arms = armLengths(params);
    const stroke = (from: Point, direction: Turn, long: number): Path =>
      width > 0
        ? barPath(from, direction, { length: long, width }, params)
        : lineOf(from, add(from, alongTurn(direction, long)));
    return [
      stroke(ORIGIN, turn(0), length),
      ...pairPositions(params).flatMap((s, i) => {
        const right = stroke(point(0, -s), angle, arms[i] ?? 0);
        // Walked back, so that bars that overlap wind the same way.
        return [right, reversedPath(mapPath(right, MIRROR))];
      }),
    ];
  },
  extent: ({ length }) => length,
  grips: (params) => {
    const { first, angle, length } = params;
    const [reach = params.arm] = armLengths(params);
    const from = point(0, -first);
    return [
      {
        id: 'arm',
        at: add(from, alongTurn(angle, reach)),
        drag: (to) => ({ arm: Math.max(1e-6, (Math.hypot(to.x, to.y + first) * params.arm) / reach) }),
      },
      { id: 'first', at: from, drag: (to) => ({ first: Math.min(params.last, Math.max(0, -to.y)) }) },
      {
        id: 'last',
        at: point(0, -params.last),
        drag: (to) => ({ last: Math.min(length, Math.max(first, -to.y)) }),
      },
    ];
  },
  facts: (params) => {
    const [a = 0, b = 0] = pairPositions(params);
    return [
      { caption: 'First gap', value: b - a, as: 'length' },
      { caption: 'Between a pair', value: 2 * degreesOf(params.angle), as: 'degrees' },
    ];
  },
};
