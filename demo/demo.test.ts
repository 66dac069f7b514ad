import { readFileSync } from 'node:fs';
import path from 'node:path';

import { Resvg } from '@resvg/resvg-js';
import { describe, expect, it } from 'vitest';

import { evaluateWhole } from '../src/core/figure/evaluateWhole';
import { readFigure } from '../src/core/format/json';
import { DEFAULT_SVG, svgOf } from '../src/core/format/svg';
import { PIECES } from './pieces';

const SIDE = 360;

/** The share of pixels that differ clearly between two pictures of one size. */
function difference(a: Uint8Array, b: Uint8Array): number {
  let differing = 0;
  for (let k = 0; k < a.length; k += 4) {
    const most = Math.max(...[0, 1, 2, 3].map((channel) => Math.abs((a[k + channel] ?? 0) - (b[k + channel] ?? 0))));
    if (most > 96) differing += 1;
  }
  return (4 * differing) / a.length;
}

const drawn = (svg: string): Uint8Array =>
  new Resvg(svg, { fitTo: { mode: 'width', value: SIDE }, font: { loadSystemFonts: false } }).render().pixels;

/** The document with its drawing turned about the page's middle. */
const turned = (svg: string, degrees: number): string =>
  svg.replace(/(<title>[^]*?<\/title>)([^]*)<\/svg>/, `$1<g transform="rotate(${degrees} 90 90)">$2</g></svg>`);

describe('Tide Week', () => {
  for (const [file, build] of Object.entries(PIECES)) {
    it(`${file} is built by its script as it is in demo/data`, () => {
      const text = readFileSync(path.join(import.meta.dirname, 'data', `${file}.json`), 'utf8');
      expect(readFigure(text)).toEqual(build());
    });

    it(`${file} looks the same as symbols and as plain paths, and when turned by its common step`, async () => {
      const figure = { ...build(), name: 'Piece' };
      const scene = await evaluateWhole(figure);
      const options = { ...DEFAULT_SVG, background: false, title: 'Piece' };
      const compact = drawn(svgOf(scene, options));
      expect(difference(compact, drawn(svgOf(scene, { ...options, form: 'plain' })))).toBeLessThan(0.0005);
      const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));
      const common = figure.rounds.map(({ rule }) => rule.fold).reduce(gcd);
      const around = drawn(turned(svgOf(scene, options), 360 / common));
      expect(difference(compact, around)).toBeLessThan(0.003);
    });
  }
});
