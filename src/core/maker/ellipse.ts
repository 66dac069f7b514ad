import { arcFromBulge, mapPath, ORIGIN, type Path, point } from '@/core/curve';
import { finding } from '@/core/finding';
import type { Maker } from './construction';

export type EllipseParams = { readonly width: number; readonly height: number };

const QUARTER_BULGE = Math.tan(Math.PI / 8);

/** A circle about 0, 0 as four exact arcs from quadrant to quadrant. */
function quarters(r: number): Path {
  const [top, right, bottom, left] = [point(0, -r), point(r, 0), point(0, r), point(-r, 0)];
  const arcs = (
    [
      [top, right],
      [right, bottom],
      [bottom, left],
      [left, top],
    ] as const
  ).map(([from, to]) => {
    const arc = arcFromBulge(from, to, QUARTER_BULGE);
    return arc.kind === 'arc' ? { ...arc, centre: ORIGIN, radius: r, sweep: Math.PI / 2 } : arc;
  });
  return { closed: true, segments: arcs };
}

/** A circle that is dragged stays one. @param size across or along, from the middle */
const sized = (params: EllipseParams, side: keyof EllipseParams, size: number): Partial<EllipseParams> => {
  if (size === 0) return {};
  return params.width === params.height ? { width: 2 * size, height: 2 * size } : { [side]: 2 * size };
};

/**
 * An ellipse about its origin. A circle is four exact arcs; any other ellipse is twelve cubics within 1e-6 of its size (see
 * `cubicsOfArc`).
 */
export const ellipse: Maker<EllipseParams> = {
  name: 'Ellipse',
  originName: 'Middle',
  fields: [
    { key: 'width', label: 'Width', type: 'length' },
    { key: 'height', label: 'Height', type: 'length' },
  ],
  start: { width: 20, height: 20 },
  problem: ({ width, height }) => (width > 0 && height > 0 ? null : finding('ellipse.size')),
  paths: ({ width, height }) =>
    width === height
      ? [quarters(width / 2)]
      : [mapPath(quarters(1), { a: width / 2, b: 0, c: 0, d: height / 2, e: 0, f: 0 })],
  grips: (params) => [
    { id: 'across', at: point(params.width / 2, 0), drag: (to) => sized(params, 'width', Math.abs(to.x)) },
    { id: 'along', at: point(0, -params.height / 2), drag: (to) => sized(params, 'height', Math.abs(to.y)) },
  ],
  widened: (params, factor) => ({ ...params, width: params.width * factor }),
  stretched: ({ width, height }, across, up) => ({ width: width * across, height: height * up }),
  isWithoutCorners: true,
};
