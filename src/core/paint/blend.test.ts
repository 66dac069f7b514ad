import { describe, expect, it } from 'vitest';

import { pixelsOf } from '../../../tests/help/pictures';
import { BLEND_MODES } from '@/core/scene';
import { blended } from './blend';
import { tintOf } from './inkAt';

const PAIRS = [
  ['#f2e6d0', '#d9512c'],
  ['#113d4c', '#84c5b4'],
  ['#d9512c', '#1f8a76'],
  ['#808080', '#e9b44c'],
] as const;

describe('blending', () => {
  it.each(BLEND_MODES)('comes to what another renderer draws: %s', (mode) => {
    for (const [below, above] of PAIRS)
      for (const opacity of [1, 0.6]) {
        const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="8" height="8"><rect width="8" height="8" fill="${below}"/><g style="mix-blend-mode:${mode}" opacity="${opacity}"><rect width="8" height="8" fill="${above}"/></g></svg>`;
        const [r = 0, g = 0, b = 0] = pixelsOf(svg, 8).slice(4 * 27, 4 * 27 + 3);
        const own = blended(tintOf(below), tintOf(above, opacity), mode);
        expect(Math.max(Math.abs(own.r - r), Math.abs(own.g - g), Math.abs(own.b - b))).toBeLessThan(2.5);
      }
  });
});
