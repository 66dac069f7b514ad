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
    const all = { bytes, of: [0, 0, 4, 2] } as const;
    const mask = maskOf(all, [[0, 0, 2, 2]], 4, 1);
    expect([[...mask.solid], [...mask.edge], [...mask.cover]]).toEqual([[0, 5], [1], [90]]);
    expect([...maskOf(all, [[2, 0, 2, 2]], 4, 1).edge]).toEqual([3]);
    expect([...maskOf(all, [[0, 0, 4, 2]], 4, 2).solid]).toEqual([4]);
  });

  it('is the colours that are there', () => {
    const pixels = Uint32Array.of(0, 0xff0000ff, 0x80ff0000, 7);
    const bytes = new Uint8ClampedArray(pixels.buffer);
    const { at, colours } = coloursOf({ bytes, of: [0, 0, 4, 1] }, [[0, 0, 3, 1]], 4);
    expect([[...at], [...colours]]).toEqual([
      [1, 2],
      [0xff0000ff, 0x80ff0000],
    ]);
  });

  it('has the numbers of the whole canvas where a part of it was read', () => {
    const bytes = new Uint8ClampedArray(4 * 2 * 2);
    bytes.set([0, 0, 255, 255], 4 * 3);
    const of = [5, 7, 2, 2] as const;
    // The lower right one of four: 6, 8.
    expect([...maskOf({ bytes, of }, [of], 10, 2).solid]).toEqual([86]);
    expect([...coloursOf({ bytes, of }, [of], 10).at]).toEqual([86]);
  });
});
