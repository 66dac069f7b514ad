import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { disc, withForms } from '../../../tests/help/figures';
import { made, refusal } from '../../../tests/help/made';
import { STRAIGHT } from '@/core/derive';
import { addRound, addShapes, removeShapes, roundOf, setFold } from '@/core/figure/commands';
import { type Figure, figureSchema, newRound, newShape, START_PAINT } from '@/core/figure';
import { readFigure, writeFigure } from '@/core/format/figure';
import { MAKERS } from '@/core/maker';
import { NO_TURN } from '@/core/number';
import { movedSlider, setFormula, setSliders, settled, spelled, withAllSet } from './formulas';
import { leversOf } from './levers';
import { nameOf } from './named';

const petal = { kind: 'petal' as const, at: { x: 0, y: 0 }, rotation: NO_TURN, params: MAKERS.petal.start };
/** Round “Round 1” with a petal; round “Outer rim” with a disc. */
const FIGURE: Figure = setSliders(
  addShapes(addRound(setFold(withForms(petal), 'r', 8), newRound('s', 'Outer rim', 12)), 's', [
    newShape('d', 'Dot', disc(0, -60, 5), START_PAINT),
  ]),
  [{ id: 'k', name: 'Boldness', value: 4, least: 1, most: 10 }],
);
const keyOf = (end: string): string => leversOf(FIGURE, STRAIGHT).find(({ key }) => key.endsWith(end))!.key;
const PETAL = keyOf(' width');
/** What the width of the petal is called. */
const WIDTH = spelled(nameOf(leversOf(FIGURE, STRAIGHT).find(({ key }) => key === PETAL)!));
const bound = (...formulas: [key: string, text: string][]) =>
  settled(
    formulas.reduce((figure, [key, text]) => setFormula(figure, key, text), FIGURE),
    STRAIGHT,
  );
const valueIn = (figure: Figure, key: string) =>
  leversOf(figure, STRAIGHT).find((lever) => lever.key === key)?.value;

describe('numbers that go by others', () => {
  it('are what their expressions say, each after those that it goes by, in whatever order they are kept', () => {
    const figure = made(
      bound(
        [PETAL, '2 * boldness + outer_rim.dot.width / 5'],
        ['d width', 'boldness ^ 2'],
        ['s fold', 'round_1.fold * 3'],
      ),
    );
    expect(valueIn(figure, 'd width')).toBeCloseTo(16, 9);
    expect(valueIn(figure, PETAL)).toBeCloseTo(8 + 16 / 5, 9);
    expect(roundOf(figure, 's').rule.fold).toBe(24);
    expect(figureSchema.validate(figure, { convert: false }).error).toBeUndefined();
    expect(made(readFigure(writeFigure(figure)))).toEqual(figure);
    // Settled once is settled.
    expect(made(settled(figure, STRAIGHT))).toBe(figure);
  });

  it('move with a slider, within its bounds', () => {
    const figure = made(bound([PETAL, 'min(boldness * 2, 15)']));
    const moved = made(settled(movedSlider(figure, 'k', 7), STRAIGHT));
    expect(valueIn(moved, PETAL)).toBeCloseTo(14, 9);
    expect(movedSlider(figure, 'k', 99).sliders?.[0]?.value).toBe(10);
    expect(valueIn(made(withAllSet(figure, [['boldness', '3']], STRAIGHT)), PETAL)).toBeCloseTo(6, 9);
    expect(refusal(withAllSet(figure, [['boldness', '30']], STRAIGHT))).toMatch(/“boldness” cannot be “30”/);
  });

  it('compute as arithmetic does', () => {
    const number = fc.double({ min: 0.5, max: 9, noNaN: true }).map((x) => Number(x.toFixed(3)));
    fc.assert(
      fc.property(number, number, number, fc.constantFrom('+', '-', '*', '/'), (a, b, c, sign) => {
        const said = `max(0.5, (${a} ${sign} ${b}) * ${c} - sqrt(4) ^ 2 / -2)`;
        const plain = { '+': a + b, '-': a - b, '*': a * b, '/': a / b }[sign];
        const wanted = Math.max(0.5, plain * c - 4 / -2);
        expect(valueIn(made(bound([PETAL, said])), PETAL)).toBeCloseTo(wanted, 6);
      }),
      { numRuns: 40 },
    );
  });

  it('that go in a circle are refused, with the circle named', () => {
    expect(refusal(bound([PETAL, 'dot.width'], ['d width', `${WIDTH} + 1`]))).toMatch(
      /in a circle: .*width → .*width → .*width/,
    );
    expect(refusal(bound([PETAL, `${WIDTH} * 2`]))).toMatch(/in a circle/);
  });

  it('say what is no name, no arithmetic, and nothing that can be drawn; nothing in them is run', () => {
    expect(refusal(bound([PETAL, 'gab + 1']))).toMatch(/called “gab”/);
    expect(refusal(bound([PETAL, 'fold']))).toMatch(/say which/);
    expect(refusal(bound([PETAL, '2 *']))).toMatch(/no expression/);
    for (const text of [
      '"a"',
      'boldness ? 1 : 2',
      'alert(1)',
      'constructor.constructor("x")()',
      '[1]',
      'this',
      'a = 2',
    ])
      expect(refusal(bound([PETAL, text])), text).not.toBeNull();
    expect(refusal(bound([PETAL, '0 - boldness']))).toMatch(/cannot be -4/);
    expect(refusal(bound([PETAL, '1 / (boldness - 4)']))).toMatch(/no number/);
  });

  it('of what is not there any more are let be', () => {
    const figure = made(bound(['d width', 'boldness']));
    const without = removeShapes(figure, 's', new Set(['d']));
    expect(made(settled(without, STRAIGHT))).toBe(without);
    expect(setFormula(figure, 'd width', null)).not.toHaveProperty('formulas');
  });
});
