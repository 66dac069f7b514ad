import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { evenRows } from './folds';

const SLACK = 1e-4;

describe('even rows', () => {
  it('are found whatever their fold, wherever they begin, shuffled, a little off, and with some of them missing', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 120 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        // Where all that is off were off by the same, it would be in rows of its own.
        fc.noBias(fc.infiniteStream(fc.double({ min: 0, max: 1, noNaN: true }))),
        (fold, start, chances) => {
          const chance = (): number => chances.next().value as number;
          let gone = 0;
          const slots = Array.from({ length: fold }, (_, k) => k).filter(() => {
            const isGone = fold > 5 && gone < fold / 6 && chance() < 0.15;
            if (isGone) gone += 1;
            return !isGone;
          });
          const at = slots
            .map((slot) => ({ slot, key: chance() }))
            .sort((a, b) => a.key - b.key)
            .map(({ slot }) => (start + slot / fold + (chance() - 0.5) * SLACK + 1) % 1);
          const rows = evenRows(at, SLACK);
          expect(rows.map((row) => [row.fold, row.slots.size])).toEqual([[fold, slots.length]]);
        },
      ),
      { numRuns: 200 },
    );
  });

  it('are one where they are a little off, though some of them by chance stand more evenly', () => {
    const off = [0.5, -0.5, 0.5, -0.5, 0.5].map((by, k) => (k / 6 + by * SLACK + 1) % 1);
    expect(evenRows(off, SLACK).map(({ fold, slots }) => [fold, slots.size])).toEqual([[6, 5]]);
  });

  it('of two folds are told apart, and what stands by itself is in none', () => {
    const twelve = Array.from({ length: 12 }, (_, k) => k / 12);
    const five = Array.from({ length: 5 }, (_, k) => 0.013 + k / 5);
    const rows = evenRows([...twelve, ...five, 0.377], SLACK);
    expect(rows.map(({ fold, slots }) => [fold, slots.size])).toEqual([
      [12, 12],
      [5, 5],
    ]);
    expect(new Set(rows.flatMap(({ slots }) => [...slots.values()])).has(17)).toBe(false);
  });

  it('are not seen in directions that have none', () => {
    expect(evenRows([0, 0.21], SLACK)).toEqual([]);
    expect(evenRows([0, 0.11, 0.29, 0.62, 0.83], SLACK)).toEqual([]);
    expect(evenRows([0.4], SLACK)).toEqual([]);
  });
});
