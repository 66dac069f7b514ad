/**
 * Colours as people with a colour-vision deficiency see them, and how far colours are apart.
 *
 * @example
 * coloursApart(seenAs('#d9512c', 'deutan'), seenAs('#5b8a1f', 'deutan')); // small where they cannot be told apart
 */
import {
  differenceCiede2000,
  filterDeficiencyDeuter,
  filterDeficiencyProt,
  filterDeficiencyTrit,
  formatHex,
  parse,
  type Color,
} from 'culori';

import type { Colour } from '@/core/scene';

export const VISIONS = ['protan', 'deutan', 'tritan'] as const;
export type Vision = (typeof VISIONS)[number];

/** Of full strength, by the matrices of Machado, Oliveira and Fernandes, IEEE TVCG 15 (2009), in linear-light colours. */
const FILTERS: Record<Vision, (colour: Color) => Color> = {
  protan: filterDeficiencyProt(1),
  deutan: filterDeficiencyDeuter(1),
  tritan: filterDeficiencyTrit(1),
};

/** A colour as it is seen; its opacity is left out. */
export function seenAs(colour: Colour, vision: Vision): Colour {
  const plain = colour.slice(0, 7);
  const read = parse(plain);
  return read ? formatHex(FILTERS[vision](read)) : plain;
}

const difference = differenceCiede2000();

/** How different two colours look: ΔE 2000 (Sharma, Wu and Dalal, Color Res. Appl. 30, 2005); 1 is just seen. */
export const coloursApart = (a: Colour, b: Colour): number => difference(a.slice(0, 7), b.slice(0, 7));
