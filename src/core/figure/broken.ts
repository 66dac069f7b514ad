/**
 * What the schema found wrong with a figure, as a sentence with the names that a person gave: not
 * `rounds[0].shapes[1].paint.stroke.width`, but “Petals”, “Petal 2”.
 *
 * @example
 * const { error } = figureSchema.validate(figure);
 * if (error) say(brokenSentence(figure, error)); // In “Petals”, “Petal 2”: a width is at most 100 000 mm
 */
import type Joi from 'joi';

import { type BuiltKind, makerOf } from '@/core/maker';

type Keys = readonly (string | number)[];

const isRecord = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null;

/** What stands at a place in a value that may be anything. */
const at = (value: unknown, keys: Keys): unknown =>
  keys.reduce<unknown>(
    (inside, key) => (isRecord(inside) ? (inside as Record<string | number, unknown>)[key] : undefined),
    value,
  );

/** Lengths of a figure, which are said with its unit. */
const LENGTHS = new Set([
  'x',
  'y',
  'width',
  'height',
  'radius',
  'bleed',
  'gap',
  'out',
  'dashes',
  'rings',
  'edge',
]);

const NOUNS: Readonly<Record<string, string>> = {
  x: 'a position across',
  y: 'a position up or down',
  num: 'an angle',
  den: 'an angle',
  fold: 'the fold',
  width: 'a width',
  height: 'a height',
  name: 'a name',
  id: 'an id',
  bleed: 'the bleed',
  nodes: 'the nodes of one contour',
  contours: 'the contours of one shape',
  dashes: 'a dash',
  rings: 'a ring',
  shapes: 'the shapes of a motif',
  rounds: 'the rounds',
  palette: 'the colours of the palette',
  stops: 'the stops of a gradient',
  limit: 'the miter limit',
};

/** `mitreLimit` as words. */
const wordsOf = (key: string): string => key.replace(/([A-Z])/g, (letter) => ` ${letter.toLowerCase()}`);

const grouped = (value: number): string =>
  Number.isInteger(value)
    ? String(value).replace(/\B(?=(\d{3})+$)/g, '\u00a0')
    : value.toFixed(9).replace(/\.?0+$/, '');

/** What a wrong value is called: as its field is, where a construction asks for it. */
function nounOf(figure: unknown, keys: Keys): { noun: string; isLength: boolean } {
  const key = [...keys].reverse().find((each) => typeof each === 'string') ?? 'value';
  const inParams = keys.indexOf('params');
  const kind = inParams > 0 ? at(figure, [...keys.slice(0, inParams), 'kind']) : undefined;
  const asked = keys[inParams + 1];
  if (typeof kind === 'string') {
    const field = makerOf(kind as BuiltKind).fields.find((each) => each.key === asked);
    if (field && asked === key) return { noun: `“${field.label}”`, isLength: field.type === 'length' };
  }
  return { noun: NOUNS[key] ?? wordsOf(key), isLength: LENGTHS.has(key) };
}

/** What holds of a value, by the rule that it breaks; null where the rule says it better itself. */
function ruleOf(type: string, limit: unknown, unit: string): string | null {
  const most = typeof limit === 'number' ? `${grouped(limit)}${unit}` : '';
  switch (type) {
    case 'number.max':
      return `is at most ${most}`;
    case 'number.min':
      return `is at least ${most}`;
    case 'number.greater':
      return `is above ${most}`;
    case 'number.less':
      return `is below ${most}`;
    case 'number.base':
    case 'number.infinity':
    case 'number.unsafe':
      return 'is a number that can be kept';
    case 'number.integer':
      return 'is a whole number';
    case 'array.max':
      return `are at most ${most}`;
    case 'string.max':
      return `has at most ${most} characters`;
    case 'string.empty':
      return 'is not empty';
    default:
      return null;
  }
}

/** Where something is, by the names of its round and shape. */
function placeOf(figure: unknown, keys: Keys): string {
  const named = (upTo: number): string[] => {
    const called = at(figure, [...keys.slice(0, upTo), 'name']);
    return typeof called === 'string' && called !== '' ? [`“${called}”`] : [];
  };
  const inRound = keys[0] === 'rounds' && keys.length > 2 ? named(2) : [];
  const inShape = inRound.length > 0 && keys[2] === 'shapes' && keys.length > 4 ? named(4) : [];
  return [...inRound, ...inShape].join(', ');
}

/** One thing that is wrong: `path` from the figure down to it. */
interface Wrong {
  readonly path: Keys;
  readonly type: string;
  readonly limit: unknown;
  readonly message: string;
}

/** The innermost thing that is wrong: parts that are checked once an object (schema.ts) tell it as what is inside of them. */
function innermost({ path, type, context, message }: Joi.ValidationErrorItem, above: Keys = []): Wrong {
  const here = [...above, ...path];
  const inside = context?.['detail'] as Joi.ValidationErrorItem | undefined;
  return inside ? innermost(inside, here) : { path: here, type, limit: context?.['limit'], message };
}

const withoutLabel = (message: string): string => message.replace(/^"[^"]*":? ?/, '');

/**
 * What is wrong, as a sentence without its full stop.
 * @param figure what was looked at, whatever it is
 * @param error what the schema said of it
 */
export function brokenSentence(figure: unknown, error: Joi.ValidationError): string {
  const [detail] = error.details;
  if (!detail) return error.message;
  const { path, type, limit, message } = innermost(detail);
  const { noun, isLength } = nounOf(figure, path);
  const unit = at(figure, ['page', 'unit']);
  const rule = ruleOf(type, limit, isLength && typeof unit === 'string' ? `\u00a0${unit}` : '');
  const said = rule === null ? withoutLabel(message) : `${noun} ${rule}`;
  const place = placeOf(figure, path);
  if (place !== '') return `In ${place}: ${said}`;
  return `${said.charAt(0).toUpperCase()}${said.slice(1)}`;
}
