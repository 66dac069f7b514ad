import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { anyPoint } from '../../../tests/help/arbitraries';
import { arcFromBulge, distance, dot, lengthOf, type Point, subtract } from '@/core/curve';
import { turnFromDegrees } from '@/core/number';
import { curveOf, SNAP_KINDS, snapAlong, type SnapTargets } from './snap';
import { alongTurn } from './wedge';

const on = new Set(SNAP_KINDS);
const disc = (x: number, y: number, r: number) =>
  [1, -1].map((way) =>
    curveOf('curve', 'Disc', arcFromBulge({ x, y: y - way * r }, { x, y: y + way * r }, 1)),
  );
const targets: SnapTargets = {
  fold: 6,
  ringStep: 10,
  nodes: [{ x: 5, y: -5 }],
  curves: disc(20, -20, 8),
  on,
};

describe('a point that is held to a direction', () => {
  it('is on it, whatever it catches, and on what it catches', () => {
    fc.assert(
      fc.property(anyPoint, anyPoint, fc.integer({ min: 0, max: 23 }), (p, from, k) => {
        const direction = alongTurn(turnFromDegrees(15 * k), 1);
        const [best] = snapAlong(p, from, direction, targets, 3);
        const at = best!.point;
        const aside = subtract(at, from);
        const foot = dot(aside, direction);
        expect(Math.abs(Math.hypot(aside.x, aside.y) - Math.abs(foot))).toBeLessThan(1e-6);
        const off = (point: Point, r: number): number => Math.abs(distance(at, point) - r);
        if (best!.caught.includes('ring')) expect(Math.abs(lengthOf(at) - best!.ring!)).toBeLessThan(1e-6);
        if (best!.caught.includes('curve')) expect(off({ x: 20, y: -20 }, 8)).toBeLessThan(1e-6);
        if (best!.caught.includes('axis')) expect(Math.abs(at.x)).toBeLessThan(1e-6);
        if (best!.caught.includes('node')) expect(off({ x: 5, y: -5 }, 0)).toBeLessThan(1e-5);
      }),
    );
  });

  it('catches a circle where the direction meets it, and says nothing of what it passes by', () => {
    const up = { x: 0, y: -1 };
    const [met] = snapAlong({ x: 21, y: -12.4 }, { x: 20, y: 40 }, up, targets, 1);
    expect(met).toMatchObject({ caught: ['curve'], what: 'Disc' });
    expect(met!.point.x).toBeCloseTo(20, 12);
    expect(met!.point.y).toBeCloseTo(-12, 12);
    // The node is near the pointer and not on the way.
    const [passed] = snapAlong(
      { x: 5.2, y: -5 },
      { x: 5.4, y: 40 },
      up,
      { ...targets, curves: [], ringStep: 1e6 },
      1,
    );
    expect(passed).toEqual({ point: { x: 5.4, y: -5 }, caught: [], ring: null });
  });
});
