import { expect, it } from 'vitest';

import { GroupNames } from './groupNames';

it('names of groups are each given to one group at a time, and to another once it is gone', () => {
  const names = new GroupNames();
  const [a, b, c] = [names.take(), names.take(), names.take()];
  expect(new Set([a, b, c]).size).toBe(3);
  names.giveBack(b);
  expect(names.take()).toBe(b);
  expect([a, b, c]).not.toContain(names.take());
});
