import { finding } from '@/core/finding';
import { distance, line, ORIGIN, point } from '@/core/curve';
import { arcAbout, reflected, type Maker } from './construction';

export type HeartParams = { readonly length: number; readonly width: number; readonly notch: number };

/** Radius of the lobes, and how far their centres are from the axis and from the tip. */
function lobes({ length, width, notch }: HeartParams): { r: number; aside: number; up: number } {
  const half = width / 2;
  const r = half + notch - Math.sqrt(2 * half * notch);
  return { r, aside: half - r, up: length - r };
}

/**
 * A heart: two equal circles that meet on the axis, and their outer tangents to the tip, which is the origin. With
 * half the width m = s + r and the notch n = r − √(r² − s²) below the lobes' tops, r = m + n − √(2 m n).
 */
export const heart: Maker<HeartParams> = {
  name: 'Heart',
  fields: [
    { key: 'length', label: 'Length', type: 'length' },
    { key: 'width', label: 'Width', type: 'length' },
    { key: 'notch', label: 'Notch', type: 'length' },
  ],
  start: { length: 36, width: 36, notch: 7 },
  problem: (params) => {
    const { length, width, notch } = params;
    if (!(width > 0)) return finding('heart.width');
    if (!(notch > 0 && notch <= width / 4)) return finding('heart.notch', width / 4);
    const { r, aside, up } = lobes(params);
    if (up > 0 && Math.hypot(aside, up) > r && length > r) return null;
    return finding('heart.length', r + Math.sqrt(Math.max(0, r * r - aside * aside)));
  },
  widened: (params, factor) => ({ ...params, width: params.width * factor }),
  paths: (params) => {
    const { r, aside, up } = lobes(params);
    const centre = point(aside, -up);
    const away = distance(ORIGIN, centre);
    const angle = Math.atan2(aside, up) + Math.asin(r / away);
    const along = Math.sqrt(away * away - r * r);
    const right = point(along * Math.sin(angle), -along * Math.cos(angle));
    const left = reflected(right);
    const notch = point(0, params.notch - params.length);
    return [
      {
        closed: true,
        segments: [
          line(ORIGIN, left),
          arcAbout(left, notch, reflected(centre), r),
          arcAbout(notch, right, centre, r),
          line(right, ORIGIN),
        ],
      },
    ];
  },
  extent: ({ length }) => length,
  grips: (params) => {
    const { aside, up, r } = lobes(params);
    return [
      {
        id: 'side',
        at: point(aside + r, -up),
        drag: (to) => ({
          width: Math.max(2 * Math.abs(to.x), 4 * params.notch),
        }),
      },
      {
        id: 'notch',
        at: point(0, params.notch - params.length),
        drag: (to) => ({
          notch: Math.min(params.width / 4, Math.max(1e-3 * params.width, params.length + to.y)),
        }),
      },
    ];
  },
};
