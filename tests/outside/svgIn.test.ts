import { readFileSync } from 'node:fs';
import path from 'node:path';

import { describe, expect, it } from 'vitest';

import { evaluateWhole } from '../../src/core/figure/evaluateWhole';
import { figureOfDrawing } from '../../src/core/format/drawing/figureOfDrawing';
import { readDrawing } from '../../src/core/format/svg/read/readDrawing';
import { svgOf } from '../../src/core/format/svg/svg';
import { counter } from '../help/figures';
import { iconNames } from '../help/icons';
import { made } from '../help/made';
import { difference, pixelsOf } from '../help/pictures';

const FOLDER = path.join(import.meta.dirname, '../../node_modules/bootstrap-icons/icons');

/** Every sixth icon of an open package, about 350 of them. */
const NAMES = iconNames().filter((_, k) => k % 6 === 0);

describe('icons of an open package', () => {
  it('are the same pictures after they were read and written', async () => {
    expect(NAMES.length).toBeGreaterThan(300);
    const different: string[] = [];
    for (const name of NAMES) {
      const svg = readFileSync(path.join(FOLDER, name), 'utf8').replaceAll('currentColor', '#113d4c');
      const { figure, left } = made(figureOfDrawing(readDrawing(svg), name, counter()));
      const again = svgOf(await evaluateWhole(figure), { form: 'plain', decimals: 6, background: true });
      if (left.length > 0 || difference(pixelsOf(svg, 64), pixelsOf(again, 64)) > 0.002) different.push(name);
    }
    expect(different).toEqual([]);
  });
});
