import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { disc, withForms } from '../../../tests/help/figures';
import { pixelsOf } from '../../../tests/help/pictures';
import { subjectFor } from '../../../tests/help/proofs';
import { addShapes, setFold } from '@/core/figure/commands';
import { type Figure, newFigure, newShape } from '@/core/figure';
import { svgOf } from '@/core/format/svg';
import { formOfPaths } from '@/core/maker';
import { line, polygonPath } from '@/core/curve';
import type { Stroke } from '@/core/scene';

/** One line of a width, straight across. */
const barOf = (width: number, y: number, cap: Stroke['cap'] = 'round') =>
  newShape(`b${y}`, 'Bar', formOfPaths([{ closed: false, segments: [line({ x: -60, y }, { x: 60, y })] }]), {
    fill: null,
    stroke: { colour: '#113d4c', width, cap, join: 'round' },
  });

const bars = (...all: [number, number][]): Figure =>
  setFold(
    addShapes(
      newFigure('Bars', 'r'),
      'r',
      all.map(([width, y]) => barOf(width, y)),
    ),
    'r',
    1,
  );

/** The thinnest line or gap below a width, and how many there are. */
async function narrowest(figure: Figure, below: number, of: 'line' | 'gap') {
  const subject = await subjectFor(figure);
  const runs = subject
    .narrowRuns(below)
    .filter(({ tone }) => (tone === subject.picture.page) === (of === 'gap'));
  return { count: runs.length, width: runs[0]?.width ?? null };
}

describe('local width', () => {
  it('is that of a bar, and of the gap between two, on both sides of a limit', async () => {
    expect(await narrowest(bars([0.24, -20]), 0.25, 'line')).toEqual({
      count: 1,
      width: expect.closeTo(0.24, 2) as number,
    });
    expect(await narrowest(bars([0.26, -20]), 0.25, 'line')).toEqual({ count: 0, width: null });
    // Lines 4 wide, 4.2 apart from middle to middle.
    expect((await narrowest(bars([4, -20], [4, -15.8]), 0.25, 'gap')).width).toBeCloseTo(0.2, 3);
    expect(await narrowest(bars([4, -20], [4, -15.7]), 0.25, 'gap')).toEqual({ count: 0, width: null });
  });

  it('is found at a neck, and not in corners and tips that are meant', async () => {
    // Two discs of 10 whose rims are 0.1 apart, and a star of sharp tips beside nothing.
    const neck = setFold(withForms(disc(-10.05, 0, 10), disc(10.05, 0, 10)), 'r', 1);
    const found = await narrowest(neck, 0.25, 'gap');
    expect(found.count).toBe(1);
    expect(found.width).toBeCloseTo(0.1, 2);
    // Discs that touch leave cusps beside where they do, and no gap.
    const touching = setFold(withForms(disc(-10, 0, 10), disc(10, 0, 10)), 'r', 1);
    expect((await narrowest(touching, 0.25, 'gap')).count).toBe(0);
    const tips = polygonPath(
      [0, 1, 2, 3, 4, 5, 6, 7, 8, 9].map((k) => {
        const [r, a] = [k % 2 === 0 ? 60 : 18, (Math.PI * k) / 5];
        return { x: r * Math.sin(a), y: -r * Math.cos(a) };
      }),
    );
    const star = addShapes(newFigure('Star', 'r'), 'r', [
      newShape('s', 'Star', formOfPaths([tips]), { fill: '#113d4c', stroke: null }),
    ]);
    expect((await narrowest(setFold(star, 'r', 1), 1, 'line')).count).toBe(0);
  });

  it('finds none beside discs that stand apart, however large what is looked for is', async () => {
    const ring = setFold(withForms(disc(0, -70, 4)), 'r', 5);
    expect((await narrowest(ring, 5.625, 'gap')).count).toBe(0);
    expect((await narrowest(ring, 5.625, 'line')).count).toBe(0);
  });

  it('is told as it is also where what is looked for is many times as large', async () => {
    // Two discs of 3 whose rims are apart by less than a sixth of the limit.
    await fc.assert(
      fc.asyncProperty(
        fc.double({ min: 0.6, max: 0.9, noNaN: true }),
        fc.double({ min: 0, max: 40, noNaN: true }),
        async (apart, up) => {
          const across = 3 + apart / 2;
          const figure = setFold(withForms(disc(-across, -up, 3), disc(across, -up, 3)), 'r', 1);
          const { width } = await narrowest(figure, 5.625, 'gap');
          expect(Math.abs((width ?? 0) / apart - 1)).toBeLessThan(0.01);
        },
      ),
      { numRuns: 15 },
    );
  });

  it('is looked for all along an edge that follows one too short to see', async () => {
    // A sheet 100 long whose lower edge begins with a thousandth.
    const corners: [number, number][] = [
      [-50, 0],
      [-49.999, 0],
      [50, 0],
      [50, -0.2],
      [-50, -0.2],
    ];
    const sheet = formOfPaths([polygonPath(corners.map(([x, y]) => ({ x, y: y - 20 })))]);
    const runs = (await subjectFor(setFold(withForms(sheet), 'r', 1))).narrowRuns(0.25);
    expect(runs).toHaveLength(1);
    // The mean of both its edges.
    expect(runs[0]?.long).toBeGreaterThan(95);
  });

  it('sees what is drawn: what another shape of the same colour covers is no line', async () => {
    const thin = barOf(0.2, -20);
    const over = newShape('o', 'Over', disc(0, -20, 70), { fill: '#113d4c', stroke: null });
    const figure = setFold(addShapes(newFigure('F', 'r'), 'r', [thin, over]), 'r', 1);
    expect((await narrowest(figure, 0.25, 'line')).count).toBe(0);
  });

  // An independent reading: twice the distance to the nearest pixel that is not ink, by brute force, on a picture of another renderer.
  it('agrees with a brute-force distance transform of a fine raster', async () => {
    const SIDE = 360;
    const thinnestOf = (figure: Figure, svg: string): number => {
      const pixels = pixelsOf(svg, SIDE);
      const isInk = (x: number, y: number): boolean => (pixels[4 * (y * SIDE + x)] ?? 255) < 140;
      const far = (x: number, y: number): number => {
        for (let reach = 1; reach < 40; reach += 1)
          for (let k = -reach; k <= reach; k += 1)
            for (const [dx, dy] of [
              [k, -reach],
              [k, reach],
              [-reach, k],
              [reach, k],
            ] as const)
              if (!isInk(x + dx, y + dy)) return nearest(isInk, x, y, 2 * reach);
        return 40;
      };
      // Along the middle of each bar, well within its ends, the widest place is its width.
      let least = Infinity;
      for (let top = 0; top < SIDE; top += 1) {
        if (!isInk(SIDE / 2, top) || isInk(SIDE / 2, top - 1)) continue;
        let most = 0;
        for (let y = top; isInk(SIDE / 2, y); y += 1) most = Math.max(most, far(SIDE / 2, y));
        least = Math.min(least, 2 * most - 1);
      }
      return (least * figure.page.width) / SIDE;
    };
    await fc.assert(
      fc.asyncProperty(
        fc.uniqueArray(fc.integer({ min: 4, max: 30 }), { minLength: 2, maxLength: 4 }),
        async (all) => {
          const figure = bars(...all.map((tenths, k): [number, number] => [tenths / 5, -60 + 25 * k]));
          const subject = await subjectFor(figure);
          const [run] = subject.narrowRuns(8).filter(({ tone }) => tone !== subject.picture.page);
          const svg = svgOf(subject.scene, { form: 'plain', decimals: 4, background: true });
          expect(Math.abs((run?.width ?? 0) - thinnestOf(figure, svg))).toBeLessThan(1.5 * (180 / SIDE));
        },
      ),
      { numRuns: 6 },
    );
  });
});

/** The least distance to a pixel that is none of the ink, within a reach. */
function nearest(isInk: (x: number, y: number) => boolean, x: number, y: number, reach: number): number {
  let least = Infinity;
  for (let dx = -reach; dx <= reach; dx += 1)
    for (let dy = -reach; dy <= reach; dy += 1)
      if (!isInk(x + dx, y + dy)) least = Math.min(least, Math.hypot(dx, dy));
  return least;
}
