import { expect, it } from 'vitest';

import { sidesOf, wordOfSide } from './sides';

it('what is compared goes into an address and comes back; what is no figure is left out', () => {
  const sides = [{ id: 'k3_J-' }, { id: 'k3J', version: '9Q-x' }, { id: 'Zt1', step: 12 }];
  expect(sidesOf(sides.map(wordOfSide).join(','))).toEqual(sides);
  expect(sidesOf('a@x9,../etc,a b,@s1,')).toEqual([]);
});
