import { describe, expect, it } from 'vitest';

import { newFigure } from '@/core/figure';
import { turn } from '@/core/number';
import { pageCurvesOf } from './snapCurves';

describe('the page’s edges on the Bench', () => {
  it('stand as the page does to the copy that is upright, with the centre where it is', () => {
    const page = { ...newFigure('P', 'r').page, width: 100, height: 60, centre: { x: 10, y: 0 } };
    const upright = pageCurvesOf(page, turn(0)).map(({ segment }) => segment.from);
    expect(upright).toEqual([
      { x: -60, y: -30 },
      { x: 40, y: -30 },
      { x: 40, y: 30 },
      { x: -60, y: 30 },
    ]);
    // A first copy that stands a quarter turn on sees the page turned back by as much.
    const [corner] = pageCurvesOf(page, turn(1, 4)).map(({ segment }) => segment.from);
    expect(corner!.x).toBeCloseTo(-30, 9);
    expect(corner!.y).toBeCloseTo(60, 9);
  });
});
