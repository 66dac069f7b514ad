import { formatHex, formatHex8, parse } from 'culori';

import type { Colour } from '@/core/scene';

/** Any CSS colour (CSS Color 4), or bare hex digits, as `#rrggbb` or `#rrggbbaa`; null where the text is none. */
export function readColour(text: string): Colour | null {
  const trimmed = text.trim();
  const colour = parse(trimmed) ?? parse(`#${trimmed}`);
  if (!colour) return null;
  return (colour.alpha ?? 1) < 1 ? formatHex8(colour) : formatHex(colour);
}

/** How opaque a colour is, from 0 to 1. */
export const opacityOf = (colour: Colour): number =>
  colour.length === 9 ? parseInt(colour.slice(7), 16) / 255 : 1;

/** A colour with its opacity multiplied by a share from 0 to 1. */
export function fadedColour(colour: Colour, share: number): Colour {
  const alpha = Math.round(255 * opacityOf(colour) * Math.min(1, Math.max(0, share)));
  return alpha === 255 ? colour.slice(0, 7) : colour.slice(0, 7) + alpha.toString(16).padStart(2, '0');
}
