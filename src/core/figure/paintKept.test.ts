import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { anyFigure, Chance } from '../../../tests/help/anyFigure';
import { counter } from '../../../tests/help/figures';
import { NAMES, step } from '../../../tests/help/steps';
import { STRAIGHT } from '@/core/derive';
import { MAKERS } from '@/core/maker';
import { turn } from '@/core/number';
import { coloursOfPaint } from '@/core/paint';
import type { Figure, Shape } from './model';
import { partsWithPaint } from './parts';
import { recoloured } from './recolour';
import { newShape } from './start';

/** Commands that give no paint: what they do is a matter of form and place. */
const UNPAINTING = NAMES.filter(
  (name) =>
    !/colour|paint|fill|stroke|swatch|palette|backing|page|progression|variation|addShapes|addRound|drawFrame|placeDrawing|placeMotif|followMotif|nestFigure|stampAlong|setForm|startStamps|underlay/i.test(
      name,
    ),
);

/** What a placed figure has as its own paint, which nothing of it shows. */
const UNSEEN = '#fedcba';

const placed = (id: string): Shape =>
  newShape(
    id,
    'Placed',
    { kind: 'drawing', at: { x: 3, y: -30 }, rotation: turn(1, 24), params: MAKERS.drawing.start },
    { fill: UNSEEN, stroke: null },
  );

/** Placed figures in front of all motifs, in colours of their own; linked rounds have the same. */
const withPlaced = (figure: Figure, newId: () => string): Figure => {
  const shape = placed(newId());
  return {
    ...figure,
    rounds: figure.rounds.map((round) => ({
      ...round,
      shapes: [
        ...round.shapes.map((each) =>
          each.form.kind === 'drawing' ? { ...each, paint: { fill: UNSEEN, stroke: null } } : each,
        ),
        recolouredDrawing(round.motif === undefined ? placed(newId()) : shape),
      ],
    })),
  };
};

const recolouredDrawing = (shape: Shape): Shape =>
  shape.form.kind === 'drawing'
    ? {
        ...shape,
        form: {
          ...shape.form,
          params: {
            ...shape.form.params,
            parts: shape.form.params.parts.map((part) => ({
              ...part,
              paint: { fill: '#445566', stroke: null },
            })),
          },
        },
      }
    : shape;

/** The colours in which shapes are seen; of those that stamp in varied colours all that they have, or their own alone. */
function coloursIn({ rounds }: Figure, all: boolean): Set<string> {
  const paints = rounds.flatMap(({ shapes }) =>
    shapes.flatMap((shape) => {
      if (shape.form.kind === 'stamp' && !all) return [shape.paint];
      const own = shape.form.kind === 'drawing' ? [] : [shape.paint];
      return [...own, ...partsWithPaint(shape, null, STRAIGHT).map(({ paint }) => paint)];
    }),
  );
  return new Set(paints.flatMap(coloursOfPaint));
}

describe('commands', () => {
  it('that do not paint leave no shape in a colour that was not there, nor lose one of a shape that stays', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 2 ** 31 }), fc.constantFrom(...UNPAINTING), (seed, name) => {
        const chance = new Chance(seed);
        const newId = counter();
        // In colours that no command gives by itself, nor by chance; with a placed figure, which has paints of its own, in each round.
        const figure = recoloured(
          anyFigure(chance, newId),
          { of: 'figure' },
          (colour) => `#0${colour.slice(2)}`,
        );
        const before = withPlaced(figure, newId);
        const after = step(before, name, chance, newId);
        const had = coloursIn(before, true);
        const added = [...coloursIn(after, false)].filter((colour) => !had.has(colour));
        expect(added.map((colour) => `${name}: ${colour}`)).toEqual([]);
      }),
      { numRuns: 500 },
    );
  }, 120_000);
});
