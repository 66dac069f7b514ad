import type { OptionField, TextFormat } from '../format';
import type { Figure } from '@/core/figure';
import type { ScenePage } from '@/core/scene';
import { printNumber } from '../pathData';
import { DEFAULT_SVG, MOST_DECIMALS, svgOf, type SvgOptions } from './svg';

/** What is asked of a person who wants an SVG. */
export type SvgChoices = Required<
  Pick<SvgOptions, 'form' | 'decimals' | 'neighbours' | 'background' | 'bleed' | 'reveal' | 'small'>
>;

/** With the page's background, or without it. */
export const BACKGROUND = {
  key: 'background',
  label: 'Background',
  help: "without the page's background",
  type: 'choice',
  choices: [
    [true, 'With'],
    [false, 'Without'],
  ],
  word: 'no-background',
  wordMeans: false,
} as const satisfies OptionField<{ readonly background: boolean }>;

/** How many digits coordinates have after the point. */
export const DECIMALS = {
  key: 'decimals',
  label: 'Decimals',
  help: 'decimals of coordinates',
  type: 'count',
  least: 0,
  most: MOST_DECIMALS,
  word: 'decimals',
} as const satisfies OptionField<{ readonly decimals: number }>;

/** With what is trimmed off, or without it. */
export const BLEED = {
  key: 'bleed',
  label: 'Bleed',
  help: 'with the bleed of the page around it',
  type: 'choice',
  choices: [
    [false, 'Without'],
    [true, 'With'],
  ],
  word: 'bleed',
  wordMeans: true,
} as const satisfies OptionField<{ readonly bleed: boolean }>;

/** How areas that lie side by side are drawn. */
export const NEIGHBOURS = {
  key: 'neighbours',
  label: 'Neighbours',
  help: 'overlap (nothing shows between areas that lie side by side), or abut (each ends where the next begins, for cutters)',
  type: 'choice',
  choices: [
    ['overlap', 'Overlap'],
    ['abut', 'Abut'],
  ],
  word: 'neighbours',
} as const satisfies OptionField<{ readonly neighbours: string }>;

/** A page's sides, with its bleed where that is asked for. */
export const sidesOf = (
  { width, height, bleed }: ScenePage,
  options: { readonly bleed: boolean },
): readonly [wide: number, high: number] => {
  const around = options.bleed ? 2 * bleed : 0;
  return [width + around, height + around];
};

/** What a figure shows, in words: its rounds and how often each stands. */
const descriptionOf = ({ rounds }: Figure): string =>
  rounds
    .filter(({ visible }) => visible)
    .map(({ name, rule }) => `${name} ×${rule.fold}`)
    .join(', ');

const ABOUT = {
  compact: 'Each motif once, as a symbol, and a use for every copy. Small, and still symmetric in the file.',
  plain: 'Every copy a path of its own, for programs and machines that know no symbols.',
};

/** Scalable Vector Graphics: SVG 2 that readers of SVG 1.1 understand. */
export const svg: TextFormat<SvgChoices> = {
  kind: 'text',
  id: 'svg',
  name: 'SVG',
  ending: 'svg',
  mediaType: 'image/svg+xml; charset=utf-8',
  fields: [
    {
      key: 'form',
      label: 'Copies as',
      help: 'every copy a path of its own, instead of symbols and uses',
      type: 'choice',
      choices: [
        ['compact', 'Symbol, uses'],
        ['plain', 'Plain paths'],
      ],
      word: 'plain',
      wordMeans: 'plain',
    },
    DECIMALS,
    NEIGHBOURS,
    {
      key: 'reveal',
      label: 'Copies come',
      help: 'the copies come one after the other when it is shown',
      type: 'choice',
      choices: [
        [false, 'All at once'],
        [true, 'One by one'],
      ],
      word: 'reveal',
      wordMeans: true,
      when: ({ form }) => form === 'compact',
    },
    {
      key: 'small',
      label: 'Written',
      help: 'without line ends and spaces that only people need',
      type: 'choice',
      choices: [
        [false, 'To be read'],
        [true, 'Small'],
      ],
      word: 'small',
      wordMeans: true,
    },
    BACKGROUND,
    BLEED,
  ],
  start: {
    form: DEFAULT_SVG.form,
    decimals: DEFAULT_SVG.decimals,
    neighbours: 'overlap',
    reveal: false,
    small: false,
    background: true,
    bleed: false,
  },
  about: ({ form, bleed }, page) => {
    const [wide, high] = sidesOf(page, { bleed });
    return `${ABOUT[form]} ${printNumber(wide, 3)} × ${printNumber(high, 3)} ${page.unit}.`;
  },
  write: ({ figure, scene }, options) =>
    svgOf(scene, {
      ...options,
      title: figure.name,
      description: descriptionOf(figure),
      names: new Map(figure.rounds.map(({ id, name }) => [id, name])),
    }),
};

export { REVEAL_SECONDS, svgOf } from './svg';
