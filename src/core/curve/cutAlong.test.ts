import { describe, expect, it } from 'vitest';

import { circle } from '../../../tests/help/motifs';
import { dashesOf, pieceAlong } from './cutAlong';
import { pathLength } from './length';
import { cubic, line } from './segment';

const bent = {
  closed: false,
  segments: [
    line({ x: 0, y: 0 }, { x: 10, y: 0 }),
    cubic({ x: 10, y: 0 }, { x: 20, y: 0 }, { x: 20, y: 10 }, { x: 10, y: 10 }),
  ],
};

describe('pieces of a path', () => {
  it('are as long as asked, over nodes too', () => {
    const whole = pathLength(bent);
    expect(pathLength(pieceAlong(bent, 3, 14))).toBeCloseTo(11, 8);
    expect(pathLength(pieceAlong(bent, -5, whole + 5))).toBeCloseTo(whole, 8);
    expect(pieceAlong(bent, 3, 14).segments[0]?.from).toEqual({ x: 3, y: 0 });
    expect(pieceAlong(bent, whole + 1, whole + 2).segments).toEqual([]);
  });

  it('as dashes have the pattern’s lengths, an odd list taken twice', () => {
    const straight = { closed: false, segments: [line({ x: 0, y: 0 }, { x: 20, y: 0 })] };
    const lengths = (pattern: number[]): number[] => dashesOf(straight, pattern).map(pathLength);
    expect(lengths([4, 6]).map((each) => Math.round(each * 1e9) / 1e9)).toEqual([4, 4]);
    // 3 drawn, 2 left out, 1 drawn, 3 left out, 2 drawn, 1 left out: SVG 2, "stroke-dasharray".
    expect(lengths([3, 2, 1]).map((each) => Math.round(each * 1e9) / 1e9)).toEqual([3, 1, 2, 3, 1]);
    expect(lengths([])).toEqual([20]);
    expect(lengths([0, 5])).toEqual([]);
  });

  it('of a circle stay arcs', () => {
    const dashes = dashesOf(circle(0, 0, 10), [5, 5]);
    expect(dashes.flatMap(({ segments }) => segments).every(({ kind }) => kind === 'arc')).toBe(true);
    expect(dashes).toHaveLength(7);
  });
});
