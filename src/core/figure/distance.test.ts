import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { withForms } from '../../../tests/help/figures';
import { STRAIGHT } from '@/core/derive';
import { type Form, petalOfSize } from '@/core/maker';
import { NO_TURN } from '@/core/number';
import { addRound, addShapes, moveRoundOut, setFold } from './commands';
import { gapOfRounds, touchingMoves } from './distance';
import type { Figure } from './model';
import { newRound, newShape, START_PAINT } from './start';

const petal = (base: number, length: number): Form => ({
  kind: 'petal',
  at: { x: 0, y: -base },
  rotation: NO_TURN,
  params: petalOfSize(length, 0.42 * length),
});

/** Two rounds of petals, tip to foot on one axis. */
const twoRounds = (outer: number, inner: number, length: number): Figure =>
  addShapes(addRound(setFold(withForms(petal(outer, 18)), 'r', 8), newRound('s', 'Inner', 8)), 's', [
    newShape('t', 'Petal', petal(inner, length), START_PAINT),
  ]);

describe('a round that is moved until it touches another', () => {
  it('touches it to the last digits and does not cross it, wherever they are', () => {
    const place = (min: number, max: number) => fc.double({ min, max, noNaN: true });
    fc.assert(
      fc.property(place(36, 60), place(10, 16), place(8, 18), (outer, inner, length) => {
        const figure = twoRounds(outer, inner, length);
        const [by] = touchingMoves(figure, figure.rounds[1]!, STRAIGHT);
        expect(by).toBeDefined();
        const moved = moveRoundOut(figure, 's', by!);
        const gap = gapOfRounds(moved.rounds[1]!, moved.rounds[0]!, STRAIGHT);
        expect(gap).toBeGreaterThanOrEqual(0);
        expect(gap).toBeLessThan(1e-7);
      }),
      { numRuns: 60 },
    );
  });
});
