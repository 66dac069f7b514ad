import { describe, expect, it } from 'vitest';

import { STRAIGHT } from '@/core/derive';
import { formFinding, offset } from '@/core/maker';
import { NO_TURN } from '@/core/number';
import { addShapes, setMerge } from './commands';
import { evaluate } from './evaluate';
import type { Figure } from './model';
import { figureSchema, takenAsSound } from './schema';
import { newFigure, newShape, START_PAINT } from './start';

const offsetFigure = (away: number) =>
  addShapes(newFigure('Offset', 'r'), 'r', [
    newShape(
      's',
      'Offset',
      { kind: 'offset', at: { x: 0, y: -40 }, rotation: NO_TURN, params: { ...offset.start, away } },
      START_PAINT,
    ),
  ]);

describe('the schema', () => {
  it('takes the same figure whatever was worked out of it before', () => {
    // Nothing is left of this shape that far inward; whether that is known does not count.
    const figure = offsetFigure(-100);
    const isValid = (): boolean => figureSchema.validate(figure).error === undefined;
    const before = isValid();
    expect(formFinding(figure.rounds[0]!.shapes[0]!.form, STRAIGHT)?.code).toBe('offset.nothing');
    const after = isValid();
    const copy = JSON.parse(JSON.stringify(figure)) as typeof figure;
    expect([before, after, figureSchema.validate(copy).error === undefined]).toEqual([true, true, true]);
  });

  it('looks at what changed alone in a figure that was checked elsewhere', () => {
    const isValid = (figure: Figure): boolean => figureSchema.validate(figure).error === undefined;
    const broken = offsetFigure(Number.NaN);
    const [round] = broken.rounds;
    expect(isValid(broken)).toBe(false);
    takenAsSound(broken);
    // What a step leaves as it is is not looked at, what it brings is.
    expect(isValid({ ...broken, rounds: [{ ...round!, name: 'Another' }] })).toBe(true);
    expect(isValid({ ...broken, rounds: [{ ...round!, name: '' }] })).toBe(false);
    expect(isValid({ ...broken, rounds: [{ ...round!, shapes: [{ ...round!.shapes[0]! }] }] })).toBe(false);
  });

  it('takes paints of cells by their places, each of which is a paint, and no list of them', () => {
    const divided = setMerge(offsetFigure(1), 'r', 'divide');
    const painted = (single: unknown): boolean => {
      const [round] = divided.rounds;
      const cells = { frame: false, fused: [], removed: [], paints: { k1: { single } } };
      const changed = { ...divided, rounds: [{ ...round, merge: { ...round!.merge, cells } }] };
      return figureSchema.validate(changed).error === undefined;
    };
    expect(painted({ 0: START_PAINT, 3: { fill: '#d9512c', stroke: null } })).toBe(true);
    expect(painted([START_PAINT])).toBe(false);
    expect(painted({ 0: START_PAINT, first: START_PAINT })).toBe(false);
    expect(painted({ 0: START_PAINT, 3: { fill: 'red', stroke: null } })).toBe(false);
    expect(painted(null)).toBe(false);
  });

  it('does not work anything out: a whirl of many nodes is checked by its numbers alone', () => {
    const nodes = Array.from({ length: 400 }, (_, k) => ({
      x: 20 * Math.cos((2 * Math.PI * k) / 400) * (1 + 0.2 * (k % 2)),
      y: 20 * Math.sin((2 * Math.PI * k) / 400) * (1 + 0.2 * (k % 2)),
      kind: 'corner' as const,
    }));
    const figure = addShapes(newFigure('Whirl', 'r'), 'r', [
      newShape(
        's',
        'Whirl',
        {
          kind: 'nest',
          at: { x: 0, y: -40 },
          rotation: NO_TURN,
          params: {
            shape: [{ closed: true, nodes }],
            angle: { num: 1, den: 36 },
            ends: 'count',
            count: 8,
            smallest: 0.1,
          },
        },
        START_PAINT,
      ),
    ]);
    // Working its factor out takes half a minute: this ends long before the test's limit.
    expect(figureSchema.validate(figure).error).toBeUndefined();
  });

  it('takes only angles that can be turned by, however they meet', () => {
    const ruled = (start: number, sweep: number) => {
      const figure = offsetFigure(2);
      const rule = {
        fold: 720,
        mirror: false,
        start: { num: 360, den: start },
        sweep: { turn: { num: 360, den: sweep }, ends: false },
      };
      return { ...figure, rounds: figure.rounds.map((round) => ({ ...round, rule })) };
    };
    const fine = ruled(99_999_989, 99_999_971);
    expect(figureSchema.validate(fine).error).toBeUndefined();
    expect(evaluate(fine, new Map(), STRAIGHT).layers[0]!.copies).toHaveLength(720);
    expect(figureSchema.validate(ruled(2 ** 41 + 1, 7)).error?.message).toContain('too fine');
  });
});
