import { describe, expect, it } from 'vitest';

import { STRAIGHT } from '@/core/derive';
import { type BuiltForm, formProblem, MAKERS, pathForm, withParams } from '@/core/maker';
import { NO_TURN } from '@/core/number';
import type { PathNode } from '@/core/curve';
import { addShapes, bendShapes, setBend, setFold } from './commands';
import { boundedFigure, excessOf } from './excess';
import { HEAVY } from '../../../tests/help/heavy';
import type { Figure, Shape } from './model';
import { newFigure, newShape } from './start';

const zigzag = (count: number): PathNode[] =>
  Array.from({ length: count }, (_, k) => ({ x: k % 2, y: -10 - k / 100, kind: 'corner' }));
const shape = (nodes: number, id: string): Shape =>
  newShape(id, `Shape ${id}`, pathForm(zigzag(nodes), false), { fill: null, stroke: null });
const figureWith = (...shapes: Shape[]): Figure => addShapes(newFigure('Full', 'r'), 'r', shapes);
const sentence = (figure: Figure): string | null => excessOf(figure, STRAIGHT)?.sentence ?? null;

const dashed = (dash: number): Shape => ({
  ...shape(40, 'd'),
  paint: {
    fill: null,
    stroke: { colour: '#113d4c', width: 1, cap: 'butt', join: 'miter', dashes: [dash, dash] },
  },
});

describe('What a figure may ask for', () => {
  it('is copies times nodes, with the round named', () => {
    const figure = figureWith(shape(5000, 'a'));
    expect(sentence(setFold(figure, 'r', 100))).toBeNull();
    expect(sentence(setFold(figure, 'r', 720))).toMatch(
      /720 copies of the 4999 nodes of “Round 1”.*1 million/,
    );
  });

  it('is all rounds together', () => {
    expect(sentence(HEAVY.whirls())).toMatch(/copies|All rounds together/);
    const one = setFold(figureWith(shape(5000, 'a')), 'r', 180);
    const three = { ...one, rounds: [1, 2, 3].map((k) => ({ ...one.rounds[0]!, id: `r${k}` })) };
    expect(sentence(one)).toBeNull();
    expect(sentence(three)).toMatch(/All rounds together would draw 2\.7 million nodes; 2 million/);
    expect(boundedFigure(three, STRAIGHT).rounds.map(({ rule }) => rule.fold)).toEqual([180, 180, 1]);
  });

  it('is shown once where it is more, and as it is where it is not', () => {
    const sound = setFold(figureWith(shape(40, 'a')), 'r', 12);
    expect(boundedFigure(sound, STRAIGHT)).toBe(sound);
    for (const name of ['union', 'dashes', 'whirls'] as const) {
      const bounded = boundedFigure(HEAVY[name](), STRAIGHT);
      expect(excessOf(bounded, STRAIGHT), name).toBeNull();
      expect(boundedFigure(bounded, STRAIGHT)).toBe(bounded);
    }
  });

  it('counts each unit of a strip, before it is bent; shown once it is one unit', () => {
    const straight = figureWith(shape(300, 'a'));
    const made = bendShapes(straight, 'r', new Set(['a']), () => 'g', STRAIGHT);
    if (!made.ok) throw new Error(made.finding.sentence);
    const strip = setFold(
      setBend(made.value.figure, 'r', 'g', { radius: 900, height: 2, units: 720 }),
      'r',
      12,
    );
    expect(sentence(setBend(strip, 'r', 'g', { units: 100 }))).toBeNull();
    expect(sentence(strip)).toMatch(/12 copies of the 215280 nodes/);
    const [once] = boundedFigure(strip, STRAIGHT).rounds;
    expect([once!.rule.fold, once!.groups![0]!.bend!.units]).toEqual([1, 1]);
  });

  it('is dashes of a line, with the shape named', () => {
    expect(sentence(figureWith(dashed(0.1)))).toBeNull();
    expect(sentence(figureWith(dashed(1e-9)))).toMatch(/“Shape d” would have more than 20000 dashes/);
  });

  it('is bounded in constructions by their own numbers', () => {
    const long = [{ closed: false, nodes: zigzag(20_000) }];
    const closed = [{ closed: true, nodes: zigzag(9000) }];
    const of = (kind: 'stamp' | 'offset' | 'nest', params: object): string | undefined => {
      const form = { kind, at: { x: 0, y: 0 }, rotation: NO_TURN, params: MAKERS[kind].start } as BuiltForm;
      return formProblem(withParams(form, { ...form.params, ...params }))?.sentence;
    };
    expect(of('stamp', { shape: long })).toBeUndefined();
    expect(of('stamp', { shape: long, spacing: 0.1 })).toMatch(/400000 nodes at most/);
    expect(of('offset', { shape: closed })).toMatch(/5000 nodes at most/);
    const ring = [
      {
        closed: true,
        nodes: zigzag(4).map((node, k) => ({
          ...node,
          ...[
            { x: -9, y: -9 },
            { x: 9, y: -9 },
            { x: 9, y: 9 },
            { x: -9, y: 9 },
          ][k],
        })),
      },
    ];
    expect(of('nest', { shape: ring })).toBeUndefined();
  });
});
