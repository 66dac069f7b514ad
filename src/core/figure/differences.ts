/**
 * What is different between two figures, or two states of one, in words that a person would use.
 *
 * @example
 * differences(before, after);   // ['Petals: fold 12 → 16', 'Petals, Leaf: width 40 → 44 mm', '2 colours more']
 */
import equal from 'fast-deep-equal';

import { type Field, type Form, isBuilt, makerOf, type Params, type Value } from '@/core/maker';
import { degreesOf, type Turn } from '@/core/number';
import type { ScenePage } from '@/core/scene';
import type { Figure, Round, Shape } from './model';
import { coloursOfFigure } from './recolour';

/** A number as a person writes it: no more than three places. */
const written = (value: number): string => String(Number(value.toFixed(3)));
const degrees = (turn: Turn): string => `${written(degreesOf(turn))}°`;
const counted = (count: number, one: string, many = `${one}s`): string =>
  `${count} ${count === 1 ? one : many}`;
const onOff = (value: unknown): string => (value ? 'on' : 'off');

/** A line where two texts differ. */
const changed = (what: string, before: string, after: string): string[] =>
  before === after ? [] : [`${what} ${before} → ${after}`];

function pageDifferences(before: ScenePage, after: ScenePage): string[] {
  const size = ({ width, height, unit }: ScenePage): string =>
    `${written(width)} × ${written(height)} ${unit}`;
  return [
    ...changed('Page', size(before), size(after)),
    ...(equal(before.background, after.background) ? [] : ['Another background']),
    ...changed('Bleed', written(before.bleed), written(after.bleed)),
    ...(equal(before.centre, after.centre) ? [] : ['The centre is elsewhere']),
  ];
}

/** A value of a construction in words; null where it is none that is said in words. */
function valueWords(field: Field<Params>, value: Value | undefined, unit: string): string | null {
  switch (field.type) {
    case 'length':
      return typeof value === 'number' ? `${written(value)} ${unit}` : null;
    case 'count':
    case 'share':
      return typeof value === 'number' ? written(value) : null;
    case 'turn':
      return value === undefined ? null : degrees(value as Turn);
    case 'choice':
      return field.choices.find(([choice]) => choice === value)?.[1] ?? null;
    default:
      return null;
  }
}

function formDifferences(before: Form, after: Form, unit: string): string[] {
  if (equal(before, after)) return [];
  if (before.kind !== after.kind)
    return changed('is', ...([before, after].map(kindName) as [string, string]));
  if (!isBuilt(before) || !isBuilt(after)) return ['drawn anew'];
  const { fields } = makerOf(after.kind);
  const [from, to]: readonly Params[] = [before.params, after.params];
  const lines = fields.flatMap((field) => {
    const [old, next] = [from?.[field.key], to?.[field.key]];
    if (equal(old, next)) return [];
    const [a, b] = [valueWords(field, old, unit), valueWords(field, next, unit)];
    return a !== null && b !== null
      ? changed(field.label.toLowerCase(), a, b)
      : [`another ${field.label.toLowerCase()}`];
  });
  return lines.length > 0 ? lines : ['moved'];
}

const kindName = (form: Form): string => (isBuilt(form) ? makerOf(form.kind).name.toLowerCase() : 'path');

function shapeDifferences(before: Shape, after: Shape, unit: string): string[] {
  return [
    ...changed('called', before.name, after.name),
    ...formDifferences(before.form, after.form, unit),
    ...(equal(before.paint, after.paint) ? [] : ['another paint']),
    ...(before.visible === after.visible ? [] : [after.visible ? 'shown' : 'hidden']),
  ];
}

/** Shapes told one by one; of more the rest is counted. */
const MOST_SHAPES = 6;

const idsOf = (list: readonly { readonly id: string }[]): ReadonlySet<string> =>
  new Set(list.map(({ id }) => id));

function motifDifferences(before: Round, after: Round, unit: string): string[] {
  if (before.shapes === after.shapes) return [];
  const [old, next] = [idsOf(before.shapes), idsOf(after.shapes)];
  const added = after.shapes.filter(({ id }) => !old.has(id)).length;
  const gone = before.shapes.filter(({ id }) => !next.has(id)).length;
  const lines = before.shapes.flatMap((shape) => {
    const now = after.shapes.find(({ id }) => id === shape.id);
    if (!now || now === shape) return [];
    const parts = shapeDifferences(shape, now, unit);
    return parts.length > 0 ? [`${shape.name}: ${parts.join(', ')}`] : [];
  });
  const rest = lines.length - MOST_SHAPES;
  const kept = before.shapes.filter(({ id }) => next.has(id)).map(({ id }) => id);
  const order = after.shapes.filter(({ id }) => old.has(id)).map(({ id }) => id);
  return [
    ...(added > 0 ? [`${counted(added, 'shape')} more`] : []),
    ...(gone > 0 ? [`${counted(gone, 'shape')} fewer`] : []),
    ...lines.slice(0, MOST_SHAPES),
    ...(rest > 0 ? [`and ${counted(rest, 'other shape')}`] : []),
    ...(equal(kept, order) ? [] : ['another order of its shapes']),
    ...(equal(before.groups, after.groups) ? [] : ['other groups']),
  ];
}

const mergeName = ({ merge }: Round): string => merge?.op ?? 'separate';

function roundDifferences(before: Round, after: Round, unit: string): string[] {
  if (before === after) return [];
  const [a, b] = [before.rule, after.rule];
  const others = ['variation', 'progression', 'whirl', 'omitted', 'lowerAction', 'light', 'relief'] as const;
  return [
    ...changed('called', before.name, after.name),
    ...changed('fold', String(a.fold), String(b.fold)),
    ...changed('mirror', onOff(a.mirror), onOff(b.mirror)),
    ...changed('start', degrees(a.start), degrees(b.start)),
    ...changed('merge', mergeName(before), mergeName(after)),
    ...(before.merge?.op === after.merge?.op && !equal(before.merge, after.merge)
      ? ['another paint or form of what is merged']
      : []),
    ...changed('opacity', written(before.opacity ?? 1), written(after.opacity ?? 1)),
    ...changed('blend', before.blend ?? 'normal', after.blend ?? 'normal'),
    ...(before.visible === after.visible ? [] : [after.visible ? 'shown' : 'hidden']),
    ...others.flatMap((key) => (equal(before[key], after[key]) ? [] : [`another ${ROUND_WORDS[key]}`])),
    ...motifDifferences(before, after, unit),
  ];
}

const ROUND_WORDS = {
  variation: 'variation',
  progression: 'way',
  whirl: 'whirl',
  omitted: 'choice of copies',
  lowerAction: 'effect on lower rounds',
  light: 'light',
  relief: 'wire',
} as const;

/** Rounds of two figures that are the same one: by id, else by name where that is told apart. */
function pairs(before: Figure, after: Figure): Map<Round, Round> {
  const left = new Set(after.rounds);
  const found = new Map<Round, Round>();
  const match = (isSame: (a: Round, b: Round) => boolean): void => {
    for (const round of before.rounds) {
      if (found.has(round)) continue;
      const other = [...left].find((each) => isSame(round, each));
      if (!other) continue;
      found.set(round, other);
      left.delete(other);
    }
  };
  match((a, b) => a.id === b.id);
  match((a, b) => a.name === b.name);
  return found;
}

function colourDifferences(before: Figure, after: Figure): string[] {
  const colours = (figure: Figure): Set<string> =>
    new Set(coloursOfFigure(figure).map(({ colour }) => colour));
  const [old, next] = [colours(before), colours(after)];
  const added = [...next].filter((colour) => !old.has(colour));
  const gone = [...old].filter((colour) => !next.has(colour));
  const names = { ...before.colourNames, ...after.colourNames };
  const named = (list: readonly string[]): string =>
    list.length <= 4 ? ` (${list.map((colour) => names[colour] ?? colour).join(', ')})` : '';
  return [
    ...(added.length > 0 ? [`${counted(added.length, 'colour')} more${named(added)}`] : []),
    ...(gone.length > 0 ? [`${counted(gone.length, 'colour')} fewer${named(gone)}`] : []),
  ];
}

/** Sliders that stand elsewhere, are there more or fewer, and numbers that go by others than before. */
function sliderDifferences(before: Figure, after: Figure): string[] {
  const [old, next] = [before.sliders ?? [], after.sliders ?? []];
  const moved = next.flatMap((slider) => {
    const same = old.find(({ id }) => id === slider.id);
    return same
      ? changed(slider.name, String(same.value), String(slider.value))
      : [`${slider.name}: a slider more`];
  });
  const gone = old.filter(({ id }) => next.every((slider) => slider.id !== id));
  return [
    ...moved,
    ...gone.map(({ name }) => `${name}: a slider fewer`),
    ...(equal(before.formulas ?? [], after.formulas ?? [])
      ? []
      : ['Other numbers go by others, or by other ones']),
  ];
}

/** What is different, a line each, the page first; none where both draw the same by the same means. */
export function differences(before: Figure, after: Figure): string[] {
  const same = pairs(before, after);
  const partners = new Set(same.values());
  const added = after.rounds.filter((round) => !partners.has(round));
  const gone = before.rounds.filter((round) => !same.has(round));
  const order = [...same.values()].map(({ id }) => id);
  const shown = after.rounds.filter((round) => partners.has(round)).map(({ id }) => id);
  return [
    ...changed('Called', `“${before.name}”`, `“${after.name}”`),
    ...pageDifferences(before.page, after.page),
    ...added.map(({ name, rule }) => `${name}: a round more, fold ${rule.fold}`),
    ...gone.map(({ name }) => `${name}: a round fewer`),
    ...(equal(order, shown) ? [] : ['Another order of the rounds']),
    ...[...same].flatMap(([old, next]) =>
      roundDifferences(old, next, after.page.unit).map((line) => `${old.name}: ${line}`),
    ),
    ...colourDifferences(before, after),
    ...sliderDifferences(before, after),
  ];
}
