import { made } from '../../../tests/help/made';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { boundsOfPaths } from '@/core/curve';
import { STRAIGHT } from '@/core/derive';
import { evaluateWhole } from '@/core/figure';
import { reachOfRound } from '@/core/figure/commands';
import { checkFigure } from '@/core/format/figure';
import { pathsOfForm } from '@/core/maker';
import { allowed, madeFrom, onPage, PAGES } from './starts';
import { START_POINTS } from './startPoints';

describe('figures to begin from', () => {
  it('are twelve, and all can be drawn with any numbers that may be asked for', async () => {
    expect(START_POINTS).toHaveLength(12);
    await fc.assert(
      fc.asyncProperty(
        fc.constantFrom(...START_POINTS),
        fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 5, maxLength: 5 }),
        async (point, shares) => {
          const numbers = Object.fromEntries(
            point.fields.map(({ key, least, most }, k) => [
              key,
              least + shares[k]! * Math.min(40, most - least),
            ]),
          );
          const figure = made(checkFigure(madeFrom(point, numbers, 'Any')));
          // Merges of many copies take long, and are tried elsewhere.
          if (figure.rounds.every(({ merge, rule }) => !merge || rule.fold < 12))
            expect((await evaluateWhole(figure)).layers.length).toBeGreaterThan(0);
          const reach = Math.max(...figure.rounds.map((round) => reachOfRound(round, STRAIGHT)?.outer ?? 0));
          expect(reach).toBeGreaterThan(10);
        },
      ),
      { numRuns: 120 },
    );
  });

  it('take numbers within their bounds, counts as whole ones', () => {
    const burst = START_POINTS.find(({ id }) => id === 'burst')!;
    expect(allowed(burst, { fold: 1e9, reach: -4, share: NaN })).toEqual({ fold: 120, reach: 20, share: 10 });
    expect(allowed(burst, { fold: 7.6 })).toMatchObject({ fold: 8, share: 50 });
  });

  it('keep their proportions on every page', () => {
    const crown = madeFrom(
      START_POINTS.find(({ id }) => id === 'crown')!,
      {},
      'Crown',
    );
    const share = (figure: typeof crown): number => {
      const { width, height } = figure.page;
      const [round] = figure.rounds;
      const box = boundsOfPaths(round!.shapes.flatMap(({ form }) => pathsOfForm(form, STRAIGHT)));
      return -box.top / Math.min(width, height);
    };
    for (const { id, width, height, unit } of PAGES) {
      const figure = made(checkFigure(onPage(crown, id)));
      expect([figure.page.width, figure.page.height, figure.page.unit]).toEqual([width, height, unit]);
      expect(share(figure)).toBeCloseTo(share(crown), 9);
    }
  });
});
