import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { boxScale } from './boxScale';
import { dot, subtract } from './point';

const about = { x: -10, y: -4 };
const held = { x: 10, y: 4 };

describe('a box that is scaled by a handle', () => {
  it('has the handle where it is dragged, as long as that is no smaller than a hundredth', () => {
    const to = fc.record({ x: fc.integer({ min: -5, max: 60 }), y: fc.integer({ min: 0, max: 60 }) });
    fc.assert(
      fc.property(to, (at) => {
        const { x, y } = boxScale({ x: 1, y: 1 }, held, at, about, false);
        expect(about.x + 20 * x).toBeCloseTo(at.x, 9);
        expect(about.y + 8 * y).toBeCloseTo(at.y, 9);
        // Evenly it is the nearest place on the diagonal.
        const even = boxScale({ x: 1, y: 1 }, held, at, about, true);
        const foot = { x: about.x + 20 * even.x, y: about.y + 8 * even.y };
        expect(dot(subtract(at, foot), subtract(held, about))).toBeCloseTo(0, 6);
      }),
    );
  });

  it('keeps the way along a side, unless it goes evenly, and never turns over', () => {
    expect(boxScale({ x: 1, y: 0 }, held, { x: 30, y: 9 }, about, false)).toEqual({ x: 2, y: 1 });
    expect(boxScale({ x: 1, y: 0 }, held, { x: 30, y: 9 }, about, true)).toEqual({ x: 2, y: 2 });
    expect(boxScale({ x: 1, y: 0 }, held, { x: -30, y: 0 }, about, false).x).toBeGreaterThan(0);
    expect(boxScale({ x: 1, y: 0 }, about, { x: 3, y: 0 }, about, false)).toEqual({ x: 1, y: 1 });
  });
});
