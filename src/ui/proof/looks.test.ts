import { describe, expect, it } from 'vitest';

import { contrastOf, grey, greyOf, inkAlone, inOne, seenBy } from '@/core/paint';
import { looksOf } from './looks';

const hex = ([r, g, b]: readonly number[]): string =>
  `#${[r, g, b]
    .map((each) =>
      Math.round(each ?? 0)
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`;

describe('pixels as others see them', () => {
  it('in one colour: what is the page stays bare, what is ink is all of it, and edges are between', () => {
    const black = inOne(0, 0, 0, '#f2e6d0');
    expect(black([0xf2, 0xe6, 0xd0, 255])[3]).toBe(0);
    expect(black([0x11, 0x3d, 0x4c, 255])).toEqual([0, 0, 0, 255]);
    const edge = black([0xf2 - 26, 0xe6 - 26, 0xd0 - 26, 255])[3];
    expect(edge).toBeGreaterThan(100);
    expect(edge).toBeLessThan(155);
  });

  // WCAG's relative luminance stays what it was: the contrast to white does.
  it('in grey are as light as before', () => {
    for (const pixel of [
      [217, 81, 44, 255],
      [31, 138, 118, 255],
      [233, 180, 76, 90],
    ] as const) {
      const seen = grey(pixel);
      expect(new Set(seen.slice(0, 3)).size).toBe(1);
      expect(seen[3]).toBe(pixel[3]);
      expect(greyOf(hex(pixel))).toBe(hex(seen));
      expect(contrastOf(hex(seen), '#ffffff')).toBeCloseTo(contrastOf(hex(pixel), '#ffffff'), 1);
    }
  });

  it('ink by ink: a colour is wholly in its own plate and in no other, an edge half in both', () => {
    const inks = ['#113d4c', '#d9512c', '#ffffff'];
    const plates = inks.slice(0, 2).map((ink) => inkAlone(ink, inks));
    const shares = (pixel: readonly [number, number, number, number]) =>
      plates.map((plate) => plate(pixel)[3] / 255);
    expect(shares([0x11, 0x3d, 0x4c, 255])).toEqual([1, 0]);
    expect(shares([0xd9, 0x51, 0x2c, 255])).toEqual([0, 1]);
    expect(shares([255, 255, 255, 255])).toEqual([0, 0]);
    const [dark, coral] = shares([(0x11 + 0xd9) / 2, (0x3d + 0x51) / 2, (0x4c + 0x2c) / 2, 255]);
    expect(dark).toBeCloseTo(0.5, 2);
    expect(coral).toBeCloseTo(0.5, 2);
  });

  it('with a deficiency keep their opacity, and grey stays grey', () => {
    const seen = seenBy('deutan')([128, 128, 128, 77]);
    expect(seen[3]).toBe(77);
    expect(Math.max(...seen.slice(0, 3)) - Math.min(...seen.slice(0, 3))).toBeLessThan(3);
  });

  it('have a name each, and a plate for each ink', () => {
    const looks = looksOf(['#113d4c', '#d9512c'], '#e9b44c', '#f2e6d0');
    expect(new Set(looks.map(({ id }) => id)).size).toBe(looks.length);
    expect(looks.filter(({ name }) => name.startsWith('ink'))).toHaveLength(2);
    expect(looks.find(({ id }) => id === 'ground')?.colour).toBe('#e9b44c');
  });
});
