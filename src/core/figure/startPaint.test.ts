import { describe, expect, it } from 'vitest';

import { disc, withForms } from '../../../tests/help/figures';
import { difference, pixelsOf } from '../../../tests/help/pictures';
import { STRAIGHT } from '@/core/derive';
import { svgOf } from '@/core/format/svg';
import { pathForm } from '@/core/maker';
import { type Division, mergedFully } from '@/core/merge';
import type { Fill } from '@/core/scene';
import { addShapes, roundOf, setFill, setFold, setMerge, setMirror, setStroke, showLines } from './commands';
import { evaluateWhole } from './evaluateWhole';
import { mergeJobsOf, requestOf } from './jobs';
import type { Figure } from './model';
import { newShape } from './start';
import { paintSources, startPaints } from './startPaint';

const [BACK, MIDDLE, FRONT] = ['#aa0000', '#00bb00', '#0000cc'] as const;

const target = (figure: Figure, place: number) => ({
  of: 'shapes' as const,
  roundId: 'r',
  shapeIds: new Set([roundOf(figure, 'r').shapes[place]?.id ?? '']),
});

const filled = (figure: Figure, place: number, fill: Fill): Figure =>
  setStroke(setFill(figure, target(figure, place), fill), target(figure, place), null);

/** Three discs over one another, small enough to stay in a wedge of eight. */
function threeDiscs(): Figure {
  let figure = setFold(withForms(disc(0, -50, 14), disc(3, -40, 10), disc(-2, -60, 9)), 'r', 8);
  [BACK, MIDDLE, FRONT].forEach((fill, k) => (figure = filled(figure, k, fill)));
  return figure;
}

async function pictureOf(figure: Figure): Promise<Uint8Array> {
  const scene = await evaluateWhole(figure);
  return pixelsOf(svgOf(scene, { form: 'compact', decimals: 6, background: true }), 500);
}

async function divisionOf(figure: Figure): Promise<Division> {
  const request = requestOf(mergeJobsOf(figure, STRAIGHT)[0]!, {}, STRAIGHT);
  return (await mergedFully(request!, {})).division!;
}

/** The share of the picture that edges of that many pixels are. */
const EDGES = 0.004;

describe('cells that were given no paint', () => {
  it('look as the copies did before they were divided', async () => {
    const apart = threeDiscs();
    const divided = setMerge(apart, 'r', 'divide');
    expect(difference(await pictureOf(divided), await pictureOf(apart))).toBeLessThan(EDGES);
    // And not all in one paint: the green disc is hidden where the others are.
    const scene = await evaluateWhole(divided);
    const fills = new Set(scene.layers.flatMap(({ items }) => items.map(({ paint }) => paint.fill)));
    expect([...fills].sort()).toEqual([FRONT, MIDDLE, BACK].sort());
  });

  it('and those of mirrored copies, with runs that stand where the copy does', async () => {
    const run: Fill = {
      kind: 'linear',
      spread: 'copy',
      from: { x: -14, y: -50 },
      to: { x: 14, y: -30 },
      stops: [
        { at: 0, colour: '#ffee00' },
        { at: 1, colour: '#003366' },
      ],
    };
    const apart = setMirror(setFold(filled(threeDiscs(), 0, run), 'r', 4), 'r', true);
    const divided = setMerge(apart, 'r', 'divide');
    // Reflected discs lie under and over others here: what is compared is where one shape alone is.
    const one: Figure = {
      ...apart,
      rounds: apart.rounds.map((r) => ({ ...r, shapes: r.shapes.slice(0, 1) })),
    };
    const shifted = setMerge(one, 'r', 'divide');
    expect(difference(await pictureOf(shifted), await pictureOf(one))).toBeLessThan(0.02);
    const start = startPaints(
      paintSources(divided, roundOf(divided, 'r')),
      await divisionOf(divided),
      STRAIGHT,
    );
    expect(start.size).toBeGreaterThan(3);
  });

  it('follow their shape until the round is given one for all', () => {
    const divided = setMerge(threeDiscs(), 'r', 'divide');
    expect(roundOf(divided, 'r').merge?.cells?.fromShapes).toBe(true);
    const all = setFill(divided, { of: 'merge', roundId: 'r' }, '#123456');
    expect(roundOf(all, 'r').merge?.cells?.fromShapes).toBeUndefined();
    expect(roundOf(all, 'r').merge?.paint.fill).toBe('#123456');
  });
});

it('lines over cells bound them, shown or hidden', async () => {
  const at = (x: number, y: number) => ({ x, y, kind: 'corner' as const });
  const stroke = { colour: '#ff00ff', width: 2, cap: 'butt', join: 'miter' } as const;
  const line = newShape('line', 'Line', pathForm([at(-30, -50), at(30, -50)], false), { fill: null, stroke });
  const divided = setMerge(addShapes(threeDiscs(), 'r', [line]), 'r', 'divide');
  const hidden = showLines(divided, 'r', false);
  const drawnLines = async (figure: Figure): Promise<number> =>
    (await evaluateWhole(figure)).layers.filter(({ items }) =>
      items.some(({ paint }) => paint.stroke?.colour === '#ff00ff'),
    ).length;
  expect(await drawnLines(divided)).toBeGreaterThan(0);
  expect(await drawnLines(hidden)).toBe(0);
  expect((await divisionOf(hidden)).cells.length).toBe((await divisionOf(divided)).cells.length);
  expect(await drawnLines(showLines(hidden, 'r', true))).toBeGreaterThan(0);
});
