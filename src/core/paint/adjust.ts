import { clampChroma, converter, formatHex, formatHex8, wcagContrast } from 'culori';

import type { Colour } from '@/core/scene';

const toOklch = converter('oklch');
const toOklab = converter('oklab');
const toSrgb = converter('rgb');

/** A third of a level of eight bits: what rounding of colours on sRGB's border makes. */
const SLACK = 1 / (3 * 255);

function isShown(colour: Parameters<typeof toSrgb>[0]): boolean {
  const { r, g, b } = toSrgb(colour) ?? { r: 0, g: 0, b: 0 };
  return [r, g, b].every((x) => x >= -SLACK && x <= 1 + SLACK);
}

/** A colour by lightness 0–1, chroma 0–0.4 and hue in degrees, as CSS Color 4's OKLCH; opacity 0–1. */
export interface Oklch {
  readonly l: number;
  readonly c: number;
  readonly h: number;
  readonly alpha: number;
}

const MOST_CHROMA = 0.4;

/** @param hue what a grey, which has none, is given */
export function oklchOf(colour: Colour, hue = 0): Oklch {
  const { l = 0, c = 0, h, alpha = 1 } = toOklch(colour) ?? {};
  return { l, c, h: c < 1e-4 ? hue : (h ?? hue), alpha };
}

/** True where a screen of sRGB can show it. */
export const isInSrgb = ({ l, c, h }: Oklch): boolean => isShown({ mode: 'oklch', l, c, h });

/** The colour, or where sRGB has none so strong the nearest of the same lightness and hue. */
export function colourOfOklch({ l, c, h, alpha }: Oklch): Colour {
  const wanted = { mode: 'oklch' as const, l, c, h, alpha };
  // Chroma alone is taken back. CSS Color 4, section 13.2, clips what is then near enough to be taken for it, by whose hue very light
  // and very dark colours go up to 50° astray.
  const shown = isShown(wanted) ? wanted : clampChroma(wanted, 'oklch');
  return alpha < 1 ? formatHex8(shown) : formatHex(shown);
}

/** How colours are changed; each from −1 to 1, hue in degrees. */
export interface Adjustment {
  /** Lighter above 0, darker below. */
  readonly light: number;
  /** Towards orange above 0, towards blue below. */
  readonly warm: number;
  /** Stronger above 0; −1 leaves grey. */
  readonly strength: number;
  readonly hue: number;
}

export const NO_ADJUSTMENT: Adjustment = { light: 0, warm: 0, strength: 0, hue: 0 };

/** What 1 of each moves by, in OKLab's units. */
const LIGHT = 0.3;
const WARM = { a: 0.03, b: 0.09 };

/** Colours stay between these where they have a hue: beyond, eight bits of sRGB have no shades to tell hues apart. */
const DARKEST = 0.1;
const LIGHTEST = 0.97;
/** Less chroma than this is grey. */
const GREY = 0.01;

/** A lightness that is changed, within what a colour of that chroma can have and keep its hue. */
function changedLightness(l: number, by: number, c: number): number {
  const [least, most] = c < GREY ? [0, 1] : [Math.min(l, DARKEST), Math.max(l, LIGHTEST)];
  return Math.min(most, Math.max(least, l + by));
}

/** A colour changed in OKLab and OKLCH, and kept within sRGB; its opacity stays. */
export function adjustedColour(colour: Colour, { light, warm, strength, hue }: Adjustment): Colour {
  const lab = toOklab(colour);
  if (!lab) return colour;
  const warmed = { ...lab, a: lab.a + WARM.a * warm, b: lab.b + WARM.b * warm };
  const { l, c, h = 0, alpha = 1 } = toOklch(warmed);
  return colourOfOklch({
    l: changedLightness(l, LIGHT * light, c),
    c: Math.max(0, Math.min(MOST_CHROMA, c * (1 + strength))),
    h: h + hue,
    alpha,
  });
}

/** Colours that go with one, by steps of the hue in OKLCH at its lightness; common practice of the trade. */
export const HARMONIES = {
  Complement: [0, 180],
  Triad: [0, 120, 240],
  'Split complement': [0, 150, 210],
  Neighbours: [-60, -30, 0, 30, 60],
  Square: [0, 90, 180, 270],
} as const;

export function harmonyOf(colour: Colour, steps: readonly number[]): Colour[] {
  const own = oklchOf(colour);
  return steps.map((step) =>
    step === 0 ? colour : colourOfOklch({ ...own, h: (own.h + step + 360) % 360 }),
  );
}

/** So many shades of a colour from dark to light, its hue kept. */
export function shadesOf(colour: Colour, count: number): Colour[] {
  const { c, h, alpha } = oklchOf(colour);
  return Array.from({ length: count }, (_, k) => {
    const l = count === 1 ? 0.6 : 0.25 + (0.7 * k) / (count - 1);
    // Strong colours are neither very dark nor very light.
    return colourOfOklch({ l, c: c * (1 - Math.abs(2 * l - 1) ** 2), h, alpha });
  });
}

/** A colour as numbers in other notations; in CMYK only as a guide. */
export interface Notations {
  readonly rgb: string;
  readonly hsl: string;
  readonly oklch: string;
  /** By the plain formula of the trade, without any profile of ink and paper: common practice, no proof. */
  readonly cmyk: string;
}

const toHsl = converter('hsl');

export function notationsOf(colour: Colour): Notations {
  const { r = 0, g = 0, b = 0 } = toSrgb(colour) ?? {};
  const { h = 0, s = 0, l = 0 } = toHsl(colour) ?? {};
  const own = oklchOf(colour);
  const k = 1 - Math.max(r, g, b);
  const ink = (x: number): number => Math.round(k < 1 ? (100 * (1 - x - k)) / (1 - k) : 0);
  const round = (x: number, by: number): number => Math.round(x * by) / by;
  return {
    rgb: [r, g, b].map((x) => Math.round(255 * x)).join(' '),
    hsl: `${Math.round(h)}° ${Math.round(100 * s)} % ${Math.round(100 * l)} %`,
    oklch: `${round(own.l, 1000)} ${round(own.c, 1000)} ${round(own.h, 10)}°`,
    cmyk: `${ink(r)} ${ink(g)} ${ink(b)} ${Math.round(100 * k)}`,
  };
}

/** The contrast of two colours from 1 to 21, as WCAG 2.2 defines it; both are taken as opaque. */
export const contrastOf = (a: Colour, b: Colour): number => wcagContrast(a.slice(0, 7), b.slice(0, 7));

/** What a contrast is enough for, by WCAG 2.2, success criteria 1.4.3, 1.4.6 and 1.4.11. */
export function contrastWords(ratio: number): string {
  if (ratio >= 7) return 'enough for all text (AAA)';
  if (ratio >= 4.5) return 'enough for text (AA)';
  if (ratio >= 3) return 'enough for large text and for shapes';
  return 'too little to tell shapes by';
}
