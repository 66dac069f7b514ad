import { describe, expect, it } from 'vitest';

import { NO_TURN } from '@/core/number';
import { type BuiltForm, MAKERS } from '@/core/maker';
import { brokenSentence } from './broken';
import { addShapes, setPage, setForm } from './commands';
import type { Figure, Shape } from './model';
import { figureSchema } from './schema';
import { withRound } from './update';
import { newFigure, newShape } from './start';

const petal: BuiltForm = {
  kind: 'petal',
  at: { x: 0, y: -10 },
  rotation: NO_TURN,
  params: MAKERS.petal.start,
};
const shape: Shape = newShape('p', 'Petal 2', petal, { fill: '#113d4c', stroke: null });
const figure = addShapes(newFigure('Sound', 'r'), 'r', [shape]);

const said = (wrong: unknown): string => {
  const { error } = figureSchema.validate(wrong);
  return error ? brokenSentence(wrong, error) : 'nothing is wrong';
};
const formed = (form: object): Figure =>
  setForm(figure, { roundId: 'r', shapeId: 'p' }, { ...petal, ...form });

describe('What is wrong with a figure', () => {
  it('is said in words of the field, with the unit', () => {
    expect(said(figure)).toBe('nothing is wrong');
    expect(said(setPage(figure, { width: 250_000 }))).toBe('A width is at most 100\u00a0000\u00a0mm');
    expect(said(setPage(figure, { width: 0 }))).toBe('A width is at least 0.000001\u00a0mm');
    expect(said(setPage(figure, { centre: { x: 150_000, y: 0 } }))).toMatch(
      /^A position across is at most 100/,
    );
    expect(said(setPage(figure, { width: NaN }))).toBe('A width is a number that can be kept');
  });

  it('is said with the names of its round and shape', () => {
    expect(said(formed({ params: { ...petal.params, width: 1e9 } }))).toBe(
      'In “Round 1”, “Petal 2”: “Width” is at most 100\u00a0000\u00a0mm',
    );
    expect(said(formed({ at: { x: 0, y: -90_000_000 } }))).toMatch(
      /^In “Round 1”, “Petal 2”: a position up or down/,
    );
    const folded = withRound(figure, 'r', (round) => ({ ...round, rule: { ...round.rule, fold: 9999 } }));
    expect(said(folded)).toMatch(/^In “Round 1”: the fold is at most 720$/);
  });

  it('is said as the file says it where there is no better word', () => {
    expect(said({ ...figure, extra: 1 })).toMatch(/not allowed/);
    expect(said(null)).toMatch(/object/);
  });
});
