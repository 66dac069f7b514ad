import { bordersOf, copiesOfBorder } from '../borders';
import { check, found, shown } from '../check';

/** A border shorter than this share of the page's width is not what tells shapes apart. */
const LEAST_LONG = 0.05;

/** Colours side by side that are hardly told apart. */
export const neighbourContrast = check({
  id: 'contrast',
  title: 'Neighbours of nearly one colour',
  group: 'Colour',
  source: 'WCAG 2.2, definition of contrast ratio, and success criterion 1.4.11',
  limits: [
    { key: 'ratio', label: 'Neighbours', unit: 'ratio', start: 1.2, least: 1, most: 21 },
    { key: 'page', label: 'To the page', unit: 'ratio', start: 1.5, least: 1, most: 21 },
  ],
  find: (subject, { ratio, page }) =>
    bordersOf(subject)
      .filter(({ contrast, isPage, long }) => {
        const least = LEAST_LONG * subject.figure.page.width;
        return long >= least && contrast < (isPage ? page : ratio);
      })
      .map((border) =>
        found('contrast', {
          severity: border.isPage ? 'warning' : 'note',
          title: border.isPage
            ? `Hardly seen on the page: ${border.a} on ${border.b}`
            : `Nearly one colour: ${border.a} and ${border.b}`,
          sentence: `${shown(border.contrast)} : 1, where ${shown(border.isPage ? page : ratio)} : 1 is asked. Make one lighter, or lay a line between them.`,
          where: copiesOfBorder(subject, border),
        }),
      ),
});
