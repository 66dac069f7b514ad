import { describe, expect, it } from 'vitest';

import { counter, withForms } from '../../../tests/help/figures';
import { made } from '../../../tests/help/made';
import { difference, pixelsOf } from '../../../tests/help/pictures';
import { mapPath, polygonPath, turnMap } from '@/core/curve';
import { STRAIGHT } from '@/core/derive';
import { setFold } from '@/core/figure/commands';
import { evaluateWhole, figureSchema } from '@/core/figure';
import { svgOf } from '@/core/format/svg';
import { formOfPaths } from '@/core/maker';
import { turn } from '@/core/number';
import { canBeRead, drawingOfShapes, withRoundsOf } from './inFigure';
import { AS_IT_IS } from './figureOfRead';
import { rebuildTask } from './rebuild';

const tooth = polygonPath([
  { x: 2, y: -60 },
  { x: 14, y: -52 },
  { x: 7, y: -30 },
]);
const teeth = Array.from({ length: 7 }, (_, k) => formOfPaths([mapPath(tooth, turnMap(turn(k, 7)))]));
const FIGURE = setFold(withForms(...teeth), 'r', 1);
const IDS = new Set(FIGURE.rounds[0]!.shapes.map(({ id }) => id));
const picture = async (figure: typeof FIGURE): Promise<Uint8Array> =>
  pixelsOf(svgOf(await evaluateWhole(figure), { form: 'plain', decimals: 4, background: true }), 300);

describe('shapes of a figure', () => {
  it('become rounds that draw the same, in their place', async () => {
    const drawing = drawingOfShapes(FIGURE, 'r', IDS, STRAIGHT);
    const { figure } = made(
      rebuildTask({ drawing, name: 'Teeth', ids: 'n', options: {}, choices: AS_IT_IS }).run(),
    );
    const after = withRoundsOf(FIGURE, 'r', IDS, figure.rounds);
    expect(figureSchema.validate(after, { convert: false }).error).toBeUndefined();
    expect(after.rounds.map(({ rule }) => rule.fold)).toEqual([7]);
    expect(difference(await picture(FIGURE), await picture(after))).toBeLessThan(0.0005);
  });

  it('leave what was not chosen', () => {
    const some = new Set([...IDS].slice(0, 6));
    const after = withRoundsOf(FIGURE, 'r', some, [{ ...FIGURE.rounds[0]!, id: counter()() }]);
    expect(after.rounds.map(({ shapes }) => shapes.length)).toEqual([1, 7]);
  });

  it('can be read where nothing is made of them', () => {
    const [round] = FIGURE.rounds;
    expect(canBeRead(round!, IDS)).toBe(true);
    expect(canBeRead(round!, new Set())).toBe(false);
    const united = {
      ...round!,
      shapes: round!.shapes.map((shape) => ({ ...shape, group: 'g' })),
      groups: [{ id: 'g', name: 'All', op: 'union' as const }],
    };
    expect(canBeRead(united, IDS)).toBe(false);
  });
});
