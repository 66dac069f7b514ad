import type { PixelFormat } from '../format';
import { BACKGROUND } from '../svg';
import { svgOf } from '../svg/svg';

interface PngChoices {
  /** Pixels of the longer side. */
  readonly size: number;
  readonly background: boolean;
}

/** Largest side of a picture, in pixels. */
const LARGEST_PICTURE = 8192;

/** The decimals that pixels can need. */
const DECIMALS = 6;

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
  ],
  start: { size: 1024, background: true },
  about: ({ size }, { width, height }) => {
    const longer = Math.max(width, height);
    const [across, down] = [width, height].map((side) => Math.max(1, Math.round((size * side) / longer)));
    return `A picture of pixels, drawn on the server. ${across} × ${down} px.`;
  },
  draw: ({ scene }, { size, background }) => {
    const { width, height } = scene.page;
    const pixelsPerUnit = size / Math.max(width, height);
    return {
      svg: svgOf(scene, { form: 'compact', decimals: DECIMALS, background, pixelsPerUnit }),
      size,
      isWide: width >= height,
    };
  },
};
