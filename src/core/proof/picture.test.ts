import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { anyFigure, Chance } from '../../../tests/help/anyFigure';
import { counter } from '../../../tests/help/figures';
import { pixelsOf } from '../../../tests/help/pictures';
import { subjectFor } from '../../../tests/help/proofs';
import { hatchIris } from '../../../demo/pieces/hatchIris';
import { kelpCrown } from '../../../demo/pieces/kelpCrown';
import { posterWheel } from '../../../demo/pieces/posterWheel';
import { excessOf, type Figure } from '@/core/figure';
import { STRAIGHT } from '@/core/derive';
import { svgOf } from '@/core/format/svg';
import { tintOf } from '@/core/paint';
import { bordersOf } from './borders';
import { factsOf } from './facts';

const SIDE = 240;

/** Of points all over the page, the share that another renderer shows in another colour, those near an edge left out. */
async function disagreement(figure: Figure): Promise<number> {
  const { picture, scene } = await subjectFor(figure);
  const pixels = pixelsOf(svgOf(scene, { form: 'plain', decimals: 4, background: true }), SIDE);
  const { width, centre } = figure.page;
  const unit = width / SIDE;
  const near = (column: number, row: number): boolean => {
    const at = 4 * (row * SIDE + column);
    const beside = [4, -4, 4 * SIDE, -4 * SIDE];
    return beside.some((by) =>
      [0, 1, 2].some((k) => Math.abs((pixels[at + k] ?? 0) - (pixels[at + by + k] ?? 0)) > 12),
    );
  };
  let [looked, other] = [0, 0];
  for (let row = 2; row < SIDE - 2; row += 3)
    for (let column = 2; column < SIDE - 2; column += 3) {
      if (near(column, row)) continue;
      const x = (column + 0.5) * unit - width / 2 - centre.x;
      const y = (row + 0.5) * unit - width / 2 - centre.y;
      const { r, g, b } = tintOf(picture.colourAt(x, y));
      const at = 4 * (row * SIDE + column);
      looked += 1;
      if (
        Math.max(Math.abs(r - pixels[at]!), Math.abs(g - pixels[at + 1]!), Math.abs(b - pixels[at + 2]!)) > 24
      )
        other += 1;
    }
  return other / looked;
}

describe('a drawn picture that is asked point by point', () => {
  it.each([
    ['Kelp crown', kelpCrown],
    ['Hatch iris', hatchIris],
    ['Poster wheel', posterWheel],
  ])('shows what another renderer shows: %s', async (_, piece) => {
    expect(await disagreement(piece())).toBeLessThan(0.004);
  });

  it('does so for figures of any sort', async () => {
    await fc.assert(
      fc.asyncProperty(fc.integer({ min: 0, max: 1e6 }), async (seed) => {
        const figure = anyFigure(new Chance(seed), counter());
        const { width, height } = figure.page;
        // Dashes of filled shapes and miters are told roughly (see `flat`).
        const isPlain = figure.rounds.every(
          (round) => !round.relief && round.shapes.every(({ paint }) => !paint.stroke?.dashes?.length),
        );
        fc.pre(width === height && isPlain && !excessOf(figure, STRAIGHT));
        expect(await disagreement(figure)).toBeLessThan(0.02);
      }),
      { numRuns: 12 },
    );
  });

  it('has the fold of what is drawn, and asks within one sector what it is asked anywhere', async () => {
    const { picture } = await subjectFor(kelpCrown());
    expect(picture.fold).toBe(11);
    const turned = (2 * Math.PI * 5) / 11;
    for (const [x, y] of [
      [3, -40],
      [11, -70],
      [1, -20],
    ] as const) {
      const [u, v] = [
        x * Math.cos(turned) - y * Math.sin(turned),
        x * Math.sin(turned) + y * Math.cos(turned),
      ];
      expect(picture.colourAt(u, v)).toBe(picture.colourAt(x, y));
    }
  });
});

describe('what is told in numbers', () => {
  it('is as large as it is: the shares of the page come to one', async () => {
    const facts = factsOf(await subjectFor(kelpCrown()));
    const drawn = facts.shares.reduce((sum, { share }) => sum + share, 0);
    expect(drawn + facts.bare).toBeCloseTo(1, 6);
    expect(facts.fold).toBe(11);
    expect(facts.off).toBeLessThan(0.05);
    expect(Math.min(...facts.directions)).toBeGreaterThan(0.8);
    expect(
      facts.rings.every(({ shares }) => shares.reduce((sum, { share }) => sum + share, 0) < 1.0001),
    ).toBe(true);
    expect(facts.widths.some(({ line }) => line > 0)).toBe(true);
  });

  it('the borders of colours are as long as they are drawn', async () => {
    const borders = bordersOf(await subjectFor(hatchIris()));
    expect(borders.length).toBeGreaterThan(0);
    expect(borders.every(({ a, b, contrast }) => a !== b && contrast >= 1)).toBe(true);
  });
});
