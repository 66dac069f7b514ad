import { describe, expect, it } from 'vitest';

import { contrastOf } from './adjust';
import { coloursApart, seenAs, VISIONS } from './vision';

const linear = (level: number): number =>
  level <= 0.04045 ? level / 12.92 : ((level + 0.055) / 1.055) ** 2.4;
const encoded = (light: number): number =>
  light <= 0.0031308 ? 12.92 * light : 1.055 * light ** (1 / 2.4) - 0.055;

/**
 * The matrices of full strength as they are published: Machado, Oliveira and Fernandes, “A Physiologically-based Model for Simulation of
 * Color Vision Deficiency”, IEEE TVCG 15 (2009), table of severity 1.0; written from memory.
 */
const PUBLISHED = {
  protan: [
    [0.152286, 1.052583, -0.204868],
    [0.114503, 0.786281, 0.099216],
    [-0.003882, -0.048116, 1.051998],
  ],
  deutan: [
    [0.367322, 0.860646, -0.227968],
    [0.280085, 0.672501, 0.047413],
    [-0.01182, 0.04294, 0.968881],
  ],
  tritan: [
    [1.255528, -0.076749, -0.178779],
    [-0.078411, 0.930809, 0.147602],
    [0.004733, 0.691367, 0.3039],
  ],
} as const;

const rgbOf = (colour: string): number[] =>
  [1, 3, 5].map((at) => Number.parseInt(colour.slice(at, at + 2), 16) / 255);

describe('colours as others see them', () => {
  it.each(VISIONS)('follow the published matrix: %s', (vision) => {
    for (const colour of ['#d9512c', '#1f8a76', '#113d4c', '#e9b44c', '#808080']) {
      const seen = rgbOf(seenAs(colour, vision));
      const own = rgbOf(colour);
      const plain = PUBLISHED[vision].map((row) =>
        row.reduce((sum, weight, k) => sum + weight * (own[k] ?? 0), 0),
      );
      const light = PUBLISHED[vision].map((row) =>
        encoded(
          Math.max(
            0,
            row.reduce((sum, weight, k) => sum + weight * linear(own[k] ?? 0), 0),
          ),
        ),
      );
      const off = (of: readonly number[]): number =>
        Math.max(...of.map((value, k) => Math.abs(Math.min(1, Math.max(0, value)) - (seen[k] ?? 0))));
      expect(Math.min(off(plain), off(light))).toBeLessThan(0.012);
    }
  });

  it('leave grey as it is, and a colour that is read with its opacity without it', () => {
    for (const vision of VISIONS) expect(coloursApart(seenAs('#808080', vision), '#808080')).toBeLessThan(1);
    expect(seenAs('#1f8a7680', 'deutan')).toHaveLength(7);
  });

  // Sharma, Wu and Dalal, “The CIEDE2000 color-difference formula”, Color Res. Appl. 30 (2005); black and white are 100 apart.
  it('are as far apart as the formula says', () => {
    expect(coloursApart('#000000', '#ffffff')).toBeCloseTo(100, 3);
    expect(coloursApart('#1f8a76', '#1f8a76')).toBe(0);
  });

  // WCAG 2.2: 21 : 1 for black on white; #777777 on white has 4.48, #767676 has 4.54.
  it('have the contrast that WCAG 2.2 gives', () => {
    expect(contrastOf('#000000', '#ffffff')).toBeCloseTo(21, 6);
    expect(contrastOf('#777777', '#ffffff')).toBeCloseTo(4.48, 2);
    expect(contrastOf('#767676', '#ffffff')).toBeCloseTo(4.54, 2);
  });
});
