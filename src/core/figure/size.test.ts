import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { anyFigure, Chance } from '../../../tests/help/anyFigure';
import { counter } from '../../../tests/help/figures';
import { difference, pixelsOf } from '../../../tests/help/pictures';
import { PIECES } from '../../../demo/pieces';
import { DEFAULT_SVG } from '@/core/format/svg/svg';
import { svgOf } from '@/core/format/svg';
import { LENGTH_UNITS } from '@/core/number';
import { inUnit, resized } from './commands';
import { evaluateWhole } from './evaluateWhole';
import type { Figure } from './model';

const picture = async (figure: Figure): Promise<Uint8Array> =>
  pixelsOf(svgOf(await evaluateWhole(figure), DEFAULT_SVG), 300);

describe('A figure of another size', () => {
  it.each(Object.keys(PIECES))('%s looks the same in inches', async (name) => {
    const figure = PIECES[name]!();
    expect(difference(await picture(figure), await picture(inUnit(figure, 'in')))).toBeLessThan(3e-4);
  });

  it('whatever is in it looks the same in every unit', async () => {
    await fc.assert(
      fc.asyncProperty(fc.integer(), fc.constantFrom(...LENGTH_UNITS), async (seed, unit) => {
        const figure = anyFigure(new Chance(seed), counter());
        const other = inUnit(figure, unit);
        expect(other.page.unit).toBe(unit);
        expect(difference(await picture(figure), await picture(other))).toBeLessThan(3e-4);
        expect(resized(figure, 1)).toBe(figure);
      }),
      { numRuns: 15 },
    );
  });
});
