/**
 * What people call colours: a client's red, the paper. A colour is known by itself, so that all that is painted with it has its name.
 *
 * @example
 * const names = namedColours({}, '#d9512c', 'Signal');
 * calledColour('#d9512c', names);   // 'Signal, #d9512c'
 */
import type { Colour } from '@/core/scene';

export type ColourNames = Readonly<Record<Colour, string>>;

export const MOST_COLOUR_NAME = 60;

/** A colour as it is told: with its name, where it has one. */
export const calledColour = (colour: Colour, names: ColourNames = {}): string => {
  const name = names[colour];
  return name === undefined ? colour : `${name}, ${colour}`;
};

/** Names with that of one colour set; a name of nothing but spaces takes it away. */
export function namedColours(names: ColourNames, colour: Colour, name: string): ColourNames {
  const { [colour]: _, ...others } = names;
  const own = name.trim().slice(0, MOST_COLOUR_NAME);
  return own === '' ? others : { ...others, [colour]: own };
}

/** Names that go along as colours change; of two that become one, the first counts. */
export function carriedNames(names: ColourNames, change: (colour: Colour) => Colour): ColourNames {
  const made = new Map<Colour, string>();
  for (const [colour, name] of Object.entries(names)) {
    const to = change(colour);
    if (!made.has(to)) made.set(to, name);
  }
  return Object.fromEntries(made);
}
