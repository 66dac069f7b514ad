import { STRAIGHT } from '@/core/derive';
import { describe, expect, it } from 'vitest';

import { disc, withForms } from '../../../tests/help/figures';
import { circle } from '../../../tests/help/motifs';
import { contoursOfPaths, reversedPath, signedArea } from '@/core/curve';
import { band, type Form, formOfPaths } from '@/core/maker';
import { NO_TURN } from '@/core/number';
import { mergedFully, packResult, unpackResult } from '@/core/merge';
import {
  addShapes,
  roundOf,
  setFill,
  setFold,
  setMerge,
  setStroke,
  setWeaveAreas,
  setWeaveGap,
  swapCrossing,
} from './commands';
import { evaluateWhole } from './evaluateWhole';
import { mergeJobsOf, requestOf, sameJob } from './jobs';
import type { Figure } from './model';
import { figureSchema } from './schema';
import { newShape } from './start';

const lines = { of: 'shapes' as const, roundId: 'r', shapeIds: new Set(['s0']) };

/** Rings with a stroke of 2 and no fill, neighbours overlapping, woven. */
function rings(fold: number): Figure {
  const figure = setFold(withForms(disc(0, -30, 22)), 'r', fold);
  const lined = setStroke(setFill(figure, lines, null), lines, { width: 2, colour: '#aa3300' });
  return setMerge(lined, 'r', 'weave');
}

const resultOf = async (figure: Figure) =>
  mergedFully(requestOf(mergeJobsOf(figure, STRAIGHT)[0]!, {}, STRAIGHT)!, {});

describe('a woven round', () => {
  it('is drawn as bands in the colour of its lines, with what is not a line behind them', async () => {
    const figure = addShapes(rings(5), 'r', [
      newShape('d', 'Disc', disc(0, -60, 3), { fill: '#00aa33', stroke: null }),
    ]);
    const { layers } = await evaluateWhole(figure);
    expect(layers[0]?.items[0]?.paint.fill).toBe('#00aa33');
    const bands = layers.slice(1);
    expect(bands.every(({ items }) => items.every(({ paint }) => paint.fill === '#aa3300'))).toBe(true);
    const area = bands.reduce(
      (sum, { items, copies }) =>
        sum + copies.length * items.reduce((all, { paths }) => all + signedArea(paths), 0),
      0,
    );
    const full = 5 * Math.PI * (23 ** 2 - 21 ** 2);
    expect(area).toBeGreaterThan(0.7 * full);
    expect(area).toBeLessThan(full);
  });

  it('loses more to a wider gap, which cannot be none', async () => {
    const area = async (figure: Figure): Promise<number> => (await resultOf(figure)).facts.area;
    const narrow = await area(setWeaveGap(rings(6), 'r', 0.2));
    expect(await area(setWeaveGap(rings(6), 'r', 1))).toBeLessThan(narrow);
    expect(() => setWeaveGap(rings(6), 'r', 0)).toThrow(/above 0/);
  });

  it('keeps swaps by reference, and asks for another weave only where it would differ', async () => {
    const figure = rings(6);
    const { weave } = await resultOf(figure);
    const [ref] = weave!.crossings.map((crossing) => crossing.ref.split('@')[0]!);
    const swapped = swapCrossing(figure, 'r', ref!);
    expect(figureSchema.validate(swapped).error).toBeUndefined();
    expect(roundOf(swapped, 'r').merge?.weave?.swapped).toEqual([ref]);
    expect(roundOf(swapCrossing(swapped, 'r', ref!), 'r').merge?.weave?.swapped).toEqual([]);
    const same = (a: Figure, b: Figure) =>
      sameJob(mergeJobsOf(a, STRAIGHT)[0]!, mergeJobsOf(b, STRAIGHT)[0]!, STRAIGHT);
    expect(same(figure, swapped)).toBe(false);
    expect(same(figure, setStroke(figure, lines, { colour: '#123456' }))).toBe(true);
    expect(same(figure, setStroke(figure, lines, { width: 3 }))).toBe(false);
    // What was said of the weave is there again after another operation was tried.
    const back = setMerge(setMerge(swapped, 'r', 'union'), 'r', 'weave');
    expect(roundOf(back, 'r').merge?.weave?.swapped).toEqual([ref]);
  });

  it('and a divided one go to another thread and back as they are', async () => {
    for (const figure of [rings(5), setMerge(setFill(rings(5), lines, '#00aa33'), 'r', 'divide')]) {
      const result = await resultOf(figure);
      const back = unpackResult(packResult(result));
      expect(back.facts).toEqual(result.facts);
      expect(back.weave).toEqual(result.weave);
      expect(back.division).toEqual(result.division);
      if (!result.division) expect(back.parts).toEqual(result.parts);
    }
  });

  it('weaves closed bands by the line in their middle, in their own paint, and keeps out what is no band', async () => {
    // A ring given by its two outlines, a band along a circle, and a disc.
    const ring = formOfPaths([circle(0, -30, 23), reversedPath(circle(0, -30, 21))]);
    const look = { ...band.start, along: contoursOfPaths([circle(0, -30, 22)]), width: 2 };
    const along: Form = { kind: 'band', at: { x: 0, y: 0 }, rotation: NO_TURN, params: look };
    for (const form of [ring, along]) {
      const round = setFill(setFold(withForms(form, disc(0, -60, 3)), 'r', 5), lines, '#aa3300');
      const figure = setMerge(round, 'r', 'weave');
      const { weave, facts } = await resultOf(figure);
      const asLines = await resultOf(rings(5));
      expect(weave!.crossings.map(({ ref }) => ref)).toEqual(asLines.weave!.crossings.map(({ ref }) => ref));
      expect(facts.area).toBeCloseTo(asLines.facts.area, 5);
      const { layers } = await evaluateWhole(figure);
      expect(layers.slice(1).every(({ items }) => items.every(({ paint }) => paint.fill === '#aa3300'))).toBe(
        true,
      );
      // The disc lies behind them, as it is.
      expect(layers[0]?.items).toHaveLength(1);
      expect(mergeJobsOf(setWeaveAreas(figure, 'r', false), STRAIGHT)[0]!.shapeIds.size).toBe(0);
    }
  });

  it('has nothing to weave without a line', () => {
    const filled = setMerge(setFold(withForms(disc(0, -30, 10)), 'r', 4), 'r', 'weave');
    expect(mergeJobsOf(filled, STRAIGHT).map((job) => requestOf(job, {}, STRAIGHT))).toEqual([null]);
  });
});
