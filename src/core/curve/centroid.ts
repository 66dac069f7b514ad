import { boundsOfPaths } from './bounds';
import type { Path } from './path';
import type { Point } from './point';
import { partOf } from './part';
import { derivativeAt, doubleAreaUnder, pointAt, type Segment } from './segment';
import { remembered } from '../remembered';

/** Nodes and weights of the Gauss–Legendre rule of order 5 on [−1, 1] (Abramowitz and Stegun, table 25.4; from memory). */
const RULE: readonly (readonly [number, number])[] = [
  [0, 0.568888888888888888],
  [0.538469310105683091, 0.478628670499366468],
  [-0.538469310105683091, 0.478628670499366468],
  [0.906179845938663993, 0.236926885056189088],
  [-0.906179845938663993, 0.236926885056189088],
];

/** The integrals of x² dy and y² dx along a segment: exact for lines and cubics, to 1e-12 for arcs in short parts. */
function moments(segment: Segment): [number, number] {
  let [first, second] = [0, 0];
  for (const [node, weight] of RULE) {
    const t = (node + 1) / 2;
    const [p, d] = [pointAt(segment, t), derivativeAt(segment, t)];
    first += (weight / 2) * p.x * p.x * d.y;
    second += (weight / 2) * p.y * p.y * d.x;
  }
  return [first, second];
}

/**
 * The centroid of the area inside closed paths that run round it, holes the other way (Green's theorem). Null where
 * they enclose nothing.
 */
export function centroidOf(paths: readonly Path[]): Point | null {
  let [area, x, y] = [0, 0, 0];
  for (const segment of paths.flatMap(({ segments }) => segments)) {
    area += doubleAreaUnder(segment) / 2;
    const parts = segment.kind === 'arc' ? Math.max(1, Math.ceil(Math.abs(segment.sweep) / 0.3)) : 2;
    for (let k = 0; k < parts; k += 1) {
      const [first, second] = moments(partOf(segment, k / parts, (k + 1) / parts));
      x += first / 2;
      y -= second / 2;
    }
  }
  return area === 0 ? null : { x: x / area, y: y / area };
}

/** Where the middle of paths is: the centroid of what closed ones enclose, else the middle of their box. Found once for a list. */
export const middleOf = remembered((paths: readonly Path[]): Point => {
  const { left, right, top, bottom } = boundsOfPaths(paths);
  return centroidOf(paths.filter(({ closed }) => closed)) ?? { x: (left + right) / 2, y: (top + bottom) / 2 };
});
