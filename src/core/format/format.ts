/**
 * What a file format is: its name, what it asks for, and how it is made. The Export dialog, the server's route, the command line and
 * their checks follow from it; a new format is a folder and a line in `formats.ts`.
 *
 * @example
 * const options = optionsOf(svg, new URLSearchParams('form=plain&decimals=2'));   // Result<SvgChoices>
 * if (options.ok) write(svg.write({ figure, scene }, options.value));
 */
import Joi from 'joi';

import type { Figure } from '@/core/figure';
import type { Scene } from '@/core/scene';
import type { Pictures } from './figure/pictures';

export type OptionValue = string | number | boolean;
export type Options = Readonly<Record<string, OptionValue>>;

interface Asked<O> {
  readonly key: keyof O & string;
  /** In the dialog. */
  readonly label: string;
  /** On the command line: what it does. */
  readonly help: string;
  /** False where the option does not count for what else is chosen. */
  readonly when?: (options: O) => boolean;
}

/** An option that a format asks for, as a field of the dialog, a parameter of the route and an option of the command line. */
export type OptionField<O> = Asked<O> &
  (
    | {
        readonly type: 'count';
        readonly least: number;
        readonly most: number;
        readonly step?: number;
        readonly unit?: string;
        /** Its word on the command line, followed by a number. */
        readonly word: string;
      }
    | {
        readonly type: 'choice';
        readonly choices: readonly (readonly [value: string | boolean, label: string])[];
        readonly word: string;
        /** The value that the word alone chooses on the command line; without it the word is followed by a value. */
        readonly wordMeans?: string | boolean;
      }
    /** Rounds of the figure, by names or ids, separated by commas. */
    | { readonly type: 'rounds'; readonly word: string }
  );

/** What files are made of. */
export interface Source {
  readonly figure: Figure;
  /** The figure's scene, with all its merges made. */
  readonly scene: Scene;
  /** Pictures that the figure names, as data addresses by their ids, where who asks has them. */
  readonly pictures?: Pictures;
}

/** A picture to be drawn in pixels. */
export interface PixelJob {
  readonly svg: string;
  /** Pixels of the longer side. */
  readonly size: number;
  /** What the document shows, in its own coordinates. */
  readonly view: { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
  /** How its pixels are written. */
  readonly as:
    | { readonly type: 'png' }
    /** @param ground what shows where nothing is drawn */
    | { readonly type: 'jpeg'; readonly quality: number; readonly ground: string }
    | { readonly type: 'webp'; readonly quality: number };
}

interface Described<O> {
  readonly id: string;
  readonly name: string;
  /** Of files, without the dot. */
  readonly ending: string;
  readonly mediaType: string;
  readonly fields: readonly OptionField<O>[];
  readonly start: O;
  /** What the dialog begins with instead, for a page. */
  readonly startOn?: (page: Scene['page']) => Partial<O>;
  /** True where files of it are meant to be laid side by side, and are shown so before they leave. */
  readonly repeats?: (options: O) => boolean;
  /** An SVG of what a file shows that no browser does. */
  readonly picture?: (source: Source, options: O) => string;
  /** What a file of it is, in a sentence or two. */
  readonly about: (options: O, page: Scene['page']) => string;
}

/** A format whose files are text, which the core writes. */
export interface TextFormat<O> extends Described<O> {
  readonly kind: 'text';
  readonly write: (source: Source, options: O) => string;
}

/** A format whose files are pixels: the core says what is drawn, who asks draws it. */
export interface PixelFormat<O> extends Described<O> {
  readonly kind: 'pixels';
  readonly draw: (source: Source, options: O) => PixelJob;
}

/** A format whose files are bytes that the core writes. */
export interface BytesFormat<O> extends Described<O> {
  readonly kind: 'bytes';
  readonly write: (source: Source, options: O) => Promise<Uint8Array>;
}

/** One of several files that leave together: text, a picture of pixels, or an icon of several sizes. */
export type BundleFile = { readonly name: string } & (
  { readonly text: string } | { readonly picture: PixelJob } | { readonly icon: readonly PixelJob[] }
);

/** A format of several files, which who asks draws and packs into one. */
export interface BundleFormat<O> extends Described<O> {
  readonly kind: 'bundle';
  readonly pack: (source: Source, options: O) => readonly BundleFile[];
}

/** Any format, its options unnamed. */
export type Format =
  TextFormat<Options> | PixelFormat<Options> | BytesFormat<Options> | BundleFormat<Options>;

/** As long as names of rounds together are, at most. */
const MOST_ROUND_WORDS = 20_000;

const ruleOf = (field: OptionField<Options>): Joi.Schema => {
  if (field.type === 'rounds') return Joi.string().allow('').max(MOST_ROUND_WORDS);
  if (field.type === 'count') return Joi.number().integer().min(field.least).max(field.most);
  const values = field.choices.map(([value]) => value);
  return values.every((value) => typeof value === 'boolean')
    ? Joi.boolean().truthy('1', 'yes').falsy('0', 'no')
    : Joi.valid(...values);
};

/** What the options of a format may be: one rule for each field, with what it begins with. */
export const optionRules = (format: Format): Record<string, Joi.Schema> =>
  Object.fromEntries(
    format.fields.map((field) => {
      const start = format.start[field.key];
      return [field.key, start === undefined ? ruleOf(field) : ruleOf(field).default(start)];
    }),
  );

/** Options as parameters of an address. */
export const parametersOf = (format: Format, options: Options): Record<string, string> => ({
  to: format.id,
  ...Object.fromEntries(
    Object.entries(options).map(([key, value]) => [
      key,
      typeof value === 'boolean' ? (value ? '1' : '0') : String(value),
    ]),
  ),
});
