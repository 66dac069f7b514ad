import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { disc, withForms } from '../../../../tests/help/figures';
import { foundBy, mended, subjectFor } from '../../../../tests/help/proofs';
import { difference, pixelsOf } from '../../../../tests/help/pictures';
import { line } from '@/core/curve';
import { addShapes, setFold } from '@/core/figure/commands';
import { type Figure, newShape, START_PAINT } from '@/core/figure';
import { svgOf } from '@/core/format/svg';
import { formOfPaths, pathForm } from '@/core/maker';
import { CHECKS } from '.';
import { at, divided, CASES, ringPaths } from '../../../../tests/help/checkCases';

describe('each check', () => {
  it('has a case, but for two that have tests of their own', () => {
    const own = ['residual', 'alternation'];
    expect(CHECKS.map(({ id }) => id).filter((id) => !CASES[id] && !own.includes(id))).toEqual([]);
  });

  it.each(Object.entries(CASES))(
    '%s finds what is wrong, where it is, and nothing in what is right',
    async (id, each) => {
      const wrong = await foundBy(id, each.wrong(), each.limits);
      expect(wrong.length).toBeGreaterThan(0);
      for (const found of wrong) {
        expect(found.code).toBe(id);
        expect(found.sentence).toMatch(/^[A-ZΔ0-9#].*[.:!?]$/s);
        expect(found.count).toBeGreaterThan(0);
        expect(found.where.every(({ at: { x, y } }) => Number.isFinite(x) && Number.isFinite(y))).toBe(true);
      }
      expect((await foundBy(id, each.right(), each.limits)).map(({ title }) => title)).toEqual([]);
    },
  );

  const mendable = Object.entries(CASES).filter(
    ([id]) =>
      !['stacked', 'contrast', 'vision', 'gap', 'gapAtSize', 'toolWidth', 'sharpInside', 'openCuts'].includes(
        id,
      ),
  );
  it.each(mendable)('%s is taken away by its mend', async (id, each) => {
    let figure = each.wrong();
    // Each mend takes one finding away: after as many as there are all are gone.
    for (let left = 20; left > 0; left -= 1) {
      const [found] = await foundBy(id, figure, each.limits);
      if (!found) return;
      figure = await mended(figure, found.mends[0]);
    }
    expect(await foundBy(id, figure, each.limits)).toEqual([]);
  });
});

describe('what a mend leaves', () => {
  const drawn = async (figure: Figure) =>
    pixelsOf(svgOf((await subjectFor(figure)).scene, { form: 'plain', decimals: 4, background: true }), 300);

  it.each(['needlessNodes', 'idleHandles', 'specks', 'hidden', 'doubled', 'samePaint', 'slivers'])(
    'is the same picture but for what was mended: %s',
    async (id) => {
      const figure = CASES[id]!.wrong();
      const [found] = await foundBy(id, figure);
      const after = await mended(figure, found?.mends[0]);
      expect(difference(await drawn(figure), await drawn(after))).toBeLessThan(0.002);
    },
  );

  const thinLine = (x: number, y: number) =>
    newShape(
      'fault',
      'Fault',
      formOfPaths([{ closed: false, segments: [line({ x, y }, { x, y: y - 8 })] }]),
      {
        fill: null,
        stroke: { colour: '#113d4c', width: 0.2, cap: 'round', join: 'round' },
      },
    );
  const triangle = (x: number, y: number, closed: boolean) =>
    newShape('fault', 'Fault', pathForm([at(x, y), at(x + 2, y - 6), at(x - 2, y - 6)], closed), START_PAINT);
  const hole = (x: number, y: number) =>
    newShape(
      'fault',
      'Fault',
      formOfPaths(
        [...ringPaths(4, 2)].map((path) => ({
          ...path,
          segments: path.segments.map((each) =>
            line({ x: each.from.x + x, y: each.from.y + y - 4 }, { x: each.to.x + x, y: each.to.y + y - 4 }),
          ),
        })),
      ),
      START_PAINT,
    );
  /** Faults that are put in at a place of the motif, by the check that is to find them. */
  const FAULTS = {
    thin: thinLine,
    openFilled: (x: number, y: number) => triangle(x, y, false),
    doubled: (x: number, y: number) => triangle(x, y, true),
    islands: hole,
  };

  it.each(Object.keys(FAULTS) as (keyof typeof FAULTS)[])(
    'is nothing of a fault that was put in, which is found in every copy: %s',
    async (id) => {
      await fc.assert(
        fc.asyncProperty(
          fc.record({
            fold: fc.integer({ min: 3, max: 14 }),
            radius: fc.integer({ min: 30, max: 60 }),
            x: fc.integer({ min: -1, max: 1 }),
          }),
          async ({ fold, radius, x }) => {
            const sound = setFold(withForms(disc(0, -12, 2)), 'r', fold);
            const fault = FAULTS[id](x, -radius);
            const twice = id === 'doubled' ? [{ ...fault, id: 'again' }, fault] : [fault];
            const figure = addShapes(sound, 'r', twice);
            const all = await foundBy(id, figure);
            expect(all.reduce((sum, { count }) => sum + count, 0)).toBe(fold);
            for (const { where } of all)
              expect(where.every(({ at: p }) => Math.abs(Math.hypot(p.x, p.y) - radius - 4) < 8)).toBe(true);
            const after = await mended(figure, all[0]?.mends[0]);
            expect(await foundBy(id, after)).toEqual([]);
            expect(await foundBy(id, sound)).toEqual([]);
          },
        ),
        { numRuns: 5 },
      );
    },
  );
});

describe('cells that are spoilt', () => {
  it('among discs on a ring are found in every fold, and nothing of them is left', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.constantFrom('slivers', 'unpainted'),
        fc.integer({ min: 6, max: 16 }),
        fc.double({ min: 0.002, max: 0.008, noNaN: true }),
        async (id, fold, deep) => {
          // Discs that overlap by a hair, or by much; those that overlap by much have cells that nobody painted.
          const touching = 40 * Math.sin(Math.PI / fold);
          const figure = divided(id === 'slivers' ? touching + deep : touching * 1.3, fold);
          const found = await foundBy(id, figure);
          expect(found.length).toBeGreaterThan(0);
          // All copies, or the one cell about the centre.
          for (const { count } of found) expect(count === 1 || count % fold === 0).toBe(true);
          for (const { where } of found)
            for (const { at: p } of where) expect(Math.hypot(p.x, p.y)).toBeLessThan(40 + 1.3 * touching);
          let after = figure;
          for (let left = found; left.length > 0; left = await foundBy(id, after))
            after = await mended(after, left[0]?.mends[0]);
          expect(await foundBy(id, divided(touching * 0.9, fold))).toEqual([]);
        },
      ),
      { numRuns: 8 },
    );
  });
});
