import Joi from 'joi';
import { describe, expect, it } from 'vitest';

import { pathForm } from '@/core/maker';
import { counter, disc, withForms } from '../../../tests/help/figures';
import { evaluateWhole, type Figure, newFigure, newShape } from '@/core/figure';
import { addShapes, duplicateRound, setMerge, setPage } from '@/core/figure/commands';
import { png } from './png';
import { optionRules, parametersOf, type OptionField, type Options, type OptionValue } from './format';
import { fileName, formatOf, FORMATS } from './formats';

describe.each(FORMATS.map((format) => [format.name, format] as const))('%s', (_, format) => {
  const rules = Joi.object<Options>({ to: Joi.string(), ...optionRules(format) });

  it('begins with options that its rules take, by an address too, and fills in what is missing', () => {
    const { to, ...options } = rules.validate(parametersOf(format, format.start)).value as Options;
    expect([to, options]).toEqual([format.id, format.start]);
    expect(rules.validate({}).value).toEqual(format.start);
  });

  it('refuses options that its fields do not offer', () => {
    for (const field of format.fields) {
      const wrong =
        field.type === 'count'
          ? [field.least - 1, field.most + 1, 1.5, 'many']
          : [field.type === 'choice' ? 'nothing of it' : 'x'.repeat(30_000)];
      for (const value of wrong) expect(rules.validate({ [field.key]: value }).error).toBeDefined();
    }
    expect(rules.validate({ other: 1 }).error).toBeDefined();
  });

  it('makes a file of a figure for every choice of each option', async () => {
    // One round divided, one as it is, arcs and curves, on a page with something to trim off.
    const curved = pathForm(
      [
        { x: -4, y: -60, kind: 'corner', out: { x: -9, y: -80 } },
        { x: 4, y: -60, kind: 'corner' },
      ],
      true,
    );
    const two = duplicateRound(withForms(disc(0, -30, 24), curved), 'r', counter());
    const stroke = { colour: '#d9512c', width: 2, cap: 'round', join: 'round' } as const;
    const line = newShape('line', 'Line', disc(0, -60, 5), { fill: null, stroke });
    const lined = addShapes(two, two.rounds[1]!.id, [line]);
    const figure = setPage(setMerge(lined, 'r', 'divide'), { bleed: 3 });
    const source = { figure, scene: await evaluateWhole(figure) };
    const made = async (options: Options): Promise<string> => {
      if (format.kind === 'bytes') return Buffer.from(await format.write(source, options)).toString('latin1');
      if (format.kind === 'bundle') return JSON.stringify(format.pack(source, options));
      return format.kind === 'text' ? format.write(source, options) : format.draw(source, options).svg;
    };
    const first = await made(format.start);
    expect(first.length).toBeGreaterThan(100);
    for (const field of format.fields) {
      const values = valuesOf(field, figure);
      const files = await Promise.all(values.map((value) => made({ ...format.start, [field.key]: value })));
      // A choice that changed nothing would be none.
      if (field.type !== 'count') expect(new Set(files).size).toBe(values.length);
    }
    expect(format.about(format.start, figure.page)).toMatch(/\.$/);
  });
});

/** What an option is tried with. */
function valuesOf(field: OptionField<Options>, { rounds }: Figure): readonly OptionValue[] {
  switch (field.type) {
    case 'count':
      return [field.least, field.most];
    case 'choice':
      return field.choices.map(([value]) => value);
    case 'rounds':
      return ['', rounds[0]!.name];
  }
}

describe('formats', () => {
  it('are known by their ids, and have endings and words of their own', () => {
    for (const format of FORMATS) expect(formatOf(format.id)).toBe(format);
    expect(formatOf('gif')).toBeUndefined();
    expect(new Set(FORMATS.map(({ ending }) => ending)).size).toBe(FORMATS.length);
    for (const { fields } of FORMATS)
      expect(new Set(fields.map(({ word }) => word)).size).toBe(fields.length);
  });

  it('have file names that every file system takes', () => {
    expect(fileName('Kelp crown: 22×/2', { ending: 'svg' })).toBe('kelp-crown-22-2.svg');
    expect(fileName('../..', { ending: 'png' })).toBe('figure.png');
    expect(fileName('Ω'.repeat(200), { ending: 'svg' })).toHaveLength(84);
  });
});

describe('a picture of pixels', () => {
  it('begins pictures with a page’s own pixels, or as many as print asks for, as a round number', () => {
    const page = newFigure('P', 'r').page;
    const sizeOn = (part: Partial<typeof page>): number | undefined =>
      png.startOn?.({ ...page, ...part }).size;
    expect(sizeOn({ width: 512, height: 400, unit: 'px' })).toBe(512);
    // 180 mm are 2126 pixels at 300 an inch, an A4 sheet's 297 mm 3508.
    expect(sizeOn({})).toBe(2100);
    expect(sizeOn({ width: 210, height: 297 })).toBe(3500);
    expect(sizeOn({ width: 1, height: 1 })).toBe(100);
    expect(sizeOn({ width: 5000, height: 10, unit: 'cm' })).toBe(8192);
    expect(sizeOn({ width: 0.2, height: 0.1, unit: 'px' })).toBe(1);
  });
});
