/**
 * What a figure is found by on the Shelf, besides its name: how it is turned, its colours, and the words in it.
 *
 * @example
 * foundBy(figure);     // { folds: '12 fold', colours: 'teal 1f8a76', words: 'Tide Week Petals Petal' }
 */
import { isBuilt, makerOf, type Params } from '@/core/maker';
import { colourName } from '@/core/paint';
import type { Words } from '@/core/words';
import type { Figure, Round, Shape } from './model';
import { coloursOfFigure } from './recolour';

/** Texts of words, each with what it is found by. */
export interface FoundBy {
  readonly folds: string;
  readonly colours: string;
  readonly words: string;
}

const once = (words: readonly string[]): string => [...new Set(words)].join(' ');

/** The text that a shape sets, and what kind of construction it is. */
function wordsOfShape({ name, form }: Shape): string[] {
  if (!isBuilt(form)) return [name];
  const maker = makerOf(form.kind);
  const params: Params = form.params;
  const texts = maker.fields.flatMap(({ key, type }) =>
    type === 'words' && params[key] !== undefined ? [(params[key] as Words).text] : [],
  );
  return [name, maker.name, ...texts];
}

const wordsOfRound = ({ name, merge, shapes, groups = [] }: Round): string[] => [
  name,
  ...(merge ? [merge.op] : []),
  ...groups.map((group) => group.name),
  ...shapes.flatMap(wordsOfShape),
];

/** What a figure is found by. */
export function foundBy(figure: Figure): FoundBy {
  const { rounds } = figure;
  const folds = rounds.flatMap(({ rule: { fold, mirror } }) => [
    `${fold} fold`,
    ...(mirror ? ['mirrored'] : []),
  ]);
  const { colourNames: names = {} } = figure;
  const colours = coloursOfFigure(figure).flatMap(({ colour }) => [
    colourName(colour),
    colour.slice(1, 7),
    ...(names[colour] === undefined ? [] : [names[colour]]),
  ]);
  return {
    folds: once(folds),
    colours: once(colours),
    words: once(rounds.flatMap(wordsOfRound)),
  };
}
