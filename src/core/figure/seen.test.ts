import { describe, expect, it } from 'vitest';

import { disc, withForms } from '../../../tests/help/figures';
import { boundsOfPaths, signedArea } from '@/core/curve';
import { STRAIGHT } from '@/core/derive';
import { neighbourGap, pathsOfForm } from '@/core/maker';
import { alignShapes, combineShapes, roundOf, setFold, setEdge, setShapeEdge, showShapes } from './commands';
import { gapOfRound } from './distance';
import type { Figure } from './model';
import { reachOfMotif } from './reach';
import { figureSchema } from './schema';
import { holdsCentre, seenPaths, seenShapes } from './seen';
import { endsOfSpread } from './spread';

/** A disc of radius 10 at 40, less a much larger one to the side of it: what is left is its left half and less. */
function bite(): Figure {
  const figure = setFold(withForms(disc(0, -40, 10), disc(100, -40, 100)), 'r', 6);
  return combineShapes(figure, 'r', new Set(['s0', 's1']), 'subtract', () => 'g');
}

describe('what is measured of a motif', () => {
  it('is what is seen: of a combination not what it was made from', () => {
    const round = roundOf(bite(), 'r');
    expect(seenShapes(round, STRAIGHT).map(({ ids }) => ids)).toEqual([['s0', 's1']]);
    const box = boundsOfPaths(seenPaths(round, STRAIGHT));
    expect(box.right).toBeLessThan(1);
    expect(reachOfMotif(round, STRAIGHT)!.outer).toBeLessThan(51);
    // Neighbours of what is left lie apart, though those of the large disc overlap.
    expect(gapOfRound(round, STRAIGHT)!).toBeGreaterThan(0);
    const [from, to] = endsOfSpread(bite(), round, new Set(['s0', 's1']), 'linear', 'selection', STRAIGHT);
    expect([from.y, to.y]).toEqual([box.top, box.bottom]);
  });

  it('and it is put in line as one', () => {
    const aligned = alignShapes(
      bite(),
      'r',
      new Set(['s0', 's1']),
      { how: 'axis', to: 'selection' },
      STRAIGHT,
    );
    const { left, right } = boundsOfPaths(seenPaths(roundOf(aligned, 'r'), STRAIGHT));
    expect(left + right).toBeCloseTo(0, 9);
    expect(right - left).toBeCloseTo(
      (({ left: l, right: r }) => r - l)(boundsOfPaths(seenPaths(roundOf(bite(), 'r'), STRAIGHT))),
      9,
    );
  });

  it('and of what is hidden what it is made from', () => {
    const two = withForms(disc(5, -20, 3), disc(0, -40, 6));
    const hidden = showShapes(two, 'r', new Set(['s0']), false);
    const aligned = alignShapes(hidden, 'r', new Set(['s0', 's1']), { how: 'bottom', to: 'first' }, STRAIGHT);
    const bottoms = roundOf(aligned, 'r').shapes.map(
      ({ form }) => boundsOfPaths(pathsOfForm(form, STRAIGHT)).bottom,
    );
    expect(bottoms).toEqual([-17, expect.closeTo(-17, 9)]);
  });

  it('and of what is trimmed what lies within the rays', () => {
    const wide = setFold(withForms(disc(0, -20, 18)), 'r', 8);
    const trimmed = setEdge(wide, 'r', 'trim');
    const rule = roundOf(wide, 'r').rule;
    expect(neighbourGap(seenPaths(roundOf(wide, 'r'), STRAIGHT), rule)).toBeLessThan(-1);
    expect(Math.abs(neighbourGap(seenPaths(roundOf(trimmed, 'r'), STRAIGHT), rule))).toBeLessThan(1e-9);
  });
});

it('a motif holds the centre where it goes round it, not where it begins there', () => {
  expect(holdsCentre(roundOf(withForms(disc(0, -5, 10)), 'r'), STRAIGHT)).toBe(true);
  expect(holdsCentre(roundOf(withForms(disc(0, -10, 10)), 'r'), STRAIGHT)).toBe(false);
  expect(holdsCentre(roundOf(withForms(disc(0, -40, 10)), 'r'), STRAIGHT)).toBe(false);
});

describe('the edge of the wedge', () => {
  it('is a matter of each shape; the round’s is what others have', () => {
    const wide = withForms(disc(0, -40, 30), disc(0, -40, 29));
    const areaOf = (figure: Figure, id: string): number =>
      Math.abs(signedArea(seenPaths(roundOf(figure, 'r'), STRAIGHT, new Set([id]))));
    const whole = areaOf(wide, 's0');
    const one = setShapeEdge(wide, 'r', new Set(['s0']), 'trim');
    expect(areaOf(one, 's0')).toBeLessThan(whole * 0.8);
    expect(areaOf(one, 's1')).toBeCloseTo(Math.PI * 29 ** 2, 6);
    const all = setEdge(one, 'r', 'trim');
    expect(areaOf(all, 's1')).toBeLessThan(Math.PI * 29 ** 2 * 0.9);
    const but = setShapeEdge(all, 'r', new Set(['s1']), 'overlap');
    expect(areaOf(but, 's1')).toBeCloseTo(Math.PI * 29 ** 2, 6);
    expect(figureSchema.validate(but).error).toBeUndefined();
    expect(setShapeEdge(but, 'r', new Set(['s1']), null)).toEqual(all);
  });
});
