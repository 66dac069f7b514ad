import { describe, expect, it } from 'vitest';

import { disc, withForms } from '../../../tests/help/figures';
import { setFold } from '@/core/figure/commands';
import { evaluateWhole } from '@/core/figure';
import { contentsOf } from './contents';
import { dxf } from './dxf';
import { svg } from './svg';

const told = (id: string, text: string) =>
  Object.fromEntries(contentsOf(id, text).map(({ caption, value }) => [caption, value]));

describe('what is in a file', () => {
  it('is told of what was written', async () => {
    const figure = setFold(withForms(disc(0, -40, 5)), 'r', 6);
    const source = { figure, scene: await evaluateWhole(figure) };
    expect(told('svg', svg.write(source, svg.start))).toMatchObject({
      'Motifs, once each': '1',
      'Uses of them': '6',
      Paths: '1',
    });
    expect(told('svg', svg.write(source, { ...svg.start, form: 'plain' }))).toMatchObject({ Paths: '6' });
    const lines = told('dxf', dxf.write(source, dxf.start));
    expect(lines['Closed loops']).toBe('6');
    // Six circumferences of radius 5.
    expect(Number(lines['Along all of them']?.split(' ')[0])).toBeCloseTo(6 * 2 * Math.PI * 5, 1);
    expect(contentsOf('json', '{}')).toEqual([]);
  });
});
