/**
 * Numbers of a figure by names that a person types: `rim.fold`, or `fold` where no other number is called so.
 *
 * @example
 * const made = withSettings(figure, [['hub.fold', '16'], ['petal.width', '2mm']], STRAIGHT);
 */
import type { Work } from '@/core/derive';
import { failed, finding, ok, type Result } from '@/core/finding';
import { type Figure, figureSchema } from '@/core/figure';
import { degreesOf, type Reading, readLength, readShare, readTurn } from '@/core/number';
import { leversOf, type Lever, type LeverValue } from './levers';

/** A name, and what it is to be, as they are typed. */
export type Setting = readonly [name: string, text: string];

/** A word of a name: small letters, and hyphens for all that is between words. */
export const wordOf = (text: string): string =>
  text
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[’'\u0300-\u036f]/g, '')
    .replace(/[^\p{Letter}\p{Number}]+/gu, '-')
    .replace(/^-|-$/g, '');

/** The whole name of a lever: `hub.petal.width`. */
export const nameOf = ({ of, label }: Lever): string => [...of.split(' · '), label].map(wordOf).join('.');

/** How many names are told of those that there are. */
const MOST_TOLD = 12;

const toldNames = (levers: readonly Lever[]): string =>
  levers.slice(0, MOST_TOLD).map(nameOf).join(', ') + (levers.length > MOST_TOLD ? ', …' : '');

/** The lever of a name, or of the end of one. */
function leverNamed(levers: readonly Lever[], name: string): Result<Lever> {
  const wanted = name.split('.').map(wordOf).join('.');
  const whole = levers.filter((lever) => nameOf(lever) === wanted);
  const found = whole.length > 0 ? whole : levers.filter((lever) => nameOf(lever).endsWith(`.${wanted}`));
  const [lever, another] = found;
  if (!lever) return failed(finding('lever.none', name, toldNames(levers)));
  return another ? failed(finding('lever.several', name, toldNames(found))) : ok(lever);
}

function numberIn(lever: Exclude<Lever, { type: 'choice' }>, text: string, figure: Figure): Reading<number> {
  switch (lever.type) {
    case 'length':
      return readLength(text, figure.page.unit);
    case 'degrees': {
      const reading = readTurn(text);
      return reading.ok ? { ok: true, value: degreesOf(reading.value) } : reading;
    }
    case 'count': {
      const reading = readShare(text, lever.least, lever.most);
      return reading.ok && !Number.isInteger(reading.value)
        ? { ok: false, message: 'A whole number is needed here.' }
        : reading;
    }
    case 'share':
      return readShare(text, lever.least, lever.most);
  }
}

/** What was typed as a value of a lever: a choice by its word or what it is called. */
function valueOf(lever: Lever, name: string, text: string, figure: Figure): Result<LeverValue> {
  if (lever.type === 'choice') {
    const wanted = wordOf(text);
    const found = lever.choices.find((choice) => choice.some((each) => wordOf(each) === wanted));
    const choices = lever.choices.map(([value]) => value).join(', ');
    return found ? ok(found[0]) : failed(finding('lever.value', name, text, `It is one of ${choices}.`));
  }
  const reading = numberIn(lever, text, figure);
  return reading.ok ? ok(reading.value) : failed(finding('lever.value', name, text, reading.message));
}

const isSame = (lever: Lever, value: LeverValue): boolean =>
  typeof value === 'number' && lever.type !== 'choice'
    ? Math.abs(value - lever.value) <= 1e-9 * Math.max(1, Math.abs(value))
    : value === lever.value;

/** A figure with numbers and choices set one after the other; why one of them cannot be, else. */
export function withSettings(figure: Figure, settings: readonly Setting[], work: Work): Result<Figure> {
  let now = figure;
  for (const [name, text] of settings) {
    const found = leverNamed(leversOf(now, work), name);
    if (!found.ok) return found;
    const lever = found.value;
    const value = valueOf(lever, name, text, now);
    if (!value.ok) return value;
    if (isSame(lever, value.value)) continue;
    const made = lever.set(now, value.value, work);
    if (made === now || figureSchema.validate(made, { convert: false }).error)
      return failed(finding('lever.refused', name, text));
    now = made;
  }
  return ok(now);
}
