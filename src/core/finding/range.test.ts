import { describe, expect, it } from 'vitest';

import { aboveZero, between, zeroOrMore } from './range';

describe('numbers with a range', () => {
  it('are taken inside of it, and refused with what is wanted', () => {
    expect([aboveZero('A radius')(0.1), zeroOrMore('A gap')(0), between('A count', 2, 5)(5)]).toEqual([
      null,
      null,
      null,
    ]);
    expect(aboveZero('A radius')(0)?.sentence).toBe('A radius is above 0.');
    expect(aboveZero('A side', 10)(11)?.sentence).toBe('A side is above 0 and at most 10.');
    expect(zeroOrMore('A gap')(-1)?.sentence).toBe('A gap is not below 0.');
    expect(between('A count', 2, 5)(6)?.sentence).toBe('A count is from 2 to 5.');
    expect(aboveZero('A radius')(Number.NaN)).not.toBeNull();
  });
});
