import { formOfPaths, MAKERS, pathsOfForm, petalOfSize } from '@/core/maker';
import { STRAIGHT } from '@/core/derive';
import { describe, expect, it } from 'vitest';

import { counter, START_LINE } from '../../../tests/help/figures';
import { made, refusal } from '../../../tests/help/made';
import type { Result } from '@/core/finding';
import { boundsOfPaths, signedArea } from '@/core/curve';
import { newShape, type Shape, START_PAINT } from '@/core/figure';
import { turn } from '@/core/number';
import { clipOf, isSvgText, motifOfClip } from './clip';
import { READ_SVG } from './svg/read/readDrawing';
import { motifOfDrawing } from './drawing/taken';

const taking = { name: 'File', unit: 'mm', by: 'middle', to: { x: 0, y: -50 } } as const;

const petal: Shape = newShape(
  'p',
  'Petal <1>',
  {
    kind: 'petal',
    at: { x: 3, y: -20 },
    rotation: turn(1, 7),
    params: petalOfSize(30, 12),
  },
  START_PAINT,
);
const kite: Shape = newShape(
  'k',
  'Kite',
  { kind: 'kite', at: { x: 5, y: -20 }, rotation: turn(1, 12), params: MAKERS.kite.start },
  { ...START_PAINT, stroke: START_LINE.stroke },
);
const areaOf = (shapes: readonly Shape[]): number =>
  shapes.reduce((sum, { form }) => sum + Math.abs(signedArea(pathsOfForm(form, STRAIGHT))), 0);

const shapesOf = (svg: string): Result<readonly Shape[]> => {
  const own = motifOfClip(svg);
  if (own) return { ok: true, value: own.shapes };
  const read = READ_SVG.run({ text: svg });
  const motif = read.ok ? motifOfDrawing(read.value, taking, counter()) : read;
  return motif.ok ? { ok: true, value: motif.value.motif.shapes } : motif;
};
const taken = (svg: string): readonly Shape[] => made(shapesOf(svg));

describe('shapes on the clipboard', () => {
  it('come back as they were, numbers and all', () => {
    const svg = clipOf({ shapes: [petal, kite] }, 'mm', STRAIGHT);
    expect(isSvgText(svg)).toBe(true);
    expect(taken(svg)).toEqual([petal, kite]);
  });

  it('are a drawing to others: the same areas and paint, where they are wanted', () => {
    const foreign = clipOf({ shapes: [petal, kite] }, 'mm', STRAIGHT).replace(/<metadata.*<\/metadata>/s, '');
    const shapes = taken(foreign);
    expect(areaOf(shapes)).toBeCloseTo(areaOf([petal, kite]), 3);
    expect(shapes.map(({ paint }) => paint.fill)).toEqual([petal.paint.fill, kite.paint.fill]);
    expect(shapes[1]!.paint.stroke).toMatchObject({ colour: kite.paint.stroke!.colour, cap: 'round' });
    expect(shapes[1]!.paint.stroke!.width).toBeCloseTo(kite.paint.stroke!.width, 9);
    const box = boundsOfPaths(shapes.flatMap(({ form }) => pathsOfForm(form, STRAIGHT)));
    expect((box.left + box.right) / 2).toBeCloseTo(0, 6);
    expect((box.top + box.bottom) / 2).toBeCloseTo(-50, 6);
  });

  it('are of their true size, holes and strokes with them', () => {
    const [ring] = taken(
      '<svg><path id="ring" fill-rule="evenodd" stroke="red" stroke-width="4" d="M0 0h96v96h-96zM24 24h48v48h-48z"/></svg>',
    );
    // 96 pixels are an inch, which is 25.4 mm.
    expect(ring).toMatchObject({ name: 'ring', rule: 'evenodd' });
    expect(ring!.paint.stroke!.width).toBeCloseTo((4 * 25.4) / 96, 9);
    expect(ring!.form).toMatchObject({ kind: 'path', contours: [{ closed: true }, { closed: true }] });
    const { left, right, top } = boundsOfPaths(pathsOfForm(ring!.form, STRAIGHT));
    expect([left, right, top]).toEqual([-12.7, 12.7, -62.7].map((each) => expect.closeTo(each, 9) as number));
  });

  it('that are filled only are closed, however the drawing left them', () => {
    const [shape] = taken('<svg><path d="M0 0L10 0L10 10"/></svg>');
    expect(Math.abs(signedArea(pathsOfForm(shape!.form, STRAIGHT)))).toBeCloseTo(50 * (25.4 / 96) ** 2, 9);
    expect(shape!.form).toEqual(formOfPaths(pathsOfForm(shape!.form, STRAIGHT)));
  });

  it('with something wrong are a drawing still, or refused with a sentence', () => {
    const broken = clipOf({ shapes: [petal] }, 'mm', STRAIGHT).replace(
      '&quot;kind&quot;',
      '&quot;sort&quot;',
    );
    expect(taken(broken)[0]!.form.kind).toBe('path');
    expect(refusal(shapesOf('<svg><text>a</text></svg>'))).toMatch('nothing in this file');
    expect(refusal(shapesOf('<svg><path d="M0 0'))).toMatch('not well-formed');
    expect(isSvgText('just words')).toBe(false);
  });
});
