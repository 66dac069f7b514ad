/**
 * Pixels as others see them: in one ink, in grey, ink by ink, with another vision.
 *
 * @example
 * grey([217, 81, 44, 255]);             // as light, without colour
 * greyOf('#d9512c');                    // the same for a colour
 */
import type { Colour } from '@/core/scene';
import { seenAs, type Vision } from './vision';

/** Red, green, blue and opacity, from 0 to 255. */
type Pixel = readonly [number, number, number, number];
export type PixelChange = (pixel: Pixel) => Pixel;

/** So far from the page's colour something is ink all through. */
const INK_FROM = 90;

/** All that is not the page in one colour, the page left bare: as one ink prints it. @param page its colour */
export function inOne(r: number, g: number, b: number, page: Colour): PixelChange {
  const all = Number.parseInt(page.slice(1, 7), 16);
  const [pageR, pageG, pageB] = [all >> 16, (all >> 8) & 255, all & 255];
  return ([ownR, ownG, ownB, a]) => {
    const far = Math.hypot(ownR - pageR, ownG - pageG, ownB - pageB);
    return [r, g, b, a * Math.min(1, far / INK_FROM)];
  };
}

const linear = (level: number): number => {
  const share = level / 255;
  return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
};

const encoded = (light: number): number =>
  255 * (light <= 0.0031308 ? 12.92 * light : 1.055 * light ** (1 / 2.4) - 0.055);

/** As light as before, without colour: relative luminance as WCAG 2.2 has it. */
export const grey: PixelChange = ([r, g, b, a]) => {
  const light = encoded(0.2126 * linear(r) + 0.7152 * linear(g) + 0.0722 * linear(b));
  return [light, light, light, a];
};

const hexOf = (r: number, g: number, b: number): Colour =>
  `#${((1 << 24) | (r << 16) | (g << 8) | b).toString(16).slice(1)}`;

/** As people with a colour-vision deficiency see it. */
export function seenBy(vision: Vision): PixelChange {
  const known = new Map<number, readonly [number, number, number]>();
  return ([r, g, b, a]) => {
    const key = (r << 16) | (g << 8) | b;
    let own = known.get(key);
    if (!own) {
      const all = Number.parseInt(seenAs(hexOf(r, g, b), vision).slice(1), 16);
      own = [all >> 16, (all >> 8) & 255, all & 255];
      known.set(key, own);
    }
    return [...own, a];
  };
}

/** What one ink prints, in black: of each pixel as much as it is nearer to its colour than to any other. */
export function inkAlone(ink: Colour, all: readonly Colour[]): PixelChange {
  const read = (colour: Colour): [number, number, number] => {
    const value = Number.parseInt(colour.slice(1, 7), 16);
    return [value >> 16, (value >> 8) & 255, value & 255];
  };
  const others = all.filter((each) => each !== ink).map(read);
  const own = read(ink);
  const far = ([r, g, b]: readonly number[], [x, y, z]: readonly number[]): number =>
    ((r ?? 0) - (x ?? 0)) ** 2 + ((g ?? 0) - (y ?? 0)) ** 2 + ((b ?? 0) - (z ?? 0)) ** 2;
  return (pixel) => {
    const mine = Math.sqrt(far(pixel, own));
    const [near = Infinity, next = Infinity] = others
      .map((other) => Math.sqrt(far(pixel, other)))
      .sort((a, b) => a - b);
    // A pixel at an edge lies between the two colours that it is nearest to.
    const share = mine > next ? 0 : near / (mine + near || 1);
    return [0, 0, 0, pixel[3] * Math.min(1, share)];
  };
}

/** A colour as light as before, without colour; its opacity is left out. */
export function greyOf(colour: Colour): Colour {
  const all = Number.parseInt(colour.slice(1, 7), 16);
  const [r, g, b] = grey([all >> 16, (all >> 8) & 255, all & 255, 255]).map(Math.round);
  return hexOf(r ?? 0, g ?? 0, b ?? 0);
}
