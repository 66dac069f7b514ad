/** Units of length that a figure can be in. `px` and `pt` are those of CSS: 96 and 72 to the inch. */
export const LENGTH_UNITS = ['mm', 'cm', 'in', 'pt', 'px'] as const;
export type LengthUnit = (typeof LENGTH_UNITS)[number];

/** How many to the inch. Source: CSS Values and Units Level 4, section 6.2, "Absolute lengths". */
const PER_INCH: Record<LengthUnit, number> = { mm: 25.4, cm: 2.54, in: 1, pt: 72, px: 96 };

export const isLengthUnit = (text: string): text is LengthUnit => text in PER_INCH;

/** Converts a length from one unit to another. */
export const convertLength = (value: number, from: LengthUnit, to: LengthUnit): number =>
  from === to ? value : (value * PER_INCH[to]) / PER_INCH[from];

/** How much of a unit a pixel is. */
export const fromPixels = (unit: LengthUnit): number => convertLength(1, 'px', unit);
