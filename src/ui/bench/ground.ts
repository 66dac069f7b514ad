import { wcagContrast } from 'culori';

import { firstColour } from '@/core/paint';
import type { Fill } from '@/core/scene';

/** What is drawn over the page on the Bench, told from it whatever its colour. */
export interface GroundInks {
  /** A wash that tells the wedge from the rest of the page. */
  readonly wedge: string;
  readonly rings: string;
  readonly rays: string;
  readonly lines: string;
}

const ON_LIGHT: GroundInks = {
  wedge: '#172a330d',
  rings: '#172a3326',
  rays: '#9a6b12',
  lines: '#172a33',
};

const ON_DARK: GroundInks = {
  wedge: '#ffffff14',
  rings: '#ffffff33',
  rays: '#fffefbcc',
  lines: '#fffefb',
};

/** In the theme's own colours, where no page is shown. */
export const BARE_INKS: GroundInks = {
  wedge: 'var(--sand)',
  rings: 'var(--line)',
  rays: 'var(--brass)',
  lines: 'var(--ink)',
};

/** The last page's, as all moves of a drag are over the same one. */
let last = { colour: '#ffffff', inks: ON_LIGHT };

/** The inks for a page of a colour: light ones where white reads better on it than ink does (WCAG 2.2 contrast). */
export function inksOn(background: Fill | null): GroundInks {
  const colour = firstColour(background)?.slice(0, 7) ?? '#ffffff';
  if (colour !== last.colour) {
    const isDark = wcagContrast(colour, '#fffefb') > wcagContrast(colour, '#172a33');
    last = { colour, inks: isDark ? ON_DARK : ON_LIGHT };
  }
  return last.inks;
}
