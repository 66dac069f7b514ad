import { coloursOfFigure } from '@/core/figure';
import { coloursApart } from '@/core/paint';
import { check, found, type Place } from '../check';
import type { Colour } from '@/core/scene';
import type { Subject } from '../subject';
import { bordersOf, copiesOfBorder } from '../borders';

/** Where a colour is drawn. */
function placesOfColour(subject: Subject, colour: Colour): Place[] {
  const [border] = bordersOf(subject).filter(({ a, b }) => a === colour || b === colour);
  return border ? copiesOfBorder(subject, border) : [];
}

/** Colours as they are told, by their names where they have some. */
const teller =
  ({ figure }: Subject) =>
  (colour: Colour): string =>
    figure.colourNames?.[colour] ?? colour;

/** More colours than there are inks. */
export const inks = check({
  id: 'inks',
  title: 'Number of inks',
  group: 'Colour',
  limits: [{ key: 'most', label: 'At most', unit: 'number', start: 4, least: 1, most: 64 }],
  find: (subject, { most }) => {
    const uses = coloursOfFigure(subject.figure).map(({ colour }) => colour.slice(0, 7));
    const all = [...new Set(uses)];
    const told = teller(subject);
    if (all.length <= most) return [];
    // What is used least becomes the nearest of what is used more.
    const kept = all.slice(0, most);
    return all.slice(most).map((colour) => {
      const near = [...kept].sort((a, b) => coloursApart(a, colour) - coloursApart(b, colour))[0] ?? colour;
      return found('inks', {
        severity: 'error',
        title: `One ink too many: ${told(colour)}`,
        sentence: `There are ${all.length} colours for ${most} inks. The nearest of those used more is ${told(near)}.`,
        where: placesOfColour(subject, colour),
        mends: [{ label: `Print it with ${told(near)}`, command: 'recolour', args: [colour, near] }],
      });
    });
  },
});

/** Colours that are none of the palette's: with chosen inks they cannot be printed. */
export const palette = check({
  id: 'palette',
  title: 'Colours outside the palette',
  group: 'Colour',
  limits: [],
  find: (subject) => {
    const own = subject.figure.palette.map((each) => each.slice(0, 7).toLowerCase());
    if (own.length === 0) return [];
    const { background } = subject.figure.page;
    const told = teller(subject);
    const uses = coloursOfFigure(subject.figure).map(({ colour }) => colour.slice(0, 7).toLowerCase());
    return [...new Set(uses)]
      .filter((colour) => !own.includes(colour) && colour !== background)
      .map((colour) => {
        const near = [...own].sort((a, b) => coloursApart(a, colour) - coloursApart(b, colour))[0] ?? colour;
        return found('palette', {
          severity: 'note',
          title: `${told(colour)} is not in the palette`,
          sentence: `The nearest colour of the palette is ${told(near)}.`,
          where: placesOfColour(subject, colour),
          mends: [
            { label: `Make it ${told(near)}`, command: 'recolour', args: [colour, near] },
            { label: 'Add it to the palette', command: 'addToPalette', args: [colour] },
          ],
        });
      });
  },
});
