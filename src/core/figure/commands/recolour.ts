import type { Work } from '@/core/derive';
import { type Form, rectangle } from '@/core/maker';
import { NO_TURN } from '@/core/number';
import { type ColourNames, namedColours } from '@/core/paint';
import type { Colour } from '@/core/scene';
import { reachOfMotif } from '../reach';
import { newRound, newShape } from '../start';
import { paperOf, swapColour } from '../recolour';
import { LIMITS, type Figure } from '../model';

/** Changes a colour of the palette; all that is painted with it follows. */
export const changeSwatch = (figure: Figure, from: Colour, to: Colour): Figure =>
  from === to ? figure : swapColour(figure, from, to);

/** Takes a colour out of the palette; what is painted with it keeps it. */
export const removeSwatch = (figure: Figure, colour: Colour): Figure => ({
  ...figure,
  palette: figure.palette.filter((each) => each !== colour),
});

/** Gives the figure another palette; what is painted stays as it is. At most as many colours as a palette may have. @param names of colours, beside those that there are */
export const setPalette = (figure: Figure, colours: readonly Colour[], names: ColourNames = {}): Figure => ({
  ...withColourNames(figure, { ...figure.colourNames, ...names }),
  palette: [...new Set(colours)].slice(0, LIMITS.palette),
});

function withColourNames({ colourNames: _, ...figure }: Figure, names: ColourNames): Figure {
  const kept = Object.entries(names).slice(-LIMITS.inks);
  return kept.length > 0 ? { ...figure, colourNames: Object.fromEntries(kept) } : figure;
}

/** Names a colour, wherever in the figure it is; a name of nothing but spaces takes its name away. */
export const nameColour = (figure: Figure, colour: Colour, name: string): Figure =>
  withColourNames(figure, namedColours(figure.colourNames ?? {}, colour, name));

export const BACKINGS = ['circle', 'square'] as const;
export type Backing = (typeof BACKINGS)[number];

/** How far a backing goes beyond what lies on it, as a share. */
const BEYOND = 1.06;

/** Lays a shape behind the whole figure, a little larger than it, in a round of its own, in a colour on which all of it is seen. */
export function addBacking(figure: Figure, backing: Backing, newId: () => string, work: Work): Figure {
  const reaches = figure.rounds.map((round) => reachOfMotif(round, work)?.outer ?? 0);
  const drawn = Math.max(0, ...reaches);
  const radius = BEYOND * (drawn > 0 ? drawn : Math.min(figure.page.width, figure.page.height) / 3);
  const placed = { at: { x: 0, y: 0 }, rotation: NO_TURN };
  const form: Form =
    backing === 'circle'
      ? { kind: 'ellipse', ...placed, params: { width: 2 * radius, height: 2 * radius } }
      : {
          kind: 'rectangle',
          ...placed,
          params: { ...rectangle.start, width: 2 * radius, height: 2 * radius },
        };
  const shape = newShape(newId(), 'Backing', form, { fill: paperOf(figure), stroke: null });
  const round = { ...newRound(newId(), 'Backing', 1), shapes: [shape] };
  return { ...figure, rounds: [round, ...figure.rounds] };
}
