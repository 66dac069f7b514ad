import { bordersOf, copiesOfBorder } from '../borders';
import { check, found, shown } from '../check';
import { coloursApart, seenAs, VISIONS } from '@/core/paint';

/** Colours side by side that some people do not tell apart. */
export const vision = check({
  id: 'vision',
  title: 'Colours that some do not tell apart',
  group: 'Colour',
  source:
    'Machado, Oliveira and Fernandes, IEEE TVCG 15 (2009); ΔE 2000: Sharma, Wu and Dalal, Color Res. Appl. 30 (2005)',
  limits: [
    { key: 'apart', label: 'As they see it', unit: 'difference', start: 6, least: 1, most: 50 },
    { key: 'plain', label: 'As others see it', unit: 'difference', start: 12, least: 1, most: 100 },
  ],
  find: (subject, { apart, plain }) =>
    bordersOf(subject).flatMap((border) => {
      if (border.long < 0.05 * subject.figure.page.width || coloursApart(border.a, border.b) < plain)
        return [];
      const blind = VISIONS.map((how) => ({
        how,
        apart: coloursApart(seenAs(border.a, how), seenAs(border.b, how)),
      })).filter((each) => each.apart < apart);
      if (blind.length === 0) return [];
      const least = Math.min(...blind.map((each) => each.apart));
      const names = blind.map(({ how }) => how).join(' and ');
      return [
        found('vision', {
          severity: 'warning',
          title: `${border.a} and ${border.b} as one`,
          sentence: `With ${names} vision they are ΔE ${shown(least)} apart, ${shown(apart)} is asked. Make one lighter.`,
          where: copiesOfBorder(subject, border),
        }),
      ];
    }),
});
