import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { bestAxis, foldShare, harmonicsOf } from './correlation';
import type { Polar } from './polar';

const SPOKES = 512;

const polarOfRows = (rows: readonly ((angle: number) => number)[]): Polar => ({
  reach: rows.length,
  rings: rows.length,
  spokes: SPOKES,
  values: Float32Array.from({ length: rows.length * SPOKES }, (_, k) =>
    (rows[Math.floor(k / SPOKES)] ?? Math.sin)((2 * Math.PI * (k % SPOKES)) / SPOKES),
  ),
  seen: new Float32Array(rows.length).fill(1),
});

const fold = fc.integer({ min: 2, max: 60 });
const share = fc.double({ min: 0, max: 1, noNaN: true });

describe('what goes round', () => {
  it('is alike with every fold that divides its own, and by chance with no other', () => {
    fc.assert(
      fc.property(fold, share, share, (n, a, b) => {
        // Two harmonics of the fold, and none of a higher one.
        const row = (angle: number): number =>
          Math.cos(n * angle + 6 * a) + (0.3 + b) * Math.sin(2 * n * angle);
        const harmonics = harmonicsOf(polarOfRows([row, (angle) => row(angle + a)]));
        for (let other = 2; other <= 60; other += 1) {
          const isPart = n % other === 0;
          if (isPart) expect(foldShare(harmonics, other)).toBeGreaterThan(0.999);
          else if (2 * n !== other) expect(foldShare(harmonics, other)).toBeLessThanOrEqual(0.9);
        }
      }),
      { numRuns: 40 },
    );
  });

  it('is its own mirror image in the axis that it was made about, to a hundredth of a step', () => {
    fc.assert(
      fc.property(fold, share, (n, at) => {
        const axis = (at * Math.PI) / n;
        const half = (angle: number): number => Math.cos(n * angle) + 0.6 * Math.cos(2 * n * angle + 0);
        const harmonics = harmonicsOf(polarOfRows([(angle) => half(angle - axis)]));
        const found = bestAxis(harmonics, n);
        expect(found.share).toBeGreaterThan(0.99);
        const step = Math.PI / n;
        const off = Math.abs(found.axis - axis) / step;
        expect(Math.min(off, 1 - off)).toBeLessThan(0.01);
      }),
      { numRuns: 40 },
    );
  });

  it('has no mirror where it leans to one side', () => {
    // Two rings, each its own mirror image, in axes that are half a step apart.
    const inner = (angle: number): number => Math.cos(6 * angle) + 0.4 * Math.cos(12 * angle);
    const outer = (angle: number): number => Math.cos(6 * angle + Math.PI / 2);
    expect(bestAxis(harmonicsOf(polarOfRows([inner, outer])), 6).share).toBeLessThan(0.8);
  });
});
