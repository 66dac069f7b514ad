import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { canonicalCover, textRanks } from './keys';

/** All turned forms as texts, the first of them: what it means, looked at one by one. */
function leastText(cover: readonly (readonly [number, number])[], fold: number): string {
  const texts = cover
    .filter(([path]) => path === cover[0]?.[0])
    .map(([, top]) =>
      cover
        .map(([path, element]) => [path, (element + fold - top) % fold] as const)
        .sort((a, b) => a[0] - b[0] || a[1] - b[1])
        .join(' '),
    );
  return texts.sort()[0] ?? '';
}

describe('the text of a cover', () => {
  it('is the first of the texts of all its turned forms', () => {
    const anyCover = fc.integer({ min: 1, max: 130 }).chain((fold) =>
      fc.record({
        fold: fc.constant(fold),
        lists: fc.array(
          fc.oneof(
            fc.uniqueArray(fc.integer({ min: 0, max: fold - 1 }), { minLength: 1, maxLength: fold }),
            // Some that turns keep, and runs, as overlapping copies make them.
            fc.integer({ min: 1, max: fold }).map((step) => every(fold, step)),
            fc.integer({ min: 1, max: fold }).map((count) => every(fold, 1).slice(0, count)),
          ),
          { maxLength: 3 },
        ),
      }),
    );
    fc.assert(
      fc.property(anyCover, ({ fold, lists }) => {
        const cover = lists.map((list, k) => ({ path: 2 * k, elements: [...list].sort((a, b) => a - b) }));
        const pairs = cover.flatMap(({ path, elements }) => elements.map((each) => [path, each] as const));
        expect(canonicalCover(cover, fold, textRanks(fold))).toBe(leastText(pairs, fold));
      }),
    );
  });
});

const every = (fold: number, step: number): number[] =>
  Array.from({ length: Math.ceil(fold / step) }, (_, k) => k * step);
