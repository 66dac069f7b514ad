import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import {
  type Affine,
  cubic,
  line,
  mapPath,
  MIRROR,
  moveMap,
  type Path,
  type Point,
  signedArea,
  turnMap,
} from '@/core/curve';
import { circlePath } from '@/core/maker';
import { NO_TURN, turn } from '@/core/number';
import { mergeNow } from './engine';
import type { MergeOperand } from './merge';

const union = (operands: readonly MergeOperand[]): number =>
  mergeNow({ op: 'union', among: 'copies', outlineOnly: true, operands }).parts.reduce(
    (sum, { turns, loops }) => sum + turns.length * signedArea(loops),
    0,
  );

const alone = (paths: readonly Path[]): MergeOperand => ({
  fold: 1,
  mirror: false,
  start: NO_TURN,
  shapes: [{ paths, rule: 'nonzero' }],
});

const at = (x: number, y: number): Point => ({ x, y });

/** A closed path over two cubics, symmetric about the upright axis, whose top is at 0, 0 and level there. */
const drop = (width: number, height: number): Path => ({
  closed: true,
  segments: [
    cubic(at(0, 0), at(width, 0), at(width, height), at(0, height)),
    cubic(at(0, height), at(-width, height), at(-width, 0), at(0, 0)),
  ],
});

const box = (width: number, height: number): Path => {
  const corners = [at(-width, -height), at(width, -height), at(width, 0), at(-width, 0)];
  return { closed: true, segments: corners.map((corner, k) => line(corner, corners[(k + 1) % 4] as Point)) };
};

describe('what touches, and does not overlap', () => {
  it('as circles on a ring has the area of all of them, for every count from 3 to 720', () => {
    // n circles of radius R sin(π/n) at the distance R touch their neighbours.
    const R = 40;
    const worst = Array.from({ length: 718 }, (_, k) => k + 3).map((fold) => {
      const r = R * Math.sin(Math.PI / fold);
      const circle = circlePath(at(0, -R), r);
      const area = union([
        { fold, mirror: false, start: NO_TURN, shapes: [{ paths: [circle], rule: 'nonzero' }] },
      ]);
      return { fold, off: Math.abs(area / (fold * Math.PI * r * r) - 1) };
    });
    expect(worst.filter(({ off }) => !(off < 1e-12))).toEqual([]);
  });

  it('and so where they are shapes of one round, and where a ray does not pass through the touch', () => {
    const R = 40;
    for (const n of [10, 12, 13, 16, 30, 97, 180]) {
      const r = R * Math.sin(Math.PI / n);
      const wanted = n * Math.PI * r * r;
      const placed = (map: Affine): Path => mapPath(circlePath(at(0, -R), r), map);
      const all = Array.from({ length: n }, (_, k) => placed(turnMap(turn(k, n))));
      expect(Math.abs(union([alone(all)]) / wanted - 1)).toBeLessThan(1e-12);
      const turned = placed(turnMap(turn(1, 3 * n)));
      const operand = {
        fold: n,
        mirror: false,
        start: NO_TURN,
        shapes: [{ paths: [turned], rule: 'nonzero' as const }],
      };
      expect(Math.abs(union([operand]) / wanted - 1)).toBeLessThan(1e-12);
    }
  });

  it('as arc and line, arc and cubic, cubic and cubic, within 1e-9, wherever they stand', () => {
    const size = fc.double({ min: 2, max: 30, noNaN: true });
    fc.assert(
      fc.property(size, size, size, fc.integer({ min: 0, max: 359 }), (a, b, c, degrees) => {
        const above = [circlePath(at(0, -a), a), mapPath(drop(b, c), { ...MIRROR, a: 1, d: -1 }), box(b, c)];
        const below = [circlePath(at(0, a), a), drop(c, b)];
        const place = (path: Path): Path =>
          mapPath(mapPath(path, moveMap(at(b, -c - 20))), turnMap(turn(degrees, 360)));
        for (const one of above)
          for (const other of below) {
            const both = [one, other].map(place);
            const wanted = both.reduce((sum, path) => sum + Math.abs(signedArea([path])), 0);
            const area = union(both.map((path) => alone([path])));
            expect(Math.abs(area / wanted - 1)).toBeLessThan(1e-9);
          }
      }),
      { numRuns: 60, examples: [[2, 2.2624358090097507, 29.96973025799549, 70]] },
    );
  });

  it('keeps a curve whole that turns back right beside where it was halved to be looked at', () => {
    const [b, c] = [2.2624358090097507, 29.96973025799549];
    const place = (path: Path): Path =>
      mapPath(mapPath(path, moveMap(at(b, -c - 20))), turnMap(turn(70, 360)));
    const both = [box(b, c), drop(c, b)];
    const { parts } = mergeNow({
      op: 'union',
      among: 'copies',
      outlineOnly: true,
      operands: both.map((path) => alone([place(path)])),
    });
    expect(parts.flatMap(({ loops }) => loops.map(({ segments }) => segments.length)).sort()).toEqual([2, 4]);
  });
});
