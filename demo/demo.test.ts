import { made } from '../tests/help/made';
import { readFileSync } from 'node:fs';
import path from 'node:path';

import { describe, expect, it } from 'vitest';

import { evaluateWhole } from '@/core/figure';
import { readFigure } from '@/core/format/figure';
import { DEFAULT_SVG } from '@/core/format/svg/svg';
import { svgOf } from '@/core/format/svg';
import { difference, pixelsOf, transformed } from '../tests/help/pictures';
import { PIECES } from './pieces';

const SIDE = 360;

describe('Tide Week', () => {
  for (const [file, build] of Object.entries(PIECES)) {
    it(`${file} is built by its script as it is in demo/data`, () => {
      const text = readFileSync(path.join(import.meta.dirname, 'data', `${file}.json`), 'utf8');
      expect(made(readFigure(text))).toEqual(build());
    });

    it(`${file} looks the same as symbols and as plain paths, and when turned by its common step`, async () => {
      const figure = { ...build(), name: 'Piece' };
      const scene = await evaluateWhole(figure);
      const options = { ...DEFAULT_SVG, background: false, title: 'Piece' };
      const compact = pixelsOf(svgOf(scene, options), SIDE);
      expect(difference(compact, pixelsOf(svgOf(scene, { ...options, form: 'plain' }), SIDE))).toBeLessThan(
        0.0005,
      );
      const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));
      const common = figure.rounds.map(({ rule }) => rule.fold).reduce(gcd);
      const around = pixelsOf(transformed(svgOf(scene, options), `rotate(${360 / common} 90 90)`), SIDE);
      expect(difference(compact, around)).toBeLessThan(0.003);
    });
  }
});
