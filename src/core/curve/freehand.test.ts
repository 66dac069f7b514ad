import { describe, expect, it } from 'vitest';

import { boundsOfPaths } from './bounds';
import { brushNodes, fittedNodes, type HandPoint } from './freehand';
import { nearestOnPath } from './nearest';
import { pathOfNodes } from './nodes';
import { signedArea } from './path';

/** A wave drawn by an unsteady hand; the tremble is fixed. */
const wave = (pressure: (k: number) => number): HandPoint[] =>
  Array.from({ length: 200 }, (_, k) => ({
    x: k * 0.4 + 0.05 * Math.sin(k * 12.9),
    y: 8 * Math.sin(k / 22) + 0.05 * Math.cos(k * 7.3),
    pressure: pressure(k),
  }));

describe('freehand', () => {
  it('is fitted within its tolerance by at most a fifth of its points', () => {
    for (const tolerance of [0.15, 0.3, 1]) {
      const points = wave(() => 0.5);
      const nodes = fittedNodes(points, tolerance);
      const path = pathOfNodes(nodes, false);
      for (const p of points) expect(nearestOnPath(path, p)!.distance).toBeLessThanOrEqual(tolerance);
      expect(nodes.length).toBeLessThanOrEqual(points.length / 5);
    }
  });

  it('becomes a closed shape as wide as its brush, wider where it is pressed', () => {
    const brush = { width: 4, thinning: 0.7, taper: 6 };
    const widthAt = (points: HandPoint[], x: number): number => {
      const path = pathOfNodes(brushNodes(points, brush, 0.1), true);
      const middle = points.reduce((a, b) => (Math.abs(a.x - x) < Math.abs(b.x - x) ? a : b));
      return 2 * nearestOnPath(path, middle)!.distance;
    };
    const light = wave((k) => (k < 100 ? 0.15 : 0.9));
    expect(widthAt(light, 60)).toBeGreaterThan(2 * widthAt(light, 20));
    const nodes = brushNodes(light, brush, 0.1);
    const path = pathOfNodes(nodes, true);
    expect(nodes.length).toBeLessThan(60);
    expect(Math.abs(signedArea([path]))).toBeGreaterThan(50);
    const box = boundsOfPaths([path]);
    expect(box.right - box.left).toBeLessThan(90);
  });

  it('of nothing is nothing', () => {
    expect(fittedNodes([{ x: 1, y: 1 }], 0.1)).toEqual([]);
    expect(
      fittedNodes(
        [
          { x: 1, y: 1 },
          { x: 1, y: 1 },
        ],
        0.1,
      ),
    ).toEqual([]);
  });
});
