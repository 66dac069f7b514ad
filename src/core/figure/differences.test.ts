import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { kelpCrown } from '../../../demo/pieces/kelpCrown';
import { tideDial } from '../../../demo/pieces/tideDial';
import { anyFigure, Chance } from '../../../tests/help/anyFigure';
import { disc, withForms } from '../../../tests/help/figures';
import { removeRound, renameFigure, setFold, setMerge, setMirror } from './commands';
import { differences } from './differences';
import { foundBy } from './foundBy';
import type { Figure } from './model';
import { swapColour, coloursOfFigure } from './recolour';
import { withRound } from './update';

const crown = kelpCrown();
const front = crown.rounds[0]!;

let count = 0;

describe('what is different', () => {
  it('is said by name and number', () => {
    const folded = setFold(crown, front.id, front.rule.fold + 4);
    expect(differences(crown, folded)).toEqual([
      `${front.name}: fold ${front.rule.fold} → ${front.rule.fold + 4}`,
    ]);
    expect(differences(folded, crown)).toEqual([
      `${front.name}: fold ${front.rule.fold + 4} → ${front.rule.fold}`,
    ]);
    const mirrored = setMirror(crown, front.id, !front.rule.mirror);
    expect(differences(crown, mirrored)[0]).toMatch(/: mirror (on → off|off → on)$/);
    expect(differences(crown, setMerge(crown, front.id, 'weave')).join()).toContain('→ weave');
    expect(differences(crown, renameFigure(crown, 'Crown'))).toEqual(['Called “Kelp crown” → “Crown”']);
    const page = { ...crown.page, width: 200 };
    expect(differences(crown, { ...crown, page })[0]).toBe('Page 180 × 180 mm → 200 × 180 mm');
    expect(differences(crown, removeRound(crown, front.id))).toContain(`${front.name}: a round fewer`);
    expect(differences(removeRound(crown, front.id), crown)).toContain(
      `${front.name}: a round more, fold ${front.rule.fold}`,
    );
  });

  it('of a construction is said by the names of its fields, in the unit', () => {
    const petal = crown.rounds.flatMap(({ shapes }) => shapes).find(({ form }) => form.kind === 'petal')!;
    const round = crown.rounds.find(({ shapes }) => shapes.includes(petal))!;
    const wider = withRound(crown, round.id, (each) => ({
      ...each,
      shapes: each.shapes.map((shape) =>
        shape === petal && petal.form.kind === 'petal'
          ? { ...shape, form: { ...petal.form, params: { ...petal.form.params, width: 41.5 } } }
          : shape,
      ),
    }));
    expect(differences(crown, wider).join()).toMatch(
      new RegExp(`${petal.name}: .*width [\\d.]+ mm → 41.5 mm`),
    );
  });

  it('of colours counts those that came and went', () => {
    const [{ colour } = { colour: '' }] = coloursOfFigure(crown);
    const lines = differences(crown, swapColour(crown, colour, '#123456'));
    expect(lines).toContain('1 colour more (#123456)');
    expect(lines).toContain(`1 colour fewer (${colour})`);
  });

  it('is nothing between a figure and itself, and always something where a round was turned otherwise', () => {
    fc.assert(
      fc.property(fc.nat(), fc.integer({ min: 1, max: 60 }), (seed, fold) => {
        const figure = anyFigure(new Chance(seed), () => `n${(count += 1)}`);
        const copy = JSON.parse(JSON.stringify(figure)) as Figure;
        expect(differences(figure, copy)).toEqual([]);
        const round = figure.rounds[0]!;
        if (round.rule.fold === fold) return;
        expect(differences(figure, setFold(figure, round.id, fold)).length).toBeGreaterThan(0);
      }),
      { numRuns: 60 },
    );
  });
});

it('a figure is found by how it is turned, its colours and the words in it', () => {
  const { folds, colours, words } = foundBy(crown);
  expect(folds).toContain(`${front.rule.fold} fold`);
  expect(colours).toMatch(/[0-9a-f]{6}/);
  expect(words).toContain('Petal');
  expect(foundBy(tideDial()).words).toContain('Dial');
});

it('tells sliders and what goes by them', () => {
  const figure = withForms(disc(0, -40, 5));
  const slider = { id: 'k', name: 'Boldness', value: 4, least: 1, most: 10 };
  const one = { ...figure, sliders: [slider] };
  expect(differences(figure, one)).toEqual(['Boldness: a slider more']);
  expect(differences(one, { ...one, sliders: [{ ...slider, value: 7 }] })).toEqual([
    expect.stringMatching(/Boldness.*4.*7/) as string,
  ]);
  expect(differences(one, { ...one, formulas: [{ lever: 'r fold', text: '2 * 4' }] })).toEqual([
    'Other numbers go by others, or by other ones',
  ]);
});
