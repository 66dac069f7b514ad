import { formatHex, formatHex8, interpolate } from 'culori';

import type { Colour, Paint } from '@/core/scene';
import { mapPaint } from './fills';

/** A colour some of the way to another, in OKLab (CSS Color 4, section 12); its opacity stays its own. */
export function mixedColour(from: Colour, to: Colour, share: number): Colour {
  const solid = formatHex(interpolate([from.slice(0, 7), to.slice(0, 7)], 'oklab')(share));
  const alpha = from.slice(7);
  return alpha === '' ? solid : (formatHex8(solid + alpha) ?? solid);
}

export const mixedPaint = (paint: Paint, to: Colour, share: number): Paint =>
  mapPaint(paint, (colour) => mixedColour(colour, to, share));
