import type { Colour } from '@/core/scene';
import type { ColourNames } from './colourNames';
import { adjustedColour, harmonyOf, HARMONIES, NO_ADJUSTMENT, shadesOf } from './adjust';

export interface Palette {
  readonly name: string;
  readonly colours: readonly Colour[];
  /** What some of them are called. */
  readonly names?: ColourNames;
}

/** Palettes that come with the application. */
export const STOCK_PALETTES: readonly Palette[] = [
  {
    name: 'Tide Week',
    colours: ['#f2e6d0', '#f7c6a3', '#d9512c', '#e9b44c', '#84c5b4', '#1f8a76', '#113d4c'],
  },
  { name: 'Rock pool', colours: ['#eef3e6', '#bcd9c3', '#6fb3a0', '#3f7f86', '#5d4d7a', '#2a2346'] },
  { name: 'Harbour night', colours: ['#f5e3b8', '#f0a35e', '#c2504a', '#6d3b5e', '#2c3a63', '#101b33'] },
  { name: 'Samphire', colours: ['#fbf5e4', '#dbe3a1', '#a3b84f', '#5f8a3c', '#2f5d43', '#7a3b48'] },
  { name: 'Slate and brass', colours: ['#f1eee8', '#cfd3d1', '#8e9a9d', '#4d5c63', '#1e2a31', '#c4993f'] },
  { name: 'Anemone', colours: ['#fff0ec', '#ffb8b0', '#ef6f7f', '#b93c74', '#6a2a6e', '#2b1b44'] },
  { name: 'Lamp', colours: ['#fff6dc', '#ffe08a', '#f9b43b', '#e0781f', '#a3431b', '#4c2216'] },
  { name: 'Ice', colours: ['#ffffff', '#dff0f7', '#a9d5e8', '#5fa7cc', '#2b6c9e', '#123a63'] },
];

/** What a figure can be tried in: its own colours changed, what goes with its strongest, and the stock. */
export function trialPalettes(own: readonly Colour[], base: Colour): Palette[] {
  const changed = (name: string, part: Partial<typeof NO_ADJUSTMENT>): Palette => ({
    name,
    colours: own.map((colour) => adjustedColour(colour, { ...NO_ADJUSTMENT, ...part })),
  });
  return [
    changed('Warmer', { warm: 0.45 }),
    changed('Cooler', { warm: -0.45 }),
    changed('Muted', { strength: -0.55 }),
    changed('Turned by 120°', { hue: 120 }),
    changed('Turned by 240°', { hue: 240 }),
    { name: 'One hue', colours: shadesOf(base, Math.max(4, own.length)) },
    {
      name: 'Split complement',
      colours: harmonyOf(base, HARMONIES['Split complement']).flatMap((colour) => shadesOf(colour, 3)),
    },
    ...STOCK_PALETTES,
  ];
}
