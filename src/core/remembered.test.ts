import { describe, expect, it } from 'vitest';

import { remembered } from './remembered';

describe('what is remembered', () => {
  it('is made once for an object, and anew for another that says the same', () => {
    let made = 0;
    const size = remembered((list: readonly number[]) => {
      made += 1;
      return list.length;
    });
    const list = [1, 2, 3];
    expect([size(list), size(list), made]).toEqual([3, 3, 1]);
    expect([size([1, 2, 3]), made]).toEqual([3, 2]);
  });

  it('may be nothing, and what fails is tried again', () => {
    let tries = 0;
    const nothing = remembered((of: object) => {
      tries += 1;
      if (tries === 1) throw new RangeError(Object.keys(of).join());
      return null;
    });
    const of = { a: 1 };
    expect(() => nothing(of)).toThrow('a');
    expect([nothing(of), nothing(of), tries]).toEqual([null, null, 2]);
  });
});
