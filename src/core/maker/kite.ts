import { finding } from '@/core/finding';
import { ORIGIN, point } from '@/core/curve';
import { polygonOf, reflected, type Maker } from './construction';

export type KiteParams = { readonly length: number; readonly width: number; readonly widest: number };

/** A kite: four straight sides, two and two alike; its widest place stands `widest` above its base, the origin. */
export const kite: Maker<KiteParams> = {
  name: 'Kite',
  fields: [
    { key: 'length', label: 'Length', type: 'length' },
    { key: 'width', label: 'Width', type: 'length' },
    { key: 'widest', label: 'Widest at', type: 'length' },
  ],
  start: { length: 40, width: 16, widest: 26 },
  problem: ({ length, width, widest }) => {
    if (!(length > 0 && width > 0)) return finding('kite.size');
    return widest > 0 && widest < length ? null : finding('kite.widest', length);
  },
  widened: (params, factor) => ({ ...params, width: params.width * factor }),
  paths: ({ length, width, widest }) => {
    const right = point(width / 2, -widest);
    return [polygonOf([ORIGIN, reflected(right), point(0, -length), right])];
  },
  extent: ({ length }) => length,
  grips: ({ length, width, widest }) => [
    {
      id: 'side',
      at: point(width / 2, -widest),
      drag: (to) => ({
        width: Math.max(1e-6, 2 * Math.abs(to.x)),
        widest: Math.min(0.999 * length, Math.max(0.001 * length, -to.y)),
      }),
    },
  ],
};
