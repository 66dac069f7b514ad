import type { Colour } from '../../scene/scene';
import { swapColour } from '../recolour';
import { LIMITS, type Figure } from '../model';

/** Changes a colour of the palette; all that is painted with it follows. */
export const changeSwatch = (figure: Figure, from: Colour, to: Colour): Figure =>
  from === to ? figure : swapColour(figure, from, to);

/** Takes a colour out of the palette; what is painted with it keeps it. */
export const removeSwatch = (figure: Figure, colour: Colour): Figure => ({
  ...figure,
  palette: figure.palette.filter((each) => each !== colour),
});

/** Gives the figure another palette; what is painted stays as it is. At most as many colours as a palette may have. */
export const setPalette = (figure: Figure, colours: readonly Colour[]): Figure => ({
  ...figure,
  palette: [...new Set(colours)].slice(0, LIMITS.palette),
});
