/**
 * Colours as inks on paper: shares of cyan, magenta, yellow and black, or an ink of its own by name, as foil, varnish or a line to cut along.
 *
 * @example
 * inksOf('#d9512c', figure.inks); // as the person said, or { c: 0, m: 63, y: 80, k: 15 }
 */
import type { Colour } from '@/core/scene';

/** Shares in per cent. */
export interface Cmyk {
  readonly c: number;
  readonly m: number;
  readonly y: number;
  readonly k: number;
}

/** What a colour is printed with. */
export interface Inks extends Cmyk {
  /** An ink of its own by this name; the shares say what it looks like where there is none. */
  readonly spot?: string;
}

/** A colour of a figure, without its opacity, and its inks. */
export interface ColourInks extends Inks {
  readonly colour: Colour;
}

export const MOST_SPOT_NAME = 60;

/** A colour without its opacity, as it is looked up. */
export const opaque = (colour: Colour): Colour => colour.slice(0, 7).toLowerCase();

/**
 * Shares for a colour of which nothing is said: black as far as it goes, the rest of cyan, magenta and yellow. Common practice where no
 * profile of a press is known; what a press makes of it only a proof shows.
 */
export function cmykOf(colour: Colour): Cmyk {
  const [r = 0, g = 0, b = 0] = [1, 3, 5].map((at) => Number.parseInt(colour.slice(at, at + 2), 16) / 255);
  const most = Math.max(r, g, b);
  const share = (level: number): number => (most === 0 ? 0 : Math.round((100 * (most - level)) / most));
  return { c: share(r), m: share(g), y: share(b), k: Math.round(100 * (1 - most)) };
}

/** The inks of a colour: those that are said, or what follows from it. */
export function inksOf(colour: Colour, said: readonly ColourInks[] = []): Inks {
  const own = said.find((each) => each.colour === opaque(colour));
  return own ?? cmykOf(colour);
}

/** About what shares look like on white paper, each ink a filter of its own (common practice; a press has its own look). */
export function lookOf({ c, m, y, k }: Cmyk): Colour {
  const level = (share: number): string =>
    Math.round(255 * (1 - share / 100) * (1 - k / 100))
      .toString(16)
      .padStart(2, '0');
  return `#${level(c)}${level(m)}${level(y)}`;
}
