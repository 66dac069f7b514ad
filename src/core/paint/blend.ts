/**
 * Colours laid on one another by the formulas of Compositing and Blending Level 1 (W3C), sections 10.1 and 10.2. The colour package has
 * some of them and not all as they are there.
 *
 * @example
 * blended({ r: 200, g: 40, b: 40 }, { r: 0, g: 255, b: 0, opacity: 0.5 }, 'multiply');
 */
import type { BlendMode } from '@/core/scene';
import type { Tint } from './inkAt';

type Rgb = Pick<Tint, 'r' | 'g' | 'b'>;

const screen = (b: number, s: number): number => b + s - b * s;
const hardLight = (b: number, s: number): number => (s <= 0.5 ? b * 2 * s : screen(b, 2 * s - 1));

function softLight(b: number, s: number): number {
  if (s <= 0.5) return b - (1 - 2 * s) * b * (1 - b);
  const d = b <= 0.25 ? ((16 * b - 12) * b + 4) * b : Math.sqrt(b);
  return b + (2 * s - 1) * (d - b);
}

/** Each of red, green and blue for itself, of what lies below and what is laid on it, from 0 to 1. */
const SEPARABLE: Partial<Record<BlendMode, (b: number, s: number) => number>> = {
  normal: (_, s) => s,
  multiply: (b, s) => b * s,
  screen,
  overlay: (b, s) => hardLight(s, b),
  darken: Math.min,
  lighten: Math.max,
  'color-dodge': (b, s) => (b === 0 ? 0 : s >= 1 ? 1 : Math.min(1, b / (1 - s))),
  'color-burn': (b, s) => (b >= 1 ? 1 : s <= 0 ? 0 : 1 - Math.min(1, (1 - b) / s)),
  'hard-light': hardLight,
  'soft-light': softLight,
  difference: (b, s) => Math.abs(b - s),
  exclusion: (b, s) => b + s - 2 * b * s,
};

type Three = readonly [number, number, number];

const lum = ([r, g, b]: Three): number => 0.3 * r + 0.59 * g + 0.11 * b;
const sat = (c: Three): number => Math.max(...c) - Math.min(...c);

function clipped(c: Three): Three {
  const [l, least, most] = [lum(c), Math.min(...c), Math.max(...c)];
  const low = (x: number): number => (least < 0 ? l + ((x - l) * l) / (l - least) : x);
  const high = (x: number): number => (most > 1 ? l + ((x - l) * (1 - l)) / (most - l) : x);
  return [high(low(c[0])), high(low(c[1])), high(low(c[2]))];
}

function withLum(c: Three, l: number): Three {
  const d = l - lum(c);
  return clipped([c[0] + d, c[1] + d, c[2] + d]);
}

function withSat(c: Three, s: number): Three {
  const [least, whole] = [Math.min(...c), sat(c)];
  const stretched = (x: number): number => (whole === 0 ? 0 : ((x - least) * s) / whole);
  return [stretched(c[0]), stretched(c[1]), stretched(c[2])];
}

function mixed(b: Three, s: Three, mode: BlendMode): Three {
  const each = SEPARABLE[mode];
  if (each) return [each(b[0], s[0]), each(b[1], s[1]), each(b[2], s[2])];
  if (mode === 'hue') return withLum(withSat(s, sat(b)), lum(b));
  if (mode === 'saturation') return withLum(withSat(b, sat(s)), lum(b));
  return mode === 'color' ? withLum(s, lum(b)) : withLum(b, lum(s));
}

/** A tint laid on a full colour. @returns from 0 to 255 each */
export function blended(below: Rgb, above: Tint, mode: BlendMode): Rgb {
  const b: Three = [below.r / 255, below.g / 255, below.b / 255];
  const [r, g, blue] = mixed(b, [above.r / 255, above.g / 255, above.b / 255], mode);
  const laid = (from: number, to: number): number => from + (255 * to - from) * above.opacity;
  return { r: laid(below.r, r), g: laid(below.g, g), b: laid(below.b, blue) };
}
