import { finding } from '@/core/finding';
import { line, point, type Point, type Segment } from '@/core/curve';
import { arcAbout, type Maker } from './construction';

export type RectangleParams = {
  readonly width: number;
  readonly height: number;
  readonly topLeft: number;
  readonly topRight: number;
  readonly bottomRight: number;
  readonly bottomLeft: number;
};

/** The corners by the signs of their places. */
const CORNERS: readonly (readonly [string, number, number])[] = [
  ['top left corner', -1, -1],
  ['top right corner', 1, -1],
  ['bottom right corner', 1, 1],
  ['bottom left corner', -1, 1],
];

/** A side is no shorter than this, in the figure's unit. */
const SMALLEST = 1e-6;

/** A rectangle about its middle, each corner rounded by a true arc of its own radius, or sharp. */
export const rectangle: Maker<RectangleParams> = {
  name: 'Rectangle',
  fields: [
    { key: 'width', label: 'Width', type: 'length' },
    { key: 'height', label: 'Height', type: 'length' },
    { key: 'topLeft', label: 'Top left', type: 'length', mayBeZero: true },
    { key: 'topRight', label: 'Top right', type: 'length', mayBeZero: true },
    { key: 'bottomRight', label: 'Bottom right', type: 'length', mayBeZero: true },
    { key: 'bottomLeft', label: 'Bottom left', type: 'length', mayBeZero: true },
  ],
  start: { width: 30, height: 40, topLeft: 0, topRight: 0, bottomRight: 0, bottomLeft: 0 },
  problem: ({ width, height, topLeft, topRight, bottomRight, bottomLeft }) => {
    if (!(width > 0 && height > 0)) return finding('rectangle.size');
    if (Math.min(topLeft, topRight, bottomRight, bottomLeft) < 0) return finding('rectangle.corner');
    // A hair of room, so that corners that fill a side are not refused for a rounding.
    const [wide, high] = [width * (1 + 1e-12), height * (1 + 1e-12)];
    if (Math.max(topLeft + topRight, bottomLeft + bottomRight) > wide)
      return finding('rectangle.width', width);
    return Math.max(topLeft + bottomLeft, topRight + bottomRight) > high
      ? finding('rectangle.height', height)
      : null;
  },
  paths: ({ width, height, topLeft, topRight, bottomRight, bottomLeft }) => {
    const [x, y] = [width / 2, height / 2];
    // Clockwise from the top left; each corner by the way that the sides before and after it run.
    const corners = [
      { at: point(-x, -y), r: topLeft, before: point(0, -1), after: point(1, 0) },
      { at: point(x, -y), r: topRight, before: point(1, 0), after: point(0, 1) },
      { at: point(x, y), r: bottomRight, before: point(0, 1), after: point(-1, 0) },
      { at: point(-x, y), r: bottomLeft, before: point(-1, 0), after: point(0, -1) },
    ].map(({ at, r, before, after }) => ({
      r,
      from: point(at.x - r * before.x, at.y - r * before.y),
      to: point(at.x + r * after.x, at.y + r * after.y),
      centre: point(at.x - r * before.x + r * after.x, at.y - r * before.y + r * after.y),
    }));
    const segments = corners.flatMap(({ r, from, to, centre }, k): Segment[] => {
      const next = corners[(k + 1) % 4]?.from ?? to;
      const side = next.x === to.x && next.y === to.y ? [] : [line(to, next)];
      return r > 0 ? [arcAbout(from, to, centre, r), ...side] : side;
    });
    return [{ closed: true, segments }];
  },
  extent: ({ height }) => height / 2,
  grips: ({ width, height }) =>
    CORNERS.map(([id, x, y]) => {
      const at = point((x * width) / 2, (y * height) / 2);
      // The corner across from the one that is dragged stays where it is.
      const size = (to: Point) => ({
        width: Math.max(SMALLEST, x * (to.x + at.x)),
        height: Math.max(SMALLEST, y * (to.y + at.y)),
      });
      return {
        id,
        at,
        drag: size,
        origin: (to) => point((x * size(to).width) / 2 - at.x, (y * size(to).height) / 2 - at.y),
      };
    }),
  stretched: ({ width, height, topLeft, topRight, bottomRight, bottomLeft }, across, up) => {
    const corner = Math.min(across, up);
    return {
      width: width * across,
      height: height * up,
      topLeft: topLeft * corner,
      topRight: topRight * corner,
      bottomRight: bottomRight * corner,
      bottomLeft: bottomLeft * corner,
    };
  },
};
