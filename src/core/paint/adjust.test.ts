import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { readColour } from './colour';
import {
  adjustedColour,
  colourOfOklch,
  contrastOf,
  harmonyOf,
  HARMONIES,
  isInSrgb,
  NO_ADJUSTMENT,
  notationsOf,
  oklchOf,
  shadesOf,
} from './adjust';

/** The samples of CSS Color Module Level 4, section 9.4 ("oklch()"), with the sRGB that it gives for them; from memory. */
const SAMPLES = [
  ['oklch(40.101% 0.12332 21.555)', '#7d2329'],
  ['oklch(59.686% 0.15619 49.7694)', '#c65d07'],
  ['oklch(0.65125 0.13138 104.097)', '#9d9318'],
  ['oklch(0.66016 0.15546 134.231)', '#68a639'],
  ['oklch(72.322% 0.12403 247.996)', '#62acef'],
] as const;

const hex = fc
  .tuple(...(['r', 'g', 'b'] as const).map(() => fc.integer({ min: 0, max: 255 })))
  .map((channels) => `#${channels.map((c) => c.toString(16).padStart(2, '0')).join('')}`);

const channels = (colour: string): number[] => [1, 3, 5].map((at) => parseInt(colour.slice(at, at + 2), 16));

describe('OKLCH', () => {
  it.each(SAMPLES)('reads %s as CSS Color 4 does', (text, colour) => {
    // To one level of eight bits: the samples are rounded.
    channels(readColour(text)!).forEach((level, k) =>
      expect(Math.abs(level - (channels(colour)[k] ?? 0))).toBeLessThanOrEqual(1),
    );
    const read = oklchOf(colour);
    const [l, c, h] = text.match(/[\d.]+/g)!.map(Number) as [number, number, number];
    // Eight bits of sRGB leave as much of the numbers.
    expect(read.l).toBeCloseTo(l > 1 ? l / 100 : l, 2);
    expect(read.c).toBeCloseTo(c, 2);
    expect(Math.abs(read.h - h)).toBeLessThan(1);
  });

  it('comes back to the same eight bits', () => {
    fc.assert(
      fc.property(hex, (colour) => {
        expect(colourOfOklch(oklchOf(colour))).toBe(colour);
      }),
    );
  });

  it('outside of sRGB takes chroma back at the same lightness and hue', () => {
    const wild = { l: 0.7, c: 0.34, h: 150, alpha: 1 };
    expect(isInSrgb(wild)).toBe(false);
    const shown = oklchOf(colourOfOklch(wild));
    expect(shown.c).toBeLessThan(0.34);
    expect(Math.abs(shown.l - 0.7)).toBeLessThan(0.03);
    expect(Math.abs(shown.h - 150)).toBeLessThan(5);
  });
});

describe('adjusting', () => {
  it('by nothing changes nothing', () => {
    fc.assert(
      fc.property(hex, (colour) => {
        expect(adjustedColour(colour, NO_ADJUSTMENT)).toBe(colour);
      }),
    );
  });

  it('lightens, mutes and warms as it says, and keeps the opacity', () => {
    const colour = '#1f8a76';
    expect(oklchOf(adjustedColour(colour, { ...NO_ADJUSTMENT, light: 0.5 })).l).toBeGreaterThan(
      oklchOf(colour).l,
    );
    const grey = channels(adjustedColour(colour, { ...NO_ADJUSTMENT, strength: -1 }));
    expect(Math.max(...grey) - Math.min(...grey)).toBeLessThanOrEqual(1);
    const [r, , b] = channels(adjustedColour('#808080', { ...NO_ADJUSTMENT, warm: 1 })) as [
      number,
      number,
      number,
    ];
    expect(r).toBeGreaterThan(b);
    expect(adjustedColour('#1f8a7680', { ...NO_ADJUSTMENT, hue: 40 }).slice(7)).toBe('80');
  });
});

describe('a hue', () => {
  const away = (a: number, b: number): number => Math.abs(((a - b + 540) % 360) - 180);

  it('stays where chroma is taken back, as far as eight bits tell hues apart', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 0.97, noNaN: true }),
        fc.double({ min: 0.05, max: 0.4, noNaN: true }),
        fc.double({ min: 0, max: 360, noNaN: true }),
        (l, c, h) => {
          expect(away(oklchOf(colourOfOklch({ l, c, h, alpha: 1 })).h, h)).toBeLessThan(12);
        },
      ),
    );
  });

  it('is not lost to white or black by lightening and darkening, and greys reach both', () => {
    const far = (colour: string, light: number): string =>
      adjustedColour(adjustedColour(colour, { ...NO_ADJUSTMENT, light }), { ...NO_ADJUSTMENT, light });
    for (const colour of ['#1f8a76', '#e9b44c', '#d9512c', '#3b4cc0'])
      for (const light of [1, -1])
        expect(away(oklchOf(far(colour, light)).h, oklchOf(colour).h)).toBeLessThan(14);
    expect(far('#b0b0b0', 1)).toBe('#ffffff');
    expect(far('#505050', -1)).toBe('#000000');
  });
});

describe('what goes with a colour', () => {
  it('stands at steps of the hue, the colour itself first', () => {
    const [own, second, third] = harmonyOf('#8a6a4a', HARMONIES.Triad);
    expect(own).toBe('#8a6a4a');
    const hue = (colour: string | undefined): number => oklchOf(colour!).h;
    expect(Math.abs(((hue(second) - hue(own) + 360) % 360) - 120)).toBeLessThan(3);
    expect(Math.abs(((hue(third) - hue(own) + 360) % 360) - 240)).toBeLessThan(3);
  });

  it('as shades goes from dark to light', () => {
    const lights = shadesOf('#1f8a76', 6).map((colour) => oklchOf(colour).l);
    expect([...lights].sort((a, b) => a - b)).toEqual(lights);
  });
});

describe('contrast', () => {
  it('is WCAG 2.2’s: 21 for black on white, 1 for the same, and 4.54 for #767676 on white', () => {
    // WCAG 2.2, "contrast ratio"; #767676 as the darkest grey that fails no AA text is common practice.
    expect(contrastOf('#000000', '#ffffff')).toBeCloseTo(21, 6);
    expect(contrastOf('#1f8a76', '#1f8a76')).toBe(1);
    expect(contrastOf('#767676', '#ffffff')).toBeCloseTo(4.54, 2);
  });
});

it('notations: RGB, HSL and the plain arithmetic of CMYK', () => {
  expect(notationsOf('#ff0000')).toMatchObject({ rgb: '255 0 0', hsl: '0° 100 % 50 %', cmyk: '0 100 100 0' });
  expect(notationsOf('#000000').cmyk).toBe('0 0 0 100');
  expect(notationsOf('#204060').cmyk).toBe('67 33 0 62');
});
