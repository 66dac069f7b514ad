import {
  brushNodes,
  type Contour,
  contoursOfPaths,
  distance,
  type HandPoint,
  lengthUntil,
  nearestOnPath,
  nodesOfContours,
  pathLength,
  pathOfNodes,
  type Point,
  stationsAlong,
} from '@/core/curve';
import { finding } from '@/core/finding';
import { remembered } from '../remembered';
import type { Maker } from './construction';

export type HandParams = {
  /** What the hand drew: one open contour of its points. */
  readonly spine: readonly Contour[];
  /** The pen's pressure at each of them, 0 to 1; 0.5 for a mouse. */
  readonly pressures: readonly number[];
  readonly width: number;
  /** How much of the width follows the pressure, or the speed where that is the same all along; 0 to 1. */
  readonly thinning: number;
  /** Length over which both ends run out to a point. */
  readonly taper: number;
  /** How far the outline may be from what the brush covers. */
  readonly smoothing: number;
};

const MOST_POINTS = 4000;

const pointsOf = ({ spine, pressures }: HandParams): HandPoint[] =>
  nodesOfContours(spine).map(({ x, y }, k) => ({ x, y, pressure: pressures[k] ?? 0.5 }));

const outlineOf = remembered((params: HandParams) => brushNodes(pointsOf(params), params, params.smoothing));

/** The point half way along what the hand drew, and the direction across it there, as a unit vector. */
function middleOf(params: HandParams): { readonly at: Point; readonly across: Point } | null {
  const points = pointsOf(params);
  const k = Math.floor(points.length / 2);
  const [before, at] = [points[k - 1], points[k]];
  if (!before || !at) return null;
  const length = distance(before, at);
  return length > 0 ? { at, across: { x: (at.y - before.y) / length, y: (before.x - at.x) / length } } : null;
}

/**
 * The params of a stroke, from its points; those too near one another to tell apart are left out.
 * @param points in the construction's coordinates
 */
export function handParams(
  points: readonly HandPoint[],
  brush: Omit<HandParams, 'spine' | 'pressures'>,
): HandParams {
  const near = brush.smoothing / 4;
  const kept: HandPoint[] = [];
  for (const point of points) {
    const last = kept[kept.length - 1];
    if (!last || distance(last, point) > near) kept.push(point);
  }
  const every = Math.ceil(kept.length / (MOST_POINTS - 1));
  const few = kept.filter((_, k) => k % every === 0 || k === kept.length - 1);
  return {
    ...brush,
    spine: [{ closed: false, nodes: few.map(({ x, y }) => ({ x, y, kind: 'corner' })) }],
    pressures: few.map(({ pressure }) => pressure),
  };
}

/** A stroke by hand that stays one: where the hand went, how hard it pressed, and the brush. */
export const hand: Maker<HandParams> = {
  name: 'Stroke by hand',
  fields: [
    { key: 'spine', label: 'Line', type: 'drawn' },
    { key: 'pressures', label: 'Pressures', type: 'list', most: MOST_POINTS, when: () => false },
    { key: 'width', label: 'Width', type: 'length' },
    { key: 'thinning', label: 'Pressure', type: 'share', least: 0, most: 1 },
    { key: 'taper', label: 'Taper', type: 'length', mayBeZero: true },
    { key: 'smoothing', label: 'Smoothing', type: 'length' },
  ],
  start: handParams(
    Array.from({ length: 21 }, (_, k) => ({
      x: 6 * Math.sin(k / 4),
      y: 0 - 2 * k,
      pressure: 0.3 + 0.02 * k,
    })),
    { width: 5, thinning: 0.5, taper: 0, smoothing: 0.2 },
  ),
  problem: (params) => {
    const { spine, pressures, width, taper, smoothing } = params;
    const points = nodesOfContours(spine);
    if (spine.length !== 1 || points.length < 2) return finding('hand.line');
    if (points.length !== pressures.length) return finding('hand.pressures');
    if (points.length > MOST_POINTS) return finding('hand.points', MOST_POINTS);
    if (!(width > 0)) return finding('hand.width');
    if (taper < 0) return finding('hand.taper');
    return smoothing > 0 ? null : finding('hand.smoothing');
  },
  isOnePart: true,
  widened: (params, factor) => ({ ...params, width: params.width * factor }),
  paths: (params) => {
    const nodes = outlineOf(params);
    return nodes.length < 3 ? [] : [pathOfNodes(nodes, true)];
  },
  grips: (params) => {
    const middle = middleOf(params);
    if (!middle) return [];
    const { at, across } = middle;
    const spine = pathOfNodes(
      pointsOf(params).map(({ x, y }) => ({ x, y, kind: 'corner' })),
      false,
    );
    const long = pathLength(spine);
    const end = stationsAlong(spine, [long - Math.min(params.taper, long / 2)])[0]?.point ?? at;
    return [
      {
        id: 'taper',
        at: end,
        drag: (to) => {
          const foot = nearestOnPath(spine, to);
          return { taper: foot ? long - lengthUntil(spine, foot.segment, foot.t) : params.taper };
        },
      },
      {
        id: 'width',
        at: { x: at.x + (across.x * params.width) / 2, y: at.y + (across.y * params.width) / 2 },
        drag: (to) => ({
          width: Math.max(1e-3, 2 * Math.abs((to.x - at.x) * across.x + (to.y - at.y) * across.y)),
        }),
      },
    ];
  },
  facts: (_, paths) => [
    { caption: 'Nodes', value: nodesOfContours(contoursOfPaths(paths)).length, as: 'plain' },
  ],
};
