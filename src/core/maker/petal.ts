import { arcFromBulge, ORIGIN, point } from '@/core/curve';
import { finding } from '@/core/finding';
import type { Maker } from './construction';

/** A petal by its own length and width, or as what two equal circles share; what is not asked for follows from what is. */
export type PetalParams = {
  readonly by: 'size' | 'circles';
  readonly length: number;
  readonly width: number;
  readonly radius: number;
  readonly apart: number;
};

/**
 * Length and width of a petal, in the figure's unit. For circles of radius r with centres d apart, length
 * √(4r² − d²) and width 2r − d. Source: Weisstein, "Circle-Circle Intersection", MathWorld.
 */
const extentOf = ({ radius, apart }: Pick<PetalParams, 'radius' | 'apart'>) => ({
  length: Math.sqrt(4 * radius * radius - apart * apart),
  width: 2 * radius - apart,
});

/** The two circles of a petal: r = (l² + w²) / 4w from chord and sagitta, centres 2r − w apart. */
function circlesOf({ length, width }: Pick<PetalParams, 'length' | 'width'>) {
  const radius = (length ** 2 + width ** 2) / (4 * width);
  return { radius, apart: 2 * radius - width };
}

/** A petal by its size. */
export const petalOfSize = (length: number, width: number): PetalParams => ({
  by: 'size',
  length,
  width,
  ...circlesOf({ length, width }),
});

/** The petal that two equal circles share. */
export const petalOfCircles = (radius: number, apart: number): PetalParams => ({
  by: 'circles',
  radius,
  apart,
  ...extentOf({ radius, apart }),
});

/** A petal of another size, made from what it was made from. */
const resized = ({ by }: PetalParams, length: number, width: number): PetalParams => ({
  ...petalOfSize(length, width),
  by,
});

/** Two equal arcs from the base, its origin, to the tip straight up. */
export const petal: Maker<PetalParams> = {
  name: 'Petal',
  originName: 'Base',
  fields: [
    {
      key: 'by',
      label: 'Made from',
      type: 'choice',
      choices: [
        ['size', 'Its size'],
        ['circles', 'Two circles'],
      ],
    },
    { key: 'length', label: 'Length', type: 'length', when: ({ by }) => by === 'size' },
    { key: 'width', label: 'Width', type: 'length', when: ({ by }) => by === 'size' },
    { key: 'radius', label: 'Radius', type: 'length', mayBeZero: true, when: ({ by }) => by === 'circles' },
    { key: 'apart', label: 'Apart', type: 'length', mayBeZero: true, when: ({ by }) => by === 'circles' },
  ],
  start: petalOfSize(40, 16),
  problem: ({ by, length, width, radius, apart }) => {
    if (by === 'size') return length > 0 && width > 0 ? null : finding('petal.size');
    if (!(radius > 0)) return finding('petal.radius');
    return apart > 0 && apart < 2 * radius ? null : finding('petal.apart', 2 * radius);
  },
  completed: (params) =>
    params.by === 'size' ? { ...params, ...circlesOf(params) } : { ...params, ...extentOf(params) },
  paths: ({ length, width }) => {
    const tip = point(0, -length);
    const bulge = width / length;
    return [{ closed: true, segments: [arcFromBulge(ORIGIN, tip, bulge), arcFromBulge(tip, ORIGIN, bulge)] }];
  },
  extent: ({ length }) => length,
  reached: (params, length) => resized(params, length, params.width),
  holdsFarEnd: true,
  grips: (params) =>
    (['right', 'left'] as const).map((id) => ({
      id,
      at: point(((id === 'right' ? 1 : -1) * params.width) / 2, -params.length / 2),
      drag: (to) => (to.x === 0 ? {} : resized(params, params.length, 2 * Math.abs(to.x))),
    })),
  // Two circles have a width by how far they are apart alone.
  widened: (params, factor) =>
    params.by === 'size' ? petalOfSize(params.length, params.width * factor) : null,
  isWithoutCorners: true,
  stretched: (params, across, up) => resized(params, params.length * up, params.width * across),
};
