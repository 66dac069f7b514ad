/**
 * Colours in a PDF: as red, green and blue, or as inks (ISO 32000-1, 8.6: DeviceRGB, DeviceCMYK, Separation).
 *
 * @example
 * const colours = inkColours(figure.inks, (name, shares) => own.separation(name, shares));
 * stream.push(colours.fill('#d9512c'));     // "0 0.63 0.8 0.15 k", or "/C1 cs 1 scn" for an ink of its own
 */
import { type Cmyk, type ColourInks, inksOf } from '@/core/paint';
import type { Colour } from '@/core/scene';
import { n, rgb } from './content';

export interface PdfColours {
  /** The space of runs of colours, and in which what is see-through is mixed. */
  readonly space: 'DeviceRGB' | 'DeviceCMYK';
  readonly fill: (colour: Colour) => string;
  readonly stroke: (colour: Colour) => string;
  /** Of a stop of a run; an ink of its own counts as what it looks like. */
  readonly values: (colour: Colour) => readonly number[];
  /** Lines that are on every plate. */
  readonly marks: string;
}

export const RGB_COLOURS: PdfColours = {
  space: 'DeviceRGB',
  fill: (colour) => `${rgb(colour)} rg`,
  stroke: (colour) => `${rgb(colour)} RG`,
  values: (colour) => rgb(colour).split(' ').map(Number),
  marks: '0 0 0 RG',
};

const shares = ({ c, m, y, k }: Cmyk): readonly number[] => [c, m, y, k].map((share) => share / 100);

/** @param separation the name by which a stream uses an ink of its own */
export function inkColours(
  said: readonly ColourInks[],
  separation: (ink: string, looks: readonly number[]) => string,
): PdfColours {
  const operator = (colour: Colour, process: string, space: string, tint: string): string => {
    const inks = inksOf(colour, said);
    const levels = shares(inks);
    return inks.spot === undefined
      ? `${levels.map(n).join(' ')} ${process}`
      : `/${separation(inks.spot, levels)} ${space} 1 ${tint}`;
  };
  return {
    space: 'DeviceCMYK',
    fill: (colour) => operator(colour, 'k', 'cs', 'scn'),
    stroke: (colour) => operator(colour, 'K', 'CS', 'SCN'),
    values: (colour) => shares(inksOf(colour, said)),
    // The name that is on all plates (ISO 32000-1, 8.6.6.4).
    marks: `/${separation('All', [1, 1, 1, 1])} CS 1 SCN`,
  };
}
