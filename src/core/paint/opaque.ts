import { converter, formatHex, parse } from 'culori';

import type { Colour } from '@/core/scene';

/** True where nothing is seen through a colour. */
export const isOpaque = (colour: Colour): boolean => (parse(colour)?.alpha ?? 1) === 1;

const toLinear = converter('lrgb');

/** The one colour that stands for several: the mean of their light. */
export function meanColour(colours: readonly Colour[]): Colour | null {
  const [first] = colours;
  if (colours.length <= 1) return first ?? null;
  const sum = { r: 0, g: 0, b: 0 };
  for (const colour of colours) {
    const { r, g, b } = toLinear(colour) ?? { r: 0, g: 0, b: 0 };
    sum.r += r / colours.length;
    sum.g += g / colours.length;
    sum.b += b / colours.length;
  }
  return formatHex({ mode: 'lrgb', ...sum });
}
