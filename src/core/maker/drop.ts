import { finding } from '@/core/finding';
import { line, ORIGIN, point } from '@/core/curve';
import { arcAbout, reflected, type Maker } from './construction';

export type DropParams = { readonly length: number; readonly width: number };

/**
 * A drop: a circle and its two tangents from the tip, which is the origin. The tangent from a point d away touches a
 * circle of radius r at √(d² − r²) from it, r/d being the sine of its angle to the axis (Euclid III.36).
 */
export const drop: Maker<DropParams> = {
  name: 'Drop',
  fields: [
    { key: 'length', label: 'Length', type: 'length' },
    { key: 'width', label: 'Width', type: 'length' },
  ],
  start: { length: 40, width: 18 },
  problem: ({ length, width }) => {
    if (!(width > 0)) return finding('drop.width');
    return length > width ? null : finding('drop.length', width);
  },
  widened: (params, factor) => ({ ...params, width: params.width * factor }),
  paths: ({ length, width }) => {
    const r = width / 2;
    const d = length - r;
    const along = Math.sqrt(d * d - r * r);
    const right = point((along * r) / d, (-along * along) / d);
    const left = reflected(right);
    return [
      {
        closed: true,
        segments: [line(ORIGIN, left), arcAbout(left, right, point(0, -d), r), line(right, ORIGIN)],
      },
    ];
  },
  extent: ({ length }) => length,
  reached: ({ width }, length) => ({ length, width: Math.min(width, 0.95 * length) }),
  grips: ({ length, width }) => [
    {
      id: 'side',
      at: point(width / 2, width / 2 - length),
      drag: (to) => ({ width: Math.min(0.999 * length, 2 * Math.abs(to.x)) }),
    },
  ],
};
