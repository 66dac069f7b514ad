import { readFileSync } from 'node:fs';
import path from 'node:path';

import { describe, expect, it } from 'vitest';

import { type Path, signedArea } from '@/core/curve';
import { evaluateWhole } from '@/core/figure';
import { figureOfDrawing, shapesOfNodes } from '@/core/format/drawing';
import { dxfOf } from '@/core/format/dxf/dxf';
import { outlinesOf } from '@/core/format/dxf';
import { readDxf } from '@/core/format/dxf/read';
import { readDrawing } from '@/core/format/svg/read/readDrawing';
import { svgOf } from '@/core/format/svg';
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

  it('have the same loops, of the same areas, after they went through a DXF', async () => {
    const loops = (paths: readonly Path[]): number[] =>
      paths
        .filter(({ closed }) => closed)
        .map((each) => Math.abs(signedArea([each])))
        .filter((area) => area > 1e-6)
        .sort((a, b) => a - b);
    const different: string[] = [];
    for (const name of NAMES) {
      const svg = readFileSync(path.join(FOLDER, name), 'utf8').replaceAll('currentColor', '#113d4c');
      const { figure } = made(figureOfDrawing(readDrawing(svg), name, counter()));
      const scene = await evaluateWhole(figure);
      const options = { curves: 'splines', tolerance: 10, layers: 'round', lines: 'middle' } as const;
      const read = made(readDxf(dxfOf(scene, options, new Map())));
      // The drawing is in millimetres, what is read of it in pixels, 96 an inch; the page is in pixels.
      const [before, after] = [
        loops(outlinesOf(scene).map((each) => each.path)),
        loops(shapesOfNodes(read.nodes).flatMap(({ paths }) => paths)),
      ];
      const isSame =
        before.length === after.length &&
        before.every((area, k) => Math.abs(area - after[k]!) <= 1e-6 * Math.max(1, area));
      if (!isSame) different.push(name);
    }
    // Where a line ends on a loop of curves a reader cannot know which ends belong together.
    expect(different.length).toBeLessThanOrEqual(NAMES.length / 100);
  });
});
