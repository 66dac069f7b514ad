import { petalOfSize } from '../maker/petal';
import { STRAIGHT } from '../derive';
import { describe, expect, it } from 'vitest';

import { counter } from '../../../tests/help/figures';
import { boundsOfPaths } from '../curve/bounds';
import { signedArea } from '../curve/path';
import type { Shape } from '../figure/model';
import { newShape, START_LINE, START_PAINT } from '../figure/start';
import { formOfPaths, pathsOfForm } from '../maker/form';
import { MAKERS } from '../maker/makers';
import { turn } from '../number/turn';
import { clipOf, isSvgText, shapesOfSvg } from './clip';

const room = { middle: { x: 0, y: -50 }, size: 60 };

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

describe('shapes on the clipboard', () => {
  it('come back as they were, numbers and all', () => {
    const svg = clipOf([petal, kite], 'mm', STRAIGHT);
    expect(isSvgText(svg)).toBe(true);
    expect(shapesOfSvg(svg, room, counter())).toEqual([petal, kite]);
  });

  it('are a drawing to others: the same areas and paint, in the middle of the room', () => {
    const foreign = clipOf([petal, kite], 'mm', STRAIGHT).replace(/<metadata.*<\/metadata>/s, '');
    const shapes = shapesOfSvg(foreign, room, counter());
    expect(areaOf(shapes)).toBeCloseTo(areaOf([petal, kite]), 3);
    expect(shapes.map(({ paint }) => paint)).toEqual([petal.paint, kite.paint]);
    const box = boundsOfPaths(shapes.flatMap(({ form }) => pathsOfForm(form, STRAIGHT)));
    expect((box.left + box.right) / 2).toBeCloseTo(0, 6);
    expect((box.top + box.bottom) / 2).toBeCloseTo(-50, 6);
  });

  it('are made smaller where they are larger than the room, holes and strokes with them', () => {
    const [ring] = shapesOfSvg(
      '<svg><path id="ring" fill-rule="evenodd" stroke="red" stroke-width="4" d="M0 0h600v600h-600zM100 100h400v400h-400z"/></svg>',
      room,
      counter(),
    );
    expect(ring).toMatchObject({ name: 'ring', rule: 'evenodd', paint: { stroke: { width: 0.4 } } });
    expect(ring!.form).toMatchObject({ kind: 'path', contours: [{ closed: true }, { closed: true }] });
    expect(boundsOfPaths(pathsOfForm(ring!.form, STRAIGHT))).toMatchObject({ left: -30, right: 30 });
  });

  it('that are filled only are closed, however the drawing left them', () => {
    const [shape] = shapesOfSvg('<svg><path d="M0 0L10 0L10 10"/></svg>', room, counter());
    expect(Math.abs(signedArea(pathsOfForm(shape!.form, STRAIGHT)))).toBeCloseTo(50, 9);
    expect(shape!.form).toEqual(formOfPaths(pathsOfForm(shape!.form, STRAIGHT)));
  });

  it('with something wrong are a drawing still, or refused with a sentence', () => {
    const broken = clipOf([petal], 'mm', STRAIGHT).replace('&quot;kind&quot;', '&quot;sort&quot;');
    expect(shapesOfSvg(broken, room, counter())[0]!.form.kind).toBe('path');
    expect(() => shapesOfSvg('<svg><text>a</text></svg>', room, counter())).toThrow('nothing in this SVG');
    expect(() => shapesOfSvg('<svg><path d="M0 0', room, counter())).toThrow('not well-formed');
    expect(isSvgText('just words')).toBe(false);
  });
});
