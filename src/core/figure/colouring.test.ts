import { allPaints, paintedRefs, paintOfRef } from './cellPaints';
import { made } from '../../../tests/help/made';
import { STRAIGHT } from '@/core/derive';
import { describe, expect, it } from 'vitest';

import { disc, withForms } from '../../../tests/help/figures';
import { pixelsOf } from '../../../tests/help/pictures';
import { fromPolar } from '@/core/curve';
import { svgOf } from '@/core/format/svg';
import { pathForm } from '@/core/maker';
import { cellAt, cellsOf, type Division } from '@/core/merge';
import { turnFromDegrees } from '@/core/number';
import { isGradient } from '@/core/paint';
import type { Gradient, Paint } from '@/core/scene';
import {
  boundByFrame,
  changeCellPaint,
  colourCells,
  colourShapes,
  paintCells,
  removeCells,
  roundOf,
  setBehind,
  setFill,
  setFold,
  setFrame,
  setLight,
  setMerge,
  setMirror,
  setPage,
  setRelief,
  setStroke,
} from './commands';
import { shownCells } from './cells';
import { evaluateWhole } from './evaluateWhole';
import { mergeJobsOf, requestOf } from './jobs';
import { kindsOf, reachedCells, refsOfGroup } from './kinds';
import type { Figure } from './model';
import { figureSchema } from './schema';
import { endsOfSpread } from './spread';

const [A, B, C] = ['#aa0000', '#00bb00', '#0000cc'] as const;

/** A dial of sectors and rings, divided. */
function dial(sectors: number, rings: readonly number[]): { figure: Figure; division: Division } {
  const far = Math.max(...rings);
  const at = (r: number) => ({ ...fromPolar(r, 180 / sectors), kind: 'corner' as const });
  let figure = withForms(pathForm([at(0), at(far)], false));
  figure = setFold(figure, 'r', sectors);
  figure = setFrame(figure, 'r', { rings });
  figure = boundByFrame(setMerge(figure, 'r', 'divide'), 'r', true);
  return { figure, division: divisionOf(figure) };
}

function divisionOf(figure: Figure): Division {
  const job = mergeJobsOf(figure, STRAIGHT)[0]!;
  return { ...cellsDivision(requestOf(job, {}, STRAIGHT)!) };
}

const cellsDivision = (request: NonNullable<ReturnType<typeof requestOf>>): Division => ({
  fold: request.operands[0]!.fold,
  mirror: request.operands[0]!.mirror,
  cells: made(cellsOf(request.operands)),
});

const groupsOfDial = (figure: Figure, division: Division) =>
  shownCells(division, roundOf(figure, 'r').merge!.cells!, STRAIGHT).groups;

const fillAt = (
  figure: Figure,
  division: Division,
  r: number,
  degrees: number,
): Paint['fill'] | undefined => {
  const { paints } = roundOf(figure, 'r').merge!.cells!;
  const hit = cellAt(groupsOfDial(figure, division), fromPolar(r, degrees));
  const [ref = ''] = hit?.copy.refs ?? [];
  return paintOfRef(paints, ref)?.fill;
};

describe('a stroke over the cells of a dial', () => {
  const { figure, division } = dial(12, [10, 20, 30]);
  const groups = groupsOfDial(figure, division);
  const hit = cellAt(groups, fromPolar(15, 0))!;
  const reach = (how: Parameters<typeof reachedCells>[2]): number[] =>
    reachedCells(groups, hit, how)
      .flatMap((ref) => groups.flatMap((group) => group.copies.map((copy) => ({ group, copy, ref }))))
      .filter(({ copy, ref }) => copy.refs.includes(ref))
      .map(({ group }) => Math.round(group.outer))
      .sort((a, b) => a - b);

  it('reaches one, its kind, every second and third of it, its ring and its sector', () => {
    expect(reach('one')).toEqual([20]);
    expect(reach('kind')).toEqual(Array(12).fill(20));
    expect(reach('second')).toEqual(Array(6).fill(20));
    expect(reach('third')).toEqual(Array(4).fill(20));
    expect(reach('ring')).toEqual(Array(12).fill(20));
    expect(reach('sector')).toEqual([10, 20, 30]);
  });

  it('every second begins with the one that was hit, and leaves out its neighbours', () => {
    const painted = paintCells(figure, 'r', division, reachedCells(groups, hit, 'second'), {
      fill: A,
      stroke: null,
    });
    for (let k = 0; k < 12; k += 1)
      expect(fillAt(painted, division, 15, 30 * k)).toBe(k % 2 === 0 ? A : undefined);
  });

  it('lists the kinds from centre to rim with count and share of the area', () => {
    const kinds = kindsOf({ groups, lost: [] }, roundOf(figure, 'r').merge!);
    expect(kinds.map(({ count }) => count)).toEqual([12, 12, 12]);
    // Rings of 10, 20 and 30: areas as 1 : 3 : 5.
    kinds.forEach(({ share }, k) => expect(share).toBeCloseTo((2 * k + 1) / 9, 9));
  });

  it('says the same of a kind, as the same object, until that kind is painted', () => {
    const listed = (of: Figure) => kindsOf({ groups, lost: [] }, roundOf(of, 'r').merge!);
    const before = listed(figure);
    const [first, second] = groups;
    const painted = paintCells(figure, 'r', division, refsOfGroup(second!), { fill: A, stroke: null });
    const after = listed(painted);
    expect(after.map((kind, k) => kind === before[k])).toEqual([true, false, true]);
    expect(after[1]?.paints).toEqual([{ fill: A, stroke: null }]);
    const removed = removeCells(painted, 'r', division, refsOfGroup(first!));
    expect(listed(removed).map(({ paints }) => paints.length)).toEqual([0, 1, 1]);
  });
});

describe('all cells in one command', () => {
  it('sectors in a sequence, each ring shifted by one', () => {
    const { figure, division } = dial(24, [20, 40, 60, 80]);
    const made = colourCells(
      figure,
      'r',
      division,
      { by: 'sector', colours: [A, B, A, C], shift: 1 },
      STRAIGHT,
    );
    expect(figureSchema.validate(made).error).toBeUndefined();
    for (let ring = 0; ring < 4; ring += 1)
      for (let k = 0; k < 24; k += 1)
        expect(fillAt(made, division, 20 * ring + 10, 15 * k)).toBe([A, B, A, C][(k + ring) % 4]);
  });

  it('rings in a ramp are painted as kinds, so that the paint is short and stays with them', () => {
    const { figure, division } = dial(24, [20, 40, 60]);
    const made = colourCells(figure, 'r', division, { by: 'ring', colours: [A, B, C], shift: 0 }, STRAIGHT);
    const { paints } = roundOf(made, 'r').merge!.cells!;
    expect(paintedRefs(paints).every((ref) => !ref.includes('@'))).toBe(true);
    expect(allPaints(paints).map(({ fill }) => fill)).toEqual([A, B, C]);
  });

  it('keeps strokes, and changes paint from what it was', () => {
    const { figure, division } = dial(6, [20]);
    const stroke = { colour: C, width: 1, cap: 'butt', join: 'miter' } as const;
    const refs = groupsOfDial(figure, division).flatMap(({ copies }) => copies.flatMap((copy) => copy.refs));
    const stroked = changeCellPaint(figure, 'r', division, refs, new Map(), (paint) => ({
      ...paint,
      stroke,
    }));
    const made = colourCells(
      stroked,
      'r',
      division,
      { by: 'direction', colours: [A, B], shift: 0 },
      STRAIGHT,
    );
    for (const paint of allPaints(roundOf(made, 'r').merge!.cells!.paints))
      expect(paint.stroke).toEqual(stroke);
    expect(fillAt(made, division, 10, 0)).toBe(A);
    expect(fillAt(made, division, 10, 180)).toBe(B);
  });

  it('of shapes, by where they lie in the motif', () => {
    const figure = withForms(disc(0, -30, 4), disc(0, -10, 4), disc(0, -20, 4));
    const ids = new Set(roundOf(figure, 'r').shapes.map(({ id }) => id));
    const made = colourShapes(figure, 'r', ids, { by: 'ring', colours: [A, B, C], shift: 0 }, STRAIGHT);
    expect(roundOf(made, 'r').shapes.map(({ paint }) => paint.fill)).toEqual([C, A, B]);
  });
});

/** Pixels of a figure in the independent renderer, one to a unit; x to the right and y down from the centre. */
async function pixelAt(
  figure: Figure,
  x: number,
  y: number,
  form: 'compact' | 'plain' = 'compact',
): Promise<number[]> {
  const scene = await evaluateWhole(figure);
  const svg = svgOf(scene, { form, decimals: 6, background: true, pixelsPerUnit: 1 });
  const side = figure.page.width;
  const pixels = pixelsOf(svg, side);
  const at = 4 * (Math.floor(side / 2 + y) * side + Math.floor(side / 2 + x));
  return [...pixels.subarray(at, at + 3)];
}

const near = (got: readonly number[], wanted: readonly number[], within: number): void =>
  got.forEach((level, k) => expect(Math.abs(level - (wanted[k] ?? 0))).toBeLessThanOrEqual(within));

const run = (part: Partial<Gradient>): Gradient => ({
  kind: 'linear',
  spread: 'copy',
  from: { x: 0, y: -90 },
  to: { x: 0, y: -10 },
  stops: [
    { at: 0, colour: '#ff0000' },
    { at: 1, colour: '#0000ff' },
  ],
  ...part,
});

const target = (figure: Figure) => ({
  of: 'shapes' as const,
  roundId: 'r',
  shapeIds: new Set(roundOf(figure, 'r').shapes.map(({ id }) => id)),
});

const painted = (figure: Figure, fill: Gradient): Figure => setFill(figure, target(figure), fill);

describe('gradients in the independent renderer', () => {
  const base = setFold(withForms(disc(0, -50, 40)), 'r', 4);
  // SVG 2, section 14.2.4: between two stops each channel goes straight from one to the other, in sRGB.
  const mixed = (share: number): number[] => [255 * (1 - share), 0, 255 * share];

  it.each(['compact', 'plain'] as const)('run over each copy, turned with it, in a %s file', async (form) => {
    const figure = painted(base, run({}));
    for (const r of [20, 50, 80]) {
      const wanted = mixed((90 - r) / 80);
      near(await pixelAt(figure, 0, -r, form), wanted, 4);
      near(await pixelAt(figure, r, 0, form), wanted, 4);
      near(await pixelAt(figure, 0, r, form), wanted, 4);
    }
  });

  it.each(['compact', 'plain'] as const)(
    'run across the whole round, not turned, in a %s file',
    async (form) => {
      const figure = painted(base, run({ spread: 'round', from: { x: 0, y: -90 }, to: { x: 0, y: 90 } }));
      for (const [x, y] of [
        [0, -70],
        [50, 0],
        [-50, 5],
        [0, 70],
      ] as const)
        near(await pixelAt(figure, x, y, form), mixed((y + 0.5 + 90) / 180), 3);
    },
  );

  it('in rings about the centre are one for all rays', async () => {
    const figure = painted(
      base,
      run({ kind: 'radial', spread: 'round', from: { x: 0, y: 0 }, to: { x: 0, y: -100 } }),
    );
    for (const r of [20, 50, 80]) near(await pixelAt(figure, 0, -r), mixed(r / 100), 4);
    const svg = svgOf(await evaluateWhole(figure), { form: 'compact', decimals: 4, background: true });
    expect(svg.match(/<radialGradient/g)).toHaveLength(1);
    expect(svg.match(/<symbol/g)).toHaveLength(1);
  });

  it('with a midpoint aside have half of both colours there', async () => {
    const stops = [
      { at: 0, colour: '#000000', middle: 0.25 },
      { at: 1, colour: '#ffffff' },
    ];
    near(await pixelAt(painted(base, run({ stops })), 0, -70), [128, 128, 128], 4);
  });

  it('are mirrored with a reflected half, or run straight on', async () => {
    const half = setMirror(setFold(withForms(disc(20, -50, 18)), 'r', 1), 'r', true);
    const across = run({ spread: 'cell', from: { x: 0, y: 0.5 }, to: { x: 1, y: 0.5 } });
    const [left, right] = [
      [-30, -50],
      [30, -50],
    ] as const;
    const at = async (gradient: Gradient): Promise<number[][]> => [
      await pixelAt(painted(half, gradient), ...left),
      await pixelAt(painted(half, gradient), ...right),
    ];
    const [mirroredLeft, mirroredRight] = await at(across);
    near(mirroredLeft!, mirroredRight!, 8);
    const [straightLeft, straightRight] = await at({ ...across, straight: true });
    // 12 units from the left of the box of the left disc, 28 of that of the right one.
    near(straightLeft!, mixed(8 / 36), 8);
    near(straightRight!, mixed(28 / 36), 8);
  });

  it('lie on the page as its background', async () => {
    const figure = setPage(withForms(disc(0, -50, 5)), {
      background: run({ spread: 'page', from: { x: -90, y: 0 }, to: { x: 90, y: 0 } }),
    });
    for (const x of [-60, 0, 60]) near(await pixelAt(figure, x, 40), mixed((x + 0.5 + 90) / 180), 2);
  });

  it('begin over the box, the reach or the page that they are spread over', () => {
    const round = roundOf(base, 'r');
    const ends = (spread: Gradient['spread'], kind: Gradient['kind'] = 'linear') =>
      endsOfSpread(base, round, new Set(), kind, spread, STRAIGHT).map(({ x, y }) => [
        Math.round(x),
        Math.round(y),
      ]);
    expect(ends('copy')).toEqual([
      [0, -90],
      [0, -10],
    ]);
    expect(ends('round', 'radial')).toEqual([
      [0, 0],
      [0, -90],
    ]);
    expect(ends('page')[1]).toEqual([0, base.page.height / 2]);
    expect(ends('cell')).toEqual([
      [1, 0],
      [1, 1],
    ]);
  });
});

describe('what a figure may hold', () => {
  const base = withForms(disc(0, -50, 40));

  it('is a gradient with its stops in order, dashes, a miter limit and a stroke behind', async () => {
    let figure = painted(base, run({ straight: true }));
    figure = setStroke(figure, target(figure), {
      colour: run({}),
      dashes: [3, 1],
      limit: 8,
      join: 'miter',
      width: 6,
    });
    figure = setBehind(figure, target(figure), true);
    expect(figureSchema.validate(figure).error).toBeUndefined();
    const svg = svgOf(await evaluateWhole(figure), { form: 'plain', decimals: 3, background: false });
    expect(svg).toContain('stroke-dasharray="3 1"');
    expect(svg).toContain('stroke-miterlimit="8"');
    expect(svg).toContain('paint-order="stroke"');
  });

  it.each([
    [
      'stops out of order',
      {
        stops: [
          { at: 1, colour: A },
          { at: 0, colour: B },
        ],
      },
    ],
    ['a single stop', { stops: [{ at: 0, colour: A }] }],
    [
      'a stop that is no colour',
      {
        stops: [
          { at: 0, colour: 'mud' },
          { at: 1, colour: A },
        ],
      },
    ],
    ['a spread that is none', { spread: 'sky' as never }],
  ])('is no gradient with %s', (_, part) => {
    expect(figureSchema.validate(painted(base, run(part))).error).toBeDefined();
  });
});

describe('light and wire', () => {
  it('tell the copies of a ring apart by direction, and keep a gradient one', async () => {
    const ring = setFold(withForms(disc(0, -50, 10)), 'r', 8);
    const lit = setLight(ring, 'r', { from: turnFromDegrees(0), depth: 40, faces: 'out' });
    const level = async (degrees: number): Promise<number> => {
      const { x, y } = fromPolar(50, degrees);
      return (await pixelAt(lit, x, y))[1] ?? 0;
    };
    const levels = await Promise.all([0, 45, 90, 135, 180].map(level));
    expect([...levels].sort((a, b) => b - a)).toEqual(levels);
    expect(await level(45)).toBe(await level(315));
    const scene = await evaluateWhole(painted(lit, run({})));
    const fill = scene.layers[0]!.copies[0]!.items![0]!.paint.fill;
    expect(isGradient(fill) && fill.stops).toHaveLength(2);
  });

  it('raise an edge towards the light and darken the other; sunken it is the other way, flat it keeps its colour', async () => {
    const plate = withForms(disc(0, 0, 40));
    const grey = setFill(plate, target(plate), '#808080');
    const at = (how: 'raised' | 'sunken', x: number, y: number): Promise<number[]> =>
      pixelAt(setRelief(grey, 'r', { how, edge: 6 }), x, y);
    const rim = 40 * Math.SQRT1_2 - 2;
    const [lightSide] = await at('raised', -rim, -rim);
    const [darkSide] = await at('raised', rim, rim);
    expect(lightSide).toBeGreaterThan(0x80 + 8);
    expect(darkSide).toBeLessThan(0x80 - 40);
    near(await at('raised', 0, 0), [0x80, 0x80, 0x80], 2);
    expect((await at('sunken', -rim, -rim))[0]).toBeLessThan(0x80 - 40);
  });
});
