/**
 * What formats of pixels have in common: how many pixels, what is drawn, and what can be seen through.
 *
 * @example
 * const size = sizeOn(page); // 2100 for a page of 180 mm, its own pixels for one that is measured in them
 */
import { convertLength } from '@/core/number';
import type { ScenePage } from '@/core/scene';
import type { OptionField, PixelJob, Source } from './format';
import { sidesOf } from './svg';
import { svgOf } from './svg/svg';

export interface PixelChoices {
  /** Pixels of the longer side. */
  readonly size: number;
  readonly background: boolean;
  readonly bleed: boolean;
}

/** Largest side of a picture, in pixels. */
const LARGEST_PICTURE = 8192;

/** The decimals that pixels can need. */
const DECIMALS = 6;

/** Pixels an inch that print asks for (common practice), and to what a size is rounded. */
const PRINT = 300;
const ROUND_TO = 100;

/** Pixels of a page's longer side: its own where it is measured in them, else about what print asks for. */
export function sizeOn({ width, height, unit }: ScenePage): number {
  const longer = Math.max(width, height);
  const printed = Math.round((convertLength(longer, unit, 'in') * PRINT) / ROUND_TO) * ROUND_TO;
  const size = unit === 'px' ? Math.round(longer) : Math.max(ROUND_TO, printed);
  return Math.max(1, Math.min(LARGEST_PICTURE, size));
}

/** How many pixels the longer side has. */
export const SIZE = {
  key: 'size',
  label: 'Longer side',
  help: 'pixels of the longer side',
  type: 'count',
  least: 1,
  most: LARGEST_PICTURE,
  step: 64,
  unit: 'px',
  word: 'size',
} as const satisfies OptionField<PixelChoices>;

/** How much is kept of what the eye hardly sees. */
export const QUALITY = {
  key: 'quality',
  label: 'Quality',
  help: 'of 1 to 100; less makes smaller files',
  type: 'count',
  least: 1,
  most: 100,
  step: 5,
  unit: '%',
  word: 'quality',
} as const satisfies OptionField<{ readonly quality: number }>;

/** A picture's sides in pixels, in words. */
export function pixelWords({ size, bleed }: PixelChoices, page: ScenePage): string {
  const sides = sidesOf(page, { bleed });
  const longer = Math.max(...sides);
  const [across, down] = sides.map((side) => Math.max(1, Math.round((size * side) / longer)));
  return `${across} × ${down} px.`;
}

/** What is drawn, and how large. */
export function pixelJob({ scene }: Source, { size, background, bleed }: PixelChoices): Omit<PixelJob, 'as'> {
  const { page } = scene;
  const [wide, high] = sidesOf(page, { bleed });
  const pixelsPerUnit = size / Math.max(wide, high);
  return {
    svg: svgOf(scene, { form: 'compact', decimals: DECIMALS, background, bleed, pixelsPerUnit }),
    size,
    view: { x: (page.width - wide) / 2, y: (page.height - high) / 2, width: wide, height: high },
  };
}
