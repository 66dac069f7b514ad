import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

import sharp from 'sharp';
import { describe, expect, it } from 'vitest';

import { PIECES } from '../../demo/pieces';
import { addShapes, setBlend, setFold, setOpacity } from '@/core/figure/commands';
import { evaluateWhole, type Figure, newShape } from '@/core/figure';
import { pdfOf } from '@/core/format/pdf';
import { DEFAULT_SVG } from '@/core/format/svg/svg';
import { svgOf } from '@/core/format/svg';
import type { Scene } from '@/core/scene';
import { anyForm, anyPaint, Chance } from '../help/anyFigure';
import { withForms } from '../help/figures';
import { difference, pixelsOf } from '../help/pictures';

const SIDE = 360;
const folder = mkdtempSync(path.join(tmpdir(), 'cyclogon-pdf-'));

/** The page of a PDF as poppler draws it: a renderer that shares nothing with ours. */
async function popplerPixels(bytes: Uint8Array): Promise<Uint8Array> {
  const file = path.join(folder, 'page');
  writeFileSync(`${file}.pdf`, bytes);
  const size = ['-scale-to-x', String(SIDE), '-scale-to-y', String(SIDE)];
  execFileSync('pdftoppm', ['-png', '-singlefile', ...size, `${file}.pdf`, file]);
  return sharp(`${file}.png`).ensureAlpha().raw().toBuffer();
}

/** Relief is light on pixels, which a vector file does not have. */
const unlit = (scene: Scene): Scene => ({
  ...scene,
  layers: scene.layers.map(({ relief: _, ...layer }) => layer),
});

async function apart(figure: Figure): Promise<number> {
  const scene = unlit(await evaluateWhole(figure));
  const bytes = await pdfOf(scene, { background: true, bleed: false, marks: false, neighbours: 'overlap' });
  const svg = pixelsOf(svgOf(scene, DEFAULT_SVG), SIDE);
  const flat = await sharp(svg, { raw: { width: SIDE, height: SIDE, channels: 4 } })
    .flatten({ background: '#fff' })
    .ensureAlpha()
    .raw()
    .toBuffer();
  return difference(await popplerPixels(bytes), flat);
}

describe('a PDF', () => {
  for (const [name, build] of Object.entries(PIECES))
    it(`of ${name} is the picture of its SVG`, async () => {
      const figure = build();
      const { width, height } = figure.page;
      if (width !== height) return;
      // Hairlines are drawn by the two renderers in their own ways.
      expect(await apart(figure)).toBeLessThan(0.005);
    });

  it('has the gradients, opacities and blend modes of the SVG', async () => {
    for (let seed = 1; seed <= 24; seed += 1) {
      const chance = new Chance(seed);
      const shapes = [0, 1, 2].map((k) => newShape(`x${k}`, `X${k}`, anyForm(chance), anyPaint(chance)));
      const drawn = addShapes(setFold(withForms(), 'r', chance.whole(1, 6)), 'r', shapes);
      const figure = setBlend(
        setOpacity(drawn, 'r', chance.between(0.3, 1)),
        'r',
        chance.of(['normal', 'multiply', 'screen', 'darken', 'difference', 'hue'] as const),
      );
      expect(await apart(figure), `seed ${seed}`).toBeLessThan(0.004);
    }
    rmSync(folder, { recursive: true });
  });
});
