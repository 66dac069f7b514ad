import { describe, expect, it } from 'vitest';

import { cmykOf, inksOf, lookOf } from './inks';

describe('inks of a colour', () => {
  it('follow from it where nothing is said: as much black as there is dark, the rest in colours', () => {
    expect(cmykOf('#000000')).toEqual({ c: 0, m: 0, y: 0, k: 100 });
    expect(cmykOf('#ffffff')).toEqual({ c: 0, m: 0, y: 0, k: 0 });
    expect(cmykOf('#00ffff')).toEqual({ c: 100, m: 0, y: 0, k: 0 });
    expect(cmykOf('#d9512c')).toEqual({ c: 0, m: 63, y: 80, k: 15 });
  });

  it('look like the colour again where they follow from it, to a level or two of each hundredth', () => {
    for (const colour of ['#000000', '#ffffff', '#1f8a76', '#d9512c', '#f7c6a3']) {
      const look = lookOf(cmykOf(colour));
      for (const at of [1, 3, 5]) {
        const level = (each: string): number => Number.parseInt(each.slice(at, at + 2), 16);
        expect(Math.abs(level(look) - level(colour))).toBeLessThanOrEqual(3);
      }
    }
  });

  it('are those that are said, whatever the opacity of what is painted', () => {
    const said = [{ colour: '#d9512c', c: 0, m: 70, y: 90, k: 0, spot: 'Foil' }];
    expect(inksOf('#D9512C80', said)).toMatchObject({ m: 70, spot: 'Foil' });
    expect(inksOf('#d9512d', said)).not.toHaveProperty('spot');
  });
});
