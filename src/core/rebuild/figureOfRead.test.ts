import { describe, expect, it } from 'vitest';

import { PIECES } from '../../../demo/pieces';
import { shape, turnedShapes } from '../../../tests/help/finishedArtwork';
import { counter } from '../../../tests/help/figures';
import { made } from '../../../tests/help/made';
import { difference, pixelsOf } from '../../../tests/help/pictures';
import { mapPath, polygonPath, turnMap } from '@/core/curve';
import { turn } from '@/core/number';
import { STRAIGHT } from '@/core/derive';
import { evaluateWhole, type Figure, figureSchema } from '@/core/figure';
import type { Drawing, DrawnNode } from '@/core/format/drawing';
import { readDrawing } from '@/core/format/svg/read/readDrawing';
import { svgOf } from '@/core/format/svg';
import { pathsOfForm } from '@/core/maker';
import { AS_IT_IS, drawnNodes, figureOfRead, type ReadChoices } from './figureOfRead';
import { readSymmetry } from './read';

const PLAIN = { form: 'plain', decimals: 4, background: true } as const;

const rebuilt = (drawing: Drawing, choices: ReadChoices = AS_IT_IS): Figure => {
  const read = readSymmetry(drawnNodes(drawing));
  const { figure } = made(figureOfRead(drawing, read, 'file.svg', choices, counter()));
  expect(figureSchema.validate(figure, { convert: false }).error).toBeUndefined();
  return figure;
};

const drawingOf = (nodes: readonly DrawnNode[]): Drawing => ({
  title: null,
  width: 200,
  height: 200,
  unit: 'px',
  origin: { x: 0, y: 0 },
  nodes,
  left: [],
});

const tooth = polygonPath([
  { x: 2, y: -60 },
  { x: 14, y: -52 },
  { x: 7, y: -40 },
]);

/** What the reader of files does not take: the relief of a dial is a filter. */
const WITH_FILTERS = new Set(['tide-dial']);

describe('finished artwork as rounds', () => {
  it.each(Object.keys(PIECES).filter((name) => !WITH_FILTERS.has(name)))(
    'draws the same picture again: %s',
    async (name) => {
      const piece = PIECES[name]!();
      const svg = svgOf(await evaluateWhole(piece), PLAIN);
      const again = svgOf(await evaluateWhole(rebuilt(readDrawing(svg))), PLAIN);
      expect(difference(pixelsOf(svg, 400), pixelsOf(again, 400))).toBeLessThan(0.0005);
    },
  );

  it('has the folds, the mirrors and the rounds that it was made of', async () => {
    const told = async (name: keyof typeof PIECES): Promise<[number, boolean][]> => {
      const svg = svgOf(await evaluateWhole(PIECES[name]!()), PLAIN);
      return rebuilt(readDrawing(svg)).rounds.map(({ rule: { fold, mirror } }) => [fold, mirror]);
    };
    expect(await told('lace-rosette')).toEqual([
      [18, false],
      [18, true],
      [18, false],
      [9, false],
    ]);
    expect(await told('poster-wheel')).toEqual([
      [16, false],
      [24, false],
      [14, false],
    ]);
    expect(await told('needle-flake')).toEqual([
      [6, false],
      [1, false],
    ]);
    expect(await told('traced-diatom')).toEqual([
      [16, true],
      [16, false],
      [1, false],
    ]);
  });

  it('cuts one merged outline into its wedge', async () => {
    const svg = svgOf(await evaluateWhole(PIECES['frost-flake']!()), PLAIN);
    const [flake] = rebuilt(readDrawing(svg)).rounds;
    expect(flake).toMatchObject({ rule: { fold: 6 }, merge: { op: 'union' } });
    const [piece] = flake!.shapes;
    for (const { segments } of pathsOfForm(piece!.form, STRAIGHT))
      for (const { from } of segments)
        expect(Math.abs(from.x)).toBeLessThanOrEqual(Math.tan(Math.PI / 6) * -from.y + 1e-6);
  });

  it('has the middle of what its copies say as its motif, or one of them', () => {
    const [first, ...others] = turnedShapes(tooth, 7, '#113d4c');
    // One corner of one copy is a little off: less than it takes to be told.
    const bent = {
      ...first!,
      paths: [
        polygonPath([
          { x: 2, y: -60.04 },
          { x: 14, y: -52 },
          { x: 7, y: -40 },
        ]),
      ],
    };
    const drawing = drawingOf([bent, ...others]);
    const cornerOf = (choices: ReadChoices): number => {
      const { rounds } = rebuilt(drawing, choices);
      const [round] = rounds;
      const upright = turnMap(round!.rule.start);
      const paths = pathsOfForm(round!.shapes[0]!.form, STRAIGHT).map((path) => mapPath(path, upright));
      // Where the farthest corner is, whichever copy is first: by its distance from the centre.
      return Math.max(
        ...paths.flatMap(({ segments }) => segments.map(({ from }) => Math.hypot(from.x, from.y))),
      );
    };
    const right = Math.hypot(2, 60);
    expect(cornerOf(AS_IT_IS)).toBeCloseTo(right, 2);
    expect(cornerOf({ ...AS_IT_IS, motif: 'nearest' })).toBeCloseTo(right, 2);
    const each = Array.from({ length: 7 }, (_, k) => cornerOf({ ...AS_IT_IS, motif: k }));
    expect(each.filter((corner) => Math.abs(corner - right) > 0.02)).toHaveLength(1);
  });

  it('keeps copies that differ or are missing as they are, or has them follow the others', () => {
    const copies = turnedShapes(tooth, 9, '#113d4c');
    const odd = shape(mapPath(tooth, turnMap(turn(4, 9))), '#d9512c');
    const drawing = drawingOf([...copies.slice(0, 4), odd, ...copies.slice(5, 8)]);
    const told = (choices: Partial<ReadChoices>) =>
      rebuilt(drawing, { ...AS_IT_IS, ...choices }).rounds.map(({ rule: { fold }, omitted = [], shapes }) => [
        fold,
        omitted,
        shapes.length,
      ]);
    expect(told({})).toEqual([
      [9, [4, 8], 1],
      [1, [], 1],
    ]);
    expect(told({ differing: 'follow' })).toEqual([[9, [8], 1]]);
    expect(told({ missing: 'follow' })).toEqual([
      [9, [4], 1],
      [1, [], 1],
    ]);
    expect(told({ differing: 'follow', missing: 'follow' })).toEqual([[9, [], 1]]);
  });

  it('stands about the centre that was found, on the page of the drawing', () => {
    const at = { x: 130, y: 70 };
    const copies = turnedShapes(tooth, 5, '#113d4c').map((each) => ({
      ...each,
      paths: each.paths.map((path) => mapPath(path, { a: 1, b: 0, c: 0, d: 1, e: at.x, f: at.y })),
    }));
    const { page, rounds } = rebuilt(drawingOf(copies));
    expect(page).toMatchObject({ width: 200, height: 200 });
    expect([page.centre.x, page.centre.y]).toEqual([expect.closeTo(30, 6), expect.closeTo(-30, 6)]);
    expect(rounds.map(({ rule: { fold } }) => fold)).toEqual([5]);
  });
});
