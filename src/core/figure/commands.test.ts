import { made } from '../../../tests/help/made';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { anyFigure, Chance } from '../../../tests/help/anyFigure';
import { counter } from '../../../tests/help/figures';
import { NAMES, OTHERS, step } from '../../../tests/help/steps';
import { STRAIGHT } from '@/core/derive';
import { checkFigure, writeFigure } from '@/core/format/figure';
import * as commands from './commands';
import { evaluate } from './evaluate';
import type { Figure } from './model';

function expectInOrder(figure: Figure): void {
  expect(made(checkFigure(JSON.parse(writeFigure(figure))))).toEqual(figure);
  expect(() => evaluate(figure, new Map(), STRAIGHT)).not.toThrow();
  for (const round of figure.rounds)
    for (const other of figure.rounds)
      if (round.motif !== undefined && round.motif === other.motif) {
        expect(other.shapes).toEqual(round.shapes);
        expect(other.groups).toEqual(round.groups);
      }
}

describe('commands', () => {
  it('are all tried below', () => {
    expect(NAMES).toEqual(
      Object.keys(commands)
        .filter((name) => !OTHERS.has(name))
        .sort(),
    );
  });

  it('in any order leave a figure that is valid, can be shown and saved, with linked rounds in step; and what they began with as it was', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 2 ** 31 }),
        fc.array(fc.constantFrom(...NAMES), { minLength: 8, maxLength: 25 }),
        (seed, names) => {
          const chance = new Chance(seed);
          const newId = counter();
          let figure = anyFigure(chance, newId);
          for (const name of names) {
            const before = figure;
            const kept = JSON.stringify(before);
            figure = step(before, name, chance, newId);
            // Undo gives back what was: no command changes what it was given.
            expect(JSON.stringify(before)).toBe(kept);
            try {
              expectInOrder(figure);
            } catch (error) {
              throw new Error(`After ${name}: ${error instanceof Error ? error.message : ''}`, {
                cause: error,
              });
            }
          }
        },
      ),
      // Some figures take many seconds: after half a minute those that were tried will do.
      { numRuns: 16, interruptAfterTimeLimit: 25_000 },
    );
  }, 300_000);
});
