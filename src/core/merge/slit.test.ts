import { STRAIGHT } from '@/core/derive';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { circle } from '../../../tests/help/motifs';
import { arcFromBulge, areOwnMirror, line, type Path, pathLength, signedArea } from '@/core/curve';
import { turn } from '@/core/number';
import { pastRays } from '@/core/symmetry';
import { mergeNow } from './engine';
import { slitPath } from './slit';
import { trimPaths } from './trim';

const trimPath = (path: Path, fold: number): readonly Path[] =>
  trimPaths([path], 'nonzero', { fold }, STRAIGHT);

describe('a slit', () => {
  it('through a circle leaves two circular segments of the area that geometry says, their arcs still arcs', () => {
    fc.assert(
      fc.property(fc.double({ min: -0.95, max: 0.95, noNaN: true }), (share) => {
        const h = 10 * share;
        const pieces = slitPath(circle(3, -4, 10), { x: 0, y: h - 4 }, { x: 5, y: h - 4 }, STRAIGHT);
        expect(pieces).toHaveLength(2);
        const angle = 2 * Math.acos(Math.abs(share));
        const small = 50 * (angle - Math.sin(angle));
        const areas = pieces.map((piece) => Math.abs(signedArea([piece]))).sort((a, b) => a - b);
        // A node within the tolerance of the line is on it: at most 1e-7 of the size times the line's length.
        expect(Math.abs(areas[0]! - small)).toBeLessThan(2e-4);
        expect(Math.abs(areas[0]! + areas[1]! - 100 * Math.PI)).toBeLessThan(2e-4);
        if (Math.abs(h) > 1e-3) expect(areas[0]! + areas[1]!).toBeCloseTo(100 * Math.PI, 6);
        for (const { segments } of pieces) expect(segments.map(({ kind }) => kind)).toContain('arc');
      }),
      { numRuns: 40 },
    );
  });

  it('along the axis leaves pieces that are each other’s reflection', () => {
    const pieces = slitPath(circle(0, -30, 8), { x: 0, y: 0 }, { x: 0, y: -9 }, STRAIGHT);
    expect(pieces).toHaveLength(2);
    expect(areOwnMirror(pieces, 1e-9)).toBe(true);
  });

  it('cuts lines where it crosses them, and leaves alone what it does not', () => {
    const path = {
      closed: false,
      segments: [line({ x: -5, y: 0 }, { x: 5, y: 0 }), arcFromBulge({ x: 5, y: 0 }, { x: -5, y: 10 }, 0.8)],
    };
    const pieces = slitPath(path, { x: 1, y: 100 }, { x: 1, y: 50 }, STRAIGHT);
    expect(pieces).toHaveLength(3);
    expect(pieces.reduce((sum, piece) => sum + pathLength(piece), 0)).toBeCloseTo(pathLength(path), 6);
    expect(slitPath(path, { x: 90, y: 0 }, { x: 90, y: 9 }, STRAIGHT)).toEqual([path]);
    const whole = circle(0, 0, 5);
    expect(slitPath(whole, { x: 9, y: 0 }, { x: 9, y: 1 }, STRAIGHT)).toEqual([whole]);
  });
});

describe('trimming to the wedge', () => {
  it('leaves of a circle on the axis what lies between the rays, its arcs still arcs', () => {
    for (const fold of [5, 12, 40]) {
      const pieces = trimPath(circle(0, -50, 20), fold);
      expect(areOwnMirror(pieces, 1e-9)).toBe(true);
      // Turned by the step, the pieces meet along the rays: the union of all is the union of all circles, if those overlap.
      const { left, right } = pastRays(pieces, { fold });
      expect(Math.max(left, right)).toBeLessThan(1e-6);
      const [piece] = pieces;
      expect(piece!.segments.map(({ kind }) => kind)).toContain('arc');
    }
    const wide = trimPath(circle(0, -50, 20), 12);
    const whole = mergeNow({
      op: 'union',
      among: 'copies',
      operands: [
        {
          fold: 12,
          mirror: false,
          start: turn(0),
          shapes: [{ paths: [circle(0, -50, 20)], rule: 'nonzero' }],
        },
      ],
    });
    expect(12 * Math.abs(signedArea(wide))).toBeCloseTo(whole.facts.area, 4);
  });

  it('cuts open paths at the rays and leaves alone what stays inside', () => {
    const across = { closed: false, segments: [line({ x: -40, y: -50 }, { x: 40, y: -50 })] };
    const [kept, ...more] = trimPath(across, 8);
    expect(more).toEqual([]);
    expect(pathLength(kept!)).toBeCloseTo(100 * Math.tan(Math.PI / 8), 6);
    const inside = circle(0, -50, 3);
    expect(trimPath(inside, 8)).toEqual([inside]);
    expect(trimPath(circle(0, 0, 9), 2)).toHaveLength(1);
  });
});
