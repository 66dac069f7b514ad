import { describe, expect, it } from 'vitest';

import { coloursOf, maskOf } from './masks';

describe('What is read from a canvas', () => {
  it('is which pixels are covered in a channel, and by how much, where it was drawn', () => {
    const bytes = new Uint8ClampedArray(4 * 4 * 2);
    const set = (x: number, y: number, channel: number, value: number): void => {
      bytes[4 * (4 * y + x) + channel] = value;
    };
    set(0, 0, 1, 255);
    set(1, 0, 1, 90);
    set(1, 1, 1, 255);
    // Another mask, in another channel and in another part of this one.
    set(0, 1, 2, 255);
    set(3, 0, 1, 200);
    const mask = maskOf(bytes, 4, [[0, 0, 2, 2]], 1);
    expect([[...mask.solid], [...mask.edge], [...mask.cover]]).toEqual([[0, 5], [1], [90]]);
    expect([...maskOf(bytes, 4, [[2, 0, 2, 2]], 1).edge]).toEqual([3]);
    expect([...maskOf(bytes, 4, [[0, 0, 4, 2]], 2).solid]).toEqual([4]);
  });

  it('is the colours that are there', () => {
    const pixels = Uint32Array.of(0, 0xff0000ff, 0x80ff0000, 7);
    const { at, colours } = coloursOf(pixels, 4, [[0, 0, 3, 1]]);
    expect([[...at], [...colours]]).toEqual([
      [1, 2],
      [0xff0000ff, 0x80ff0000],
    ]);
  });
});
