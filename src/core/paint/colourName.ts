/**
 * What people call a colour, roughly: one of the basic words of a language for colours.
 *
 * @example
 * colourName('#1f8a76');      // 'teal'
 */
import { differenceCiede2000, nearest } from 'culori';

import type { Colour } from '@/core/scene';

/**
 * A few colours of each word, dark, pale and full, as people name them: the eleven basic terms (Berlin and Kay, Basic Color Terms, 1969),
 * with teal and beige, which designers use. The values are ours.
 */
const NAMED: Readonly<Record<string, readonly Colour[]>> = {
  black: ['#000000', '#141414'],
  white: ['#ffffff', '#fbfaf6'],
  grey: ['#4a4a4a', '#808080', '#bcbcbc', '#5d6b73'],
  red: ['#c8102e', '#e53935', '#8b1a1a', '#d9512c'],
  orange: ['#f28c28', '#ffa94d', '#d2691e'],
  yellow: ['#ffe135', '#f2c94c', '#fff3a0', '#c9a227'],
  green: ['#2e8b3d', '#7cb342', '#1b4d2b', '#b7dfa8', '#808000'],
  teal: ['#1f8a76', '#008b8b', '#84c5b4', '#0c4a4a'],
  blue: ['#1e5bd6', '#2a1fe0', '#87b6f0', '#113d4c', '#0b2a6b', '#4aa3d8'],
  purple: ['#7b2d8e', '#b794d6', '#4b1f6f', '#6a5acd'],
  pink: ['#f48fb1', '#e91e8c', '#f8c8dc', '#f7b7a3'],
  brown: ['#6b4423', '#8b5a2b', '#4a2c17', '#a97142'],
  beige: ['#f2e6d0', '#e0cda9', '#d8c3a5'],
};

const NAME_OF = new Map(
  Object.entries(NAMED).flatMap(([name, colours]) => colours.map((each) => [each, name] as const)),
);

const closest = nearest([...NAME_OF.keys()], differenceCiede2000());

/** The word for a colour, its opacity left out; by the least difference of colour (CIEDE2000, CIE 142-2001). */
export const colourName = (colour: Colour): string =>
  NAME_OF.get(closest(colour.slice(0, 7))[0] ?? '') ?? 'grey';
