import { finding } from '@/core/finding';
import { line, ORIGIN, point, type Point } from '@/core/curve';
import { radiansOf, turn, type Turn } from '@/core/number';
import { alongTurn } from '@/core/symmetry';
import { arcAbout, polygonOf, reflected, type Maker } from './construction';

export type RayParams = {
  readonly reach: number;
  readonly by: 'angle' | 'width';
  readonly angle: Turn;
  readonly width: number;
  readonly rim: 'flat' | 'round' | 'pointed';
  readonly point: number;
};

/** Where the sides end on the right: at the rim, or where the point begins. */
function corner({ reach, by, angle, width, rim, point: tip }: RayParams): Point {
  const level = rim === 'pointed' ? reach - tip : reach;
  if (by === 'angle') {
    const half = turn(angle.num, 2 * angle.den);
    return alongTurn(half, rim === 'round' ? reach : level / Math.cos(radiansOf(half)));
  }
  return point(width / 2, rim === 'round' ? -Math.sqrt(reach * reach - (width * width) / 4) : -level);
}

/**
 * A ray: its apex exactly in its origin, two straight sides, and a rim that is flat, round about the apex, or
 * pointed. By its angle a, the flat rim is 2 r tan(a/2) wide, the round one has the chord 2 r sin(a/2) (plane
 * trigonometry).
 */
export const ray: Maker<RayParams> = {
  name: 'Ray',
  fields: [
    { key: 'reach', label: 'Reach', type: 'length' },
    {
      key: 'by',
      label: 'Made from',
      type: 'choice',
      choices: [
        ['angle', 'Its angle'],
        ['width', 'Rim width'],
      ],
    },
    { key: 'angle', label: 'Angle', type: 'turn', when: ({ by }) => by === 'angle' },
    { key: 'width', label: 'Rim width', type: 'length', when: ({ by }) => by === 'width' },
    {
      key: 'rim',
      label: 'Rim',
      type: 'choice',
      choices: [
        ['flat', 'Flat'],
        ['round', 'Round'],
        ['pointed', 'Pointed'],
      ],
    },
    { key: 'point', label: 'Point', type: 'length', when: ({ rim }) => rim === 'pointed' },
  ],
  start: { reach: 70, by: 'angle', angle: turn(1, 30), width: 15, rim: 'flat', point: 12 },
  problem: ({ reach, by, angle, width, rim, point: tip }) => {
    if (!(reach > 0)) return finding('ray.reach');
    if (by === 'angle' && !(angle.num > 0 && 2 * angle.num < angle.den)) return finding('ray.angle');
    if (by === 'width' && !(width > 0)) return finding('ray.width');
    if (by === 'width' && rim === 'round' && !(width < 2 * reach)) return finding('ray.rim', 2 * reach);
    if (rim === 'pointed' && !(tip > 0 && tip < reach)) return finding('ray.tip', reach);
    return null;
  },
  paths: (params) => {
    const right = corner(params);
    const left = reflected(right);
    if (params.rim === 'flat') return [polygonOf([ORIGIN, left, right])];
    if (params.rim === 'pointed') return [polygonOf([ORIGIN, left, point(0, -params.reach), right])];
    const rim = arcAbout(left, right, ORIGIN, params.reach);
    return [{ closed: true, segments: [line(ORIGIN, left), rim, line(right, ORIGIN)] }];
  },
  extent: ({ reach }) => reach,
  // Half a step wide, so that as much is left free between rays.
  inFold: (params, fold) => ({ ...params, angle: turn(1, 2 * fold) }),
  reached: (params, reach) => ({
    ...params,
    reach,
    point: Math.min(params.point, reach * 0.9),
    width: params.rim === 'round' ? Math.min(params.width, reach * 1.9) : params.width,
  }),
  grips: (params) => [
    {
      id: 'corner',
      at: corner(params),
      drag: (to) => ({ by: 'width', width: Math.max(1e-6, 2 * Math.abs(to.x)) }),
    },
  ],
  facts: (params) => {
    const { x, y } = corner(params);
    return [
      { caption: 'Width at the rim', value: 2 * x, as: 'length' },
      { caption: 'Angle', value: (2 * Math.atan2(x, -y) * 180) / Math.PI, as: 'degrees' },
    ];
  },
};
