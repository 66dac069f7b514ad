import type { Paint } from '@/core/scene';
import { paintsOf } from './cellPaints';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { disc, withForms } from '../../../tests/help/figures';
import { addShapes, reorderShapes, removeShapes, setFold, setMerge } from './commands';
import type { Figure } from './model';
import { newShape, START_PAINT } from './start';
import { patchBetween, patched, patchSteps, wholeSteps } from './patches';

const json = fc.object({
  maxDepth: 4,
  // No words that every object has; immer refuses those.
  key: fc.stringMatching(/^[a-z]{1,6}$/),
  values: [fc.integer(), fc.string(), fc.boolean(), fc.constant(null)],
});
const list = fc.array(
  fc.oneof(fc.integer(), fc.record({ id: fc.integer({ min: 0, max: 9 }), x: fc.integer() })),
  {
    maxLength: 30,
  },
);
const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

describe('patches', () => {
  it('make of any value any other, through a file too', () => {
    fc.assert(
      fc.property(fc.tuple(json, list), fc.tuple(json, list), ([a, m], [b, n]) => {
        const [before, after] = [plain({ a, list: m }), plain({ a: b, list: n })];
        const kept = JSON.stringify(before);
        expect(patched(before, plain(patchBetween(before, after)))).toEqual(after);
        expect(JSON.stringify(before)).toBe(kept);
        expect(patchBetween(before, plain(before))).toEqual([]);
      }),
    );
  });

  it('say what was done and no more, and leave the rest the same objects', () => {
    const figure = withForms(disc(0, -30, 5), disc(9, -30, 5), disc(0, -60, 5));
    expect(patchBetween(figure, setFold(figure, 'r', 12))).toEqual([
      { op: 'replace', path: ['rounds', 0, 'rule', 'fold'], value: 12 },
    ]);
    const without = removeShapes(figure, 'r', new Set(['s1']));
    const patch = patchBetween(figure, without);
    expect(patch).toEqual([{ op: 'remove', path: ['rounds', 0, 'shapes', 1] }]);
    const made = patched(figure, patch);
    expect(made).toEqual(without);
    expect(made.rounds[0]!.shapes[1]).toBe(figure.rounds[0]!.shapes[2]);
    const moved = reorderShapes(figure, 'r', new Set(['s0']), 'front');
    expect(patched(figure, patchBetween(figure, moved))).toEqual(moved);
  });

  it('of one cell more among very many that are coloured are small', () => {
    const divided = setMerge(withForms(disc(0, -30, 5)), 'r', 'divide');
    const coloured = (count: number): Figure => {
      const paints = paintsOf(
        Array.from({ length: count }, (_, k): [string, Paint] => [
          `cell-${k % 100}@${k}`,
          { fill: `#${(k % 4096).toString(16).padStart(6, '0')}`, stroke: null },
        ]),
      );
      const [round] = divided.rounds;
      const merge = { ...round!.merge!, cells: { frame: false, fused: [], removed: [], paints } };
      return { ...divided, rounds: [{ ...round!, merge }] };
    };
    const patch = patchBetween(coloured(20_000), coloured(20_001));
    expect(JSON.stringify(patch).length).toBeLessThan(200);
    expect(patched(coloured(20_000), patch)).toEqual(coloured(20_001));
  });

  it('of steps in a row give back each of them', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 40 }), { minLength: 1, maxLength: 8 }),
        fc.boolean(),
        (folds, begins) => {
          let figure = withForms(disc(0, -30, 5));
          const before = begins ? figure : null;
          const steps = folds.map((fold, k) => {
            figure = addShapes(setFold(figure, 'r', fold), 'r', [
              newShape(`n${k}`, 'N', disc(k, -9, 2), START_PAINT),
            ]);
            return { position: k + 1, label: `${fold}`, figure };
          });
          const stored = plain(patchSteps(steps, before));
          expect(stored[0]!.figure === undefined).toBe(begins);
          expect(wholeSteps(stored, before)).toEqual(steps);
        },
      ),
    );
    expect(() => wholeSteps([{ position: 3, label: 'x', patch: [] }])).toThrow('nothing to begin from');
  });
});
