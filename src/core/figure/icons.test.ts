import { STRAIGHT } from '@/core/derive';
import { describe, expect, it } from 'vitest';

import { iconMotif, iconNames } from '../../../tests/help/icons';
import { withForms } from '../../../tests/help/figures';
import { difference, pixelsOf } from '../../../tests/help/pictures';
import { DEFAULT_SVG } from '@/core/format/svg/svg';
import { svgOf } from '@/core/format/svg';
import { formOfPaths } from '@/core/maker';
import { setFold, setMerge } from './commands';
import { evaluate } from './evaluate';
import { evaluateWhole } from './evaluateWhole';
import type { Figure } from './model';

/** A figure whose motif is an icon. */
function iconFigure(name: string, fold: number): Figure {
  const motif = iconMotif(name);
  const figure = setFold(withForms(...motif.map(({ paths }) => formOfPaths(paths))), 'r', fold);
  return {
    ...figure,
    page: { ...figure.page, width: 64, height: 64 },
    rounds: figure.rounds.map((round) => ({
      ...round,
      shapes: round.shapes.map((shape, k) => ({ ...shape, rule: motif[k]?.rule ?? shape.rule })),
    })),
  };
}

describe('merged and unmerged', () => {
  it('are the same picture in an independent renderer, over icons turned about the centre', async () => {
    // One icon in fifty of the package, at folds at which neighbours touch, overlap and do neither.
    const names = iconNames().filter((_, k) => k % 50 === 7);
    expect(names.length).toBeGreaterThan(30);
    for (const [k, name] of names.entries()) {
      const fold = [3, 5, 8, 12][k % 4] ?? 5;
      const figure = iconFigure(name, fold);
      const [copies, union, cells] = [
        evaluate(figure, new Map(), STRAIGHT),
        await evaluateWhole(setMerge(figure, 'r', 'union')),
        await evaluateWhole(setMerge(figure, 'r', 'divide')),
      ].map((scene) => pixelsOf(svgOf(scene, DEFAULT_SVG), 256));
      expect(difference(copies!, union!), `${name}, union at fold ${fold}`).toBeLessThan(0.001);
      // Between cells that share a border the renderer leaves a hair of the page, less than its threshold.
      expect(difference(copies!, cells!), `${name}, cells at fold ${fold}`).toBeLessThan(0.01);
    }
  });
});
