import { finding } from '@/core/finding';
import { arcFromBulge, line, ORIGIN, point } from '@/core/curve';
import { radiansOf, turn, type Turn } from '@/core/number';
import { alongTurn } from '@/core/symmetry';
import { reflected, type Maker } from './construction';

export type ScallopParams = { readonly radius: number; readonly angle: Turn; readonly rise: number };

const chordOf = ({ radius, angle }: ScallopParams): number => 2 * radius * Math.sin(radiansOf(angle) / 2);

/**
 * A scallop: a sector whose rim is one arc over its chord. The chord of a sector is 2 r sin(a/2), and an arc
 * with sagitta s over a chord c has the bulge 2 s / c (DXF reference, group code 42).
 */
export const scallop: Maker<ScallopParams> = {
  name: 'Scallop',
  fields: [
    { key: 'radius', label: 'To corners', type: 'length' },
    { key: 'angle', label: 'Angle', type: 'turn' },
    { key: 'rise', label: 'Rise', type: 'length' },
  ],
  start: { radius: 60, angle: turn(1, 12), rise: 13 },
  problem: (params) => {
    const { radius, angle, rise } = params;
    if (!(radius > 0)) return finding('scallop.radius');
    if (!(angle.num > 0 && angle.num < angle.den)) return finding('scallop.angle');
    const most = 2 * chordOf(params);
    return rise > 0 && rise <= most ? null : finding('scallop.rise', most);
  },
  paths: (params) => {
    const { radius, angle, rise } = params;
    const right = alongTurn(turn(angle.num, 2 * angle.den), radius);
    const left = reflected(right);
    return [
      {
        closed: true,
        segments: [
          line(ORIGIN, left),
          arcFromBulge(left, right, (2 * rise) / chordOf(params)),
          line(right, ORIGIN),
        ],
      },
    ];
  },
  extent: ({ radius, angle, rise }) => radius * Math.cos(radiansOf(angle) / 2) + rise,
  grips: (params) => {
    const right = alongTurn(turn(params.angle.num, 2 * params.angle.den), params.radius);
    return [
      { id: 'corner', at: right, drag: (to) => ({ radius: Math.max(1e-6, Math.hypot(to.x, to.y)) }) },
      {
        id: 'rise',
        at: point(0, right.y - params.rise),
        drag: (to) => ({ rise: Math.min(2 * chordOf(params), Math.max(1e-6, right.y - to.y)) }),
      },
    ];
  },
  facts: (params) => [{ caption: 'Chord', value: chordOf(params), as: 'length' }],
};
