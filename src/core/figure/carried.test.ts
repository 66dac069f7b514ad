import { STRAIGHT } from '@/core/derive';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { disc, withForms } from '../../../tests/help/figures';
import { applyTo, distance, type Point } from '@/core/curve';
import { type Transform, transformMap } from '@/core/maker';
import { turnFromDegrees } from '@/core/number';
import { isGradient } from '@/core/paint';
import type { Gradient } from '@/core/scene';
import { moveRoundOut, moveShapes, roundOf, scaleRoundReach, setFill, transformShapes } from './commands';
import type { Figure } from './model';

const gradient = (spread: Gradient['spread']): Gradient => ({
  kind: 'linear',
  spread,
  from: { x: -3, y: -40 },
  to: { x: 5, y: -20 },
  stops: [
    { at: 0, colour: '#000000' },
    { at: 1, colour: '#ffffff' },
  ],
});

/** Two circles of one round with a gradient over both. */
function circles(spread: Gradient['spread']): Figure {
  const figure = withForms(disc(0, -30, 8), disc(0, -50, 8));
  const shapeIds = new Set(roundOf(figure, 'r').shapes.map(({ id }) => id));
  return setFill(figure, { of: 'shapes', roundId: 'r', shapeIds }, gradient(spread));
}

const idsOf = (figure: Figure): string[] => roundOf(figure, 'r').shapes.map(({ id }) => id);

const runsOf = (figure: Figure): Pick<Gradient, 'from' | 'to' | 'spread'>[] =>
  roundOf(figure, 'r').shapes.map(({ paint: { fill } }) => {
    if (!isGradient(fill)) throw new Error('The fill is a gradient.');
    const { from, to, spread } = fill;
    return { from, to, spread };
  });

const START = { from: { x: -3, y: -40 }, to: { x: 5, y: -20 } };
const MOVED = { from: { x: -3, y: -50 }, to: { x: 5, y: -30 } };

/** How far a point is on the way from start to end (SVG 2, section 14.2.2). */
const shareOn = ({ from, to }: Pick<Gradient, 'from' | 'to'>, p: Point): number =>
  ((p.x - from.x) * (to.x - from.x) + (p.y - from.y) * (to.y - from.y)) / distance(from, to) ** 2;

describe('a gradient on shapes that change their place', () => {
  it('goes with each of a selection, and with the motif where all of it goes', () => {
    const by = { x: 0, y: -10 };
    const one = (spread: Gradient['spread']) => {
      const figure = circles(spread);
      return runsOf(moveShapes(figure, 'r', new Set(idsOf(figure).slice(0, 1)), by));
    };
    expect(one('selection')).toMatchObject([{ ...MOVED, spread: 'selection' }, START]);
    expect(one('copy')).toMatchObject([START, START]);
    for (const spread of ['selection', 'copy'] as const) {
      const figure = circles(spread);
      expect(runsOf(moveShapes(figure, 'r', new Set(idsOf(figure)), by))).toMatchObject([MOVED, MOVED]);
      expect(runsOf(moveRoundOut(figure, 'r', 10))).toMatchObject([
        { ...MOVED, spread },
        { ...MOVED, spread },
      ]);
    }
  });

  it('stays where it covers the round, the page, or each cell by itself', () => {
    for (const spread of ['round', 'page', 'cell'] as const)
      expect(runsOf(moveRoundOut(circles(spread), 'r', 10))).toMatchObject([START, START]);
  });

  it('is scaled with the reach of its round', () => {
    // From 22 to 58 it reaches; its far end comes to 94, twice as far from the near one.
    expect(runsOf(scaleRoundReach(circles('copy'), 'r', 'outer', 94, STRAIGHT))).toMatchObject([
      { from: { x: -6, y: -58 }, to: { x: 10, y: -18 } },
      { from: { x: -6, y: -58 }, to: { x: 10, y: -18 } },
    ]);
  });

  it('is turned, leaned, reflected as often as its shape is', () => {
    const about = { x: 1, y: -7 };
    const transforms: Transform[] = [
      { kind: 'rotate', by: turnFromDegrees(30), about },
      { kind: 'shear', by: turnFromDegrees(20), about },
      { kind: 'reflect', direction: turnFromDegrees(10), about },
      { kind: 'scale', x: 2, y: 0.5, about },
    ];
    fc.assert(
      fc.property(fc.constantFrom(...transforms), fc.integer({ min: 1, max: 5 }), (t, times) => {
        const figure = circles('selection');
        const ids = new Set(idsOf(figure).slice(0, 1));
        const made = transformShapes(
          figure,
          'r',
          ids,
          t,
          { copy: false, times, newId: () => 'new' },
          STRAIGHT,
        );
        const map = transformMap(t);
        const [run] = runsOf(made.figure);
        // Each point of the shape has after it the colour that it had before.
        for (const p of [
          { x: -3, y: -40 },
          { x: 5, y: -20 },
          { x: 4, y: -55 },
        ]) {
          let image = p;
          for (let k = 0; k < times; k += 1) image = applyTo(map, image);
          expect(shareOn(run!, image)).toBeCloseTo(shareOn(START, p), 6);
        }
      }),
    );
  });
});
