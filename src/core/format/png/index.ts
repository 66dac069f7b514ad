import { convertLength, type LengthUnit } from '../../number/units';
import type { PixelFormat } from '../format';
import { BACKGROUND, BLEED, sidesOf } from '../svg';
import { svgOf } from '../svg/svg';

interface PngChoices {
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
function sizeOn(longer: number, unit: LengthUnit): number {
  const printed = Math.round((convertLength(longer, unit, 'in') * PRINT) / ROUND_TO) * ROUND_TO;
  const size = unit === 'px' ? Math.round(longer) : Math.max(ROUND_TO, printed);
  return Math.max(1, Math.min(LARGEST_PICTURE, size));
}

/** Portable Network Graphics. */
export const png: PixelFormat<PngChoices> = {
  kind: 'pixels',
  id: 'png',
  name: 'PNG',
  ending: 'png',
  mediaType: 'image/png',
  fields: [
    {
      key: 'size',
      label: 'Longer side',
      help: 'pixels of the longer side',
      type: 'count',
      least: 1,
      most: LARGEST_PICTURE,
      step: 64,
      unit: 'px',
      word: 'size',
    },
    BACKGROUND,
    BLEED,
  ],
  start: { size: 1024, background: true, bleed: false },
  startOn: ({ width, height, unit }) => ({ size: sizeOn(Math.max(width, height), unit) }),
  about: ({ size, bleed }, page) => {
    const sides = sidesOf(page, { bleed });
    const longer = Math.max(...sides);
    const [across, down] = sides.map((side) => Math.max(1, Math.round((size * side) / longer)));
    return `A picture of pixels, drawn on the server. ${across} × ${down} px.`;
  },
  draw: ({ scene }, { size, background, bleed }) => {
    const { page } = scene;
    const [wide, high] = sidesOf(page, { bleed });
    const pixelsPerUnit = size / Math.max(wide, high);
    return {
      svg: svgOf(scene, { form: 'compact', decimals: DECIMALS, background, bleed, pixelsPerUnit }),
      size,
      view: { x: (page.width - wide) / 2, y: (page.height - high) / 2, width: wide, height: high },
    };
  },
};
