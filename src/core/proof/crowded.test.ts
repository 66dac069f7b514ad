import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { disc, withForms } from '../../../tests/help/figures';
import { subjectFor } from '../../../tests/help/proofs';
import { polygonPath } from '@/core/curve';
import { setFold } from '@/core/figure/commands';
import { formOfPaths } from '@/core/maker';
import { crowdedIn } from './crowded';
import { seamsOf } from './seams';
import { narrowPlaces, narrowRuns } from './widths';

const size = fc.double({ min: 2, max: 30, noNaN: true });
const place = fc.record({ x: fc.integer({ min: -60, max: 60 }), y: fc.integer({ min: -70, max: -5 }) });

describe('edges near others', () => {
  it('are all where anything is narrow: what is found among them is what is found among all', async () => {
    const form = fc
      .tuple(place, size, fc.boolean(), fc.integer({ min: 3, max: 9 }))
      .map(([{ x, y }, wide, isDisc, corners]) =>
        isDisc
          ? disc(x, y, wide)
          : formOfPaths([
              polygonPath(
                Array.from({ length: corners }, (_, k) => ({
                  x: x + (wide * Math.sin((2 * Math.PI * k) / corners)) / 2,
                  y: y - (wide * Math.cos((2 * Math.PI * k) / corners)) / 2,
                })),
              ),
            ]),
      );
    await fc.assert(
      fc.asyncProperty(
        fc.array(form, { minLength: 2, maxLength: 5 }),
        fc.constantFrom(1, 3, 8),
        fc.constantFrom(0.25, 1, 4),
        async (forms, fold, width) => {
          const { picture } = await subjectFor(setFold(withForms(...forms), 'r', fold));
          const runs = (isAt?: (x: number, y: number) => boolean) =>
            narrowRuns(narrowPlaces(picture, seamsOf(picture, width / 3, isAt), width), width, picture).map(
              ({ width: own, x, y }) => [own, x, y].map((each) => each.toFixed(6)),
            );
          expect(runs(crowdedIn(picture, width).isAt)).toEqual(runs());
        },
      ),
      { numRuns: 60 },
    );
  });

  it('are none where edges stand apart, and few where they meet at one place', async () => {
    const apart = await subjectFor(setFold(withForms(disc(0, -60, 10)), 'r', 3));
    // But for where its outline begins, and where the sector ends, which no stretch goes across.
    expect(crowdedIn(apart.picture, 1).length).toBeLessThan(0.6 * apart.picture.length);
    expect(crowdedIn(apart.picture, 1).isAt(10, -60)).toBe(false);
    const beside = await subjectFor(setFold(withForms(disc(-10.1, -40, 10), disc(10.1, -40, 10)), 'r', 1));
    const { length, isAt } = crowdedIn(beside.picture, 0.5);
    expect(length).toBeGreaterThan(0);
    expect(length).toBeLessThan(0.4 * beside.picture.length);
    expect(isAt(0.1, -40)).toBe(true);
  });
});
