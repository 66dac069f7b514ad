import { describe, expect, it } from 'vitest';

import { ranked } from './rank';

const THINGS = [
  { name: 'Mirror the round', words: 'reflect flip symmetry' },
  { name: 'Transform', words: 'rotate scale reflect skew' },
  { name: 'Ray', words: 'line beam' },
  { name: 'Reach', words: 'radius' },
  { name: 'Café', words: '' },
];
const found = (text: string): string[] => ranked(THINGS, text).map(({ name }) => name);

describe('what is found', () => {
  it('begins with what is typed, in its name before what else it is called', () => {
    expect(found('r')).toEqual(['Ray', 'Reach', 'Mirror the round', 'Transform']);
    expect(found('reflect')).toEqual(['Transform', 'Mirror the round']);
    expect(found('mir')).toEqual(['Mirror the round']);
  });

  it('has all words that are typed, in any order, case and accents', () => {
    expect(found('ROUND mirror')).toEqual(['Mirror the round']);
    expect(found('flip round')).toEqual(['Mirror the round']);
    expect(found('cafe')).toEqual(['Café']);
    expect(found('mirror skew')).toEqual([]);
    expect(found('  ')).toHaveLength(5);
  });
});
