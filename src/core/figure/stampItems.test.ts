import { describe, expect, it } from 'vitest';

import { withForms } from '../../../tests/help/figures';
import { pixelsOf } from '../../../tests/help/pictures';
import { svgOf } from '@/core/format/svg';
import { MAKERS } from '@/core/maker';
import { stampAlong, type StampPart } from './commands';
import { evaluateWhole } from './evaluateWhole';
import type { Figure } from './model';
import { runsOfStamps } from './stampItems';

const disc = (r: number) => ({
  closed: true,
  nodes: [
    { x: 0, y: -r, kind: 'corner' as const, bulge: 1 },
    { x: 0, y: r, kind: 'corner' as const, bulge: 1 },
  ],
});

const part = (name: string, r: number, fill: string): StampPart => ({
  name,
  contours: [disc(r)],
  paint: { fill, stroke: null },
  rule: 'nonzero',
});

const [RIM, HEART] = ['#113d4c', '#e9b44c'] as const;

/** Scales of a rim and a heart along an upright line, so far apart. */
function scales(spacing: number): Figure {
  let id = 0;
  const { along: _, shape: __, ...start } = MAKERS.stamp.start;
  const line = {
    closed: false,
    nodes: [
      { x: 0, y: -20, kind: 'corner' as const },
      { x: 0, y: -60, kind: 'corner' as const },
    ],
  };
  const parts = [part('Rim', 10, RIM), part('Heart', 7, HEART)];
  return stampAlong(
    withForms(),
    'r',
    line,
    parts,
    { ...start, spacing, spread: 'exact' },
    () => `s${(id += 1)}`,
  ).figure;
}

/** The colour at a point of the figure. */
async function colourAt(figure: Figure, x: number, y: number): Promise<string> {
  const svg = svgOf(await evaluateWhole(figure), { form: 'compact', decimals: 6, background: false });
  const side = figure.page.width * 4;
  const at = 4 * (Math.round(side / 2 + 4 * y) * side + Math.round(side / 2 + 4 * x));
  return `#${[...pixelsOf(svg, side).subarray(at, at + 3)].map((n) => n.toString(16).padStart(2, '0')).join('')}`;
}

describe('stamps of several shapes', () => {
  it('that overlap lie one on the other as wholes', async () => {
    const figure = scales(8);
    // The rim of the last lies over the heart of the one before.
    expect(await colourAt(figure, 0, -51)).toBe(RIM);
    expect(await colourAt(figure, 0, -60)).toBe(HEART);
    expect(await colourAt(figure, 0, -43)).toBe(RIM);
  });

  it('that lie apart are drawn shape by shape, with as few paths as there are shapes', async () => {
    const scene = await evaluateWhole(scales(25));
    expect(scene.layers.flatMap(({ items }) => items)).toHaveLength(2);
    const [round] = scales(25).rounds;
    expect(runsOfStamps(round!.shapes).map((run) => run.length)).toEqual([2]);
  });
});
