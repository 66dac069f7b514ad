import { describe, expect, it } from 'vitest';

import { cmykOf, inksOf } from './inks';

describe('inks of a colour', () => {
  it('follow from it where nothing is said: as much black as there is dark, the rest in colours', () => {
    expect(cmykOf('#000000')).toEqual({ c: 0, m: 0, y: 0, k: 100 });
    expect(cmykOf('#ffffff')).toEqual({ c: 0, m: 0, y: 0, k: 0 });
    expect(cmykOf('#00ffff')).toEqual({ c: 100, m: 0, y: 0, k: 0 });
    expect(cmykOf('#d9512c')).toEqual({ c: 0, m: 63, y: 80, k: 15 });
  });

  it('are those that are said, whatever the opacity of what is painted', () => {
    const said = [{ colour: '#d9512c', c: 0, m: 70, y: 90, k: 0, spot: 'Foil' }];
    expect(inksOf('#D9512C80', said)).toMatchObject({ m: 70, spot: 'Foil' });
    expect(inksOf('#d9512d', said)).not.toHaveProperty('spot');
  });
});
