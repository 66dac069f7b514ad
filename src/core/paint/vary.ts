import { clampChroma, converter, formatHex, formatHex8 } from 'culori';

import type { Colour, Paint } from '@/core/scene';
import { mapPaint } from './fills';

const toOklch = converter('oklch');

/** How far lightness and hue go at most, in OKLCH's own units: shares of 1 and degrees. */
const LIGHT = 0.2;
const HUE = 45;

/** A colour lighter or darker and of another hue, by shares from −1 to 1 of what the eye still takes as its kin. */
function variedColour(colour: Colour, light: number, hue: number): Colour {
  const from = toOklch(colour);
  if (!from) return colour;
  const made = clampChroma(
    {
      ...from,
      l: Math.min(1, Math.max(0, from.l + LIGHT * light)),
      ...(from.h !== undefined && { h: from.h + HUE * hue }),
    },
    'oklch',
  );
  return (made.alpha ?? 1) < 1 ? formatHex8(made) : formatHex(made);
}

/** A paint with its colours varied; see `variedColour`. */
export const variedPaint = (paint: Paint, light: number, hue: number): Paint =>
  mapPaint(paint, (colour) => variedColour(colour, light, hue));
