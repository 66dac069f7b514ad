import { made } from '../../../tests/help/made';
import { STRAIGHT } from '@/core/derive';
import { describe, expect, it } from 'vitest';

import { counter, disc, withForms } from '../../../tests/help/figures';
import { circle } from '../../../tests/help/motifs';
import { difference, pixelsOf } from '../../../tests/help/pictures';
import { signedArea, splitAt } from '@/core/curve';
import { type Form, formOfPaths, pathForm, pathsOfForm } from '@/core/maker';
import { NO_TURN } from '@/core/number';
import { DEFAULT_SVG } from '@/core/format/svg/svg';
import { svgOf } from '@/core/format/svg';
import type { Scene } from '@/core/scene';
import {
  addRound,
  combinedOf,
  combineShapes,
  divideShapes,
  duplicateShapes,
  makeBands,
  makeCombinedPlain,
  makeRoundPlain,
  moveShapes,
  offsetShapes,
  removeShapes,
  roundOf,
  setLowerAction,
  setFold,
  setMerge,
  setMirror,
  setStroke,
  spreadOutward,
  takeApart,
  tidyShapes,
  trimToShape,
} from './commands';
import { evaluate } from './evaluate';
import { evaluateWhole } from './evaluateWhole';
import type { Figure } from './model';
import { figureSchema } from './schema';
import { newRound, newShape, START_PAINT } from './start';

const areaOf = ({ layers }: Scene): number =>
  layers.reduce(
    (sum, { items, copies }) =>
      sum + copies.length * items.reduce((all, { paths }) => all + Math.abs(signedArea(paths)), 0),
    0,
  );
const area = (figure: Figure): number => areaOf(evaluate(figure, new Map(), STRAIGHT));
const both = new Set(['s0', 's1']);

/** Two equal circles, radius r, d apart: Weisstein, "Circle-Circle Intersection", MathWorld. */
const lens = (r: number, d: number): number =>
  2 * r * r * Math.acos(d / (2 * r)) - (d / 2) * Math.sqrt(4 * r * r - d * d);

const pair = (): Figure => setFold(withForms(disc(0, -40, 10), disc(12, -40, 10)), 'r', 1);

describe('combined shapes', () => {
  it('have the areas of their operation, live, and come apart as they were', () => {
    const figure = pair();
    const shared = lens(10, 12);
    const disc1 = Math.PI * 100;
    const op = (name: 'union' | 'subtract' | 'intersection' | 'exclusion' | 'clip') =>
      combineShapes(figure, 'r', both, name, counter());
    expect(area(op('union'))).toBeCloseTo(2 * disc1 - shared, 6);
    expect(area(op('subtract'))).toBeCloseTo(disc1 - shared, 6);
    expect(area(op('intersection'))).toBeCloseTo(shared, 6);
    expect(area(op('clip'))).toBeCloseTo(shared, 6);
    expect(area(op('exclusion'))).toBeCloseTo(2 * disc1 - 2 * shared, 6);
    const cut = op('subtract');
    expect(figureSchema.validate(cut).error).toBeUndefined();
    // A shape that moves away leaves the other whole.
    expect(area(moveShapes(cut, 'r', new Set(['s1']), { x: 30, y: 0 }))).toBeCloseTo(disc1, 6);
    expect(combinedOf(roundOf(cut, 'r'), roundOf(cut, 'r').shapes)?.op).toBe('subtract');
    expect(roundOf(takeApart(cut, 'r', both), 'r').shapes.map(({ form }) => form)).toEqual(
      roundOf(figure, 'r').shapes.map(({ form }) => form),
    );
    expect(roundOf(takeApart(cut, 'r', both), 'r').groups).toBeUndefined();
    // With one member gone it is the other; with both there is nothing.
    expect(area(removeShapes(cut, 'r', new Set(['s1'])))).toBeCloseTo(disc1, 6);
    const ids = counter();
    for (let k = 0; k < 9; k += 1) ids();
    const twice = duplicateShapes(cut, 'r', both, ids, { x: 0, y: -50 }).figure;
    expect(area(twice)).toBeCloseTo(2 * (disc1 - shared), 6);
  });

  it('become plain paths that look the same, and take part in merges as what they are', async () => {
    const cut = combineShapes(setFold(pair(), 'r', 5), 'r', both, 'subtract', counter());
    const plain = makeCombinedPlain(cut, 'r', both, STRAIGHT);
    expect(plain.ids).toEqual(['s0']);
    expect(area(plain.figure)).toBeCloseTo(area(cut), 6);
    expect(roundOf(plain.figure, 'r').shapes.map(({ form }) => form.kind)).toEqual(['path']);
    const merged = areaOf(await evaluateWhole(setMerge(cut, 'r', 'union')));
    expect(merged).toBeCloseTo(areaOf(await evaluateWhole(setMerge(plain.figure, 'r', 'union'))), 6);
  });

  it('count a line as the band that it is seen as, and clip it so', () => {
    const line: Form = pathForm(
      [
        { x: -30, y: -40, kind: 'corner' },
        { x: 30, y: -40, kind: 'corner' },
      ],
      false,
    );
    const lined = setStroke(
      withForms(line, disc(0, -40, 10)),
      { of: 'shapes', roundId: 'r', shapeIds: new Set(['s0']) },
      { width: 2, cap: 'butt' },
    );
    const figure: Figure = {
      ...lined,
      rounds: lined.rounds.map((round) => ({
        ...round,
        rule: { ...round.rule, fold: 1 },
        shapes: round.shapes.map((shape) =>
          shape.id === 's0' ? { ...shape, paint: { ...shape.paint, fill: null } } : shape,
        ),
      })),
    };
    // A strip of 2 across a disc of 10: 2 (√(r² − 1) + r² asin(1/r)), by the integral of the circle.
    const strip = 2 * (Math.sqrt(99) + 100 * Math.asin(0.1));
    expect(area(combineShapes(figure, 'r', both, 'clip', counter()))).toBeCloseTo(strip, 6);
    expect(area(trimToShape(figure, 'r', both, counter(), STRAIGHT).figure)).toBeCloseTo(strip, 6);
  });

  it('are divided into a shape for each cell, each in the paint that was on top', () => {
    const { figure, ids } = made(divideShapes(pair(), 'r', both, counter(), STRAIGHT));
    expect(ids).toHaveLength(3);
    const shapes = roundOf(figure, 'r').shapes;
    expect(shapes.reduce((sum, { form }) => sum + signedArea(pathsOfForm(form, STRAIGHT)), 0)).toBeCloseTo(
      2 * Math.PI * 100 - lens(10, 12),
      6,
    );
  });
});

describe('bands and offsets of shapes', () => {
  it('stay constructions, and leave a fill behind', () => {
    const figure = setStroke(
      setFold(withForms(disc(0, -40, 10)), 'r', 1),
      { of: 'shapes', roundId: 'r', shapeIds: new Set(['s0']) },
      { width: 4 },
    );
    const { figure: banded, ids } = makeBands(figure, 'r', new Set(['s0']), counter(), STRAIGHT);
    expect(ids).toHaveLength(1);
    expect(roundOf(banded, 'r').shapes.map(({ form }) => form.kind)).toEqual(['ellipse', 'band']);
    expect(area(banded)).toBeCloseTo(Math.PI * (100 + 144 - 64), 6);
    const grown = offsetShapes(figure, 'r', new Set(['s0']), 3, counter(), STRAIGHT).figure;
    expect(roundOf(grown, 'r').shapes.map(({ form }) => form.kind)).toEqual(['offset', 'ellipse']);
    expect(area(grown)).toBeCloseTo(Math.PI * (169 + 100), 6);
    expect(figureSchema.validate(grown).error).toBeUndefined();
    // Too far inward: nothing is made, and nothing lost.
    expect(offsetShapes(figure, 'r', new Set(['s0']), -11, counter(), STRAIGHT).ids).toEqual([]);
  });

  it('are moved outward along their own direction, as far as was asked', () => {
    const figure = withForms(disc(30, -40, 5), disc(0, 60, 5));
    const [a, b] = roundOf(spreadOutward(figure, 'r', both, 10, STRAIGHT), 'r').shapes.map(({ form }) =>
      form.kind === 'path' ? null : form.at,
    );
    expect(a!.x).toBeCloseTo(36, 9);
    expect(a!.y).toBeCloseTo(-48, 9);
    expect(b!.y).toBeCloseTo(70, 9);
  });
});

describe('a round made plain', () => {
  it('looks the same with nothing live left in it', async () => {
    const base = setMirror(setFold(withForms(disc(7, -40, 16), disc(3, -22, 6)), 'r', 6), 'r', true);
    const cutter = {
      ...newRound('top', 'Top', 6),
      shapes: [newShape('c', 'Cut', disc(0, -40, 5), START_PAINT)],
    };
    for (const figure of [
      setMerge(base, 'r', 'union'),
      setMerge(base, 'r', 'divide'),
      setLowerAction(addRound(base, cutter), 'top', { how: 'cut' }),
    ]) {
      const scene = await evaluateWhole(figure);
      const layers = scene.layers.filter(({ roundId }) => roundId === 'r');
      const plain = makeRoundPlain(figure, 'r', layers, counter());
      const alone = { ...plain, rounds: plain.rounds.filter(({ id }) => id !== 'top') };
      expect(
        alone.rounds.every(({ merge, lowerAction }) => merge === null && lowerAction === undefined),
      ).toBe(true);
      expect(figureSchema.validate(plain).error).toBeUndefined();
      const [before, after] = [scene, evaluate(alone, new Map(), STRAIGHT)].map((each) =>
        pixelsOf(svgOf(each, DEFAULT_SVG), 300),
      );
      expect(difference(before!, after!)).toBeLessThan(0.002);
    }
  });
});

describe('tidying', () => {
  const square = [
    [0, 0],
    [0, 0],
    [5, 0],
    [10, 0],
    [10, 10],
    [0, 10],
  ] as const;
  const corner = ([x, y]: readonly [number, number]) => ({ x, y, kind: 'corner' as const });

  it('takes away doubled and needless nodes and says how many', () => {
    const figure = withForms(pathForm(square.map(corner), true));
    const { figure: tidy, report } = tidyShapes(figure, 'r', both, 0.01, false, STRAIGHT);
    expect(report).toMatchObject({ before: 6, after: 4, doubled: 1, needless: 1, closed: 0, slivers: 0 });
    expect(signedArea(pathsOfForm(roundOf(tidy, 'r').shapes[0]!.form, STRAIGHT))).toBeCloseTo(100, 9);
    const again = tidyShapes(tidy, 'r', both, 0.01, false, STRAIGHT);
    expect(again.report).toMatchObject({ before: 4, after: 4 });
    expect(roundOf(again.figure, 'r')).toBe(roundOf(tidy, 'r'));
  });

  it('closes gaps under a width and drops slivers, and leaves what is larger', () => {
    const open = pathForm([...square.slice(1), [0, 0.004] as const].map(corner), false);
    const sliver = pathForm(
      (
        [
          [20, 0],
          [30, 0],
          [30, 0.002],
        ] as const
      ).map(corner),
      true,
    );
    const narrow = pathForm(
      (
        [
          [20, 5],
          [30, 5],
          [30, 6],
        ] as const
      ).map(corner),
      true,
    );
    const { figure, report } = tidyShapes(
      withForms(open, sliver, narrow),
      'r',
      new Set(['s0', 's1', 's2']),
      0.01,
      false,
      STRAIGHT,
    );
    expect(report).toMatchObject({ closed: 1, slivers: 1 });
    expect(roundOf(figure, 'r').shapes.map(({ id }) => id)).toEqual(['s0', 's2']);
    const [first] = pathsOfForm(roundOf(figure, 'r').shapes[0]!.form, STRAIGHT);
    expect(first?.closed).toBe(true);
    expect(signedArea([first!])).toBeCloseTo(100, 1);
  });

  it('joins halves of arcs and curves that were cut', () => {
    const whole = circle(0, -20, 10);
    const quarters = formOfPaths([
      { closed: true, segments: whole.segments.flatMap((segment) => splitAt(segment, 0.5)) },
    ]);
    const { report } = tidyShapes(withForms(quarters), 'r', both, 0.001, false, STRAIGHT);
    expect(report.before).toBe(4);
    expect(report.after).toBe(2);
  });

  it('is nothing for a construction', () => {
    const figure = withForms({
      kind: 'ellipse',
      at: { x: 0, y: 0 },
      rotation: NO_TURN,
      params: { width: 6, height: 4 },
    });
    expect(roundOf(tidyShapes(figure, 'r', both, 1, false, STRAIGHT).figure, 'r')).toBe(roundOf(figure, 'r'));
  });
});
