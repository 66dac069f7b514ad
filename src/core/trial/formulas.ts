/**
 * Numbers that belong together: a lever goes by an expression over other ones and over sliders, by their names.
 *
 * @example
 * const bound = setFormula(figure, 'p width', '2 * gap + hub.petal.length');
 * const next = settled(bound, work); // the width is what the expression says; or why it cannot be
 */
import jsep, { type Expression } from 'jsep';

import type { Work } from '@/core/derive';
import { failed, finding, type Finding, ok, type Result } from '@/core/finding';
import { readShare } from '@/core/number';
import type { Figure, Slider } from '@/core/figure';
import { leversOf, type Lever } from './levers';
import { nameOf, withSettings, wordOf, type Setting } from './named';

/** What may be called, of numbers. Angles are in degrees. */
const CALLS: Readonly<Record<string, (...values: number[]) => number>> = {
  min: Math.min,
  max: Math.max,
  round: Math.round,
  floor: Math.floor,
  ceil: Math.ceil,
  abs: Math.abs,
  sqrt: Math.sqrt,
  sin: (x) => Math.sin((x * Math.PI) / 180),
  cos: (x) => Math.cos((x * Math.PI) / 180),
  tan: (x) => Math.tan((x * Math.PI) / 180),
};

const callOf = (name: string | null): ((...values: number[]) => number) | null =>
  name !== null && Object.hasOwn(CALLS, name) ? (CALLS[name] ?? null) : null;

const SIGNS: Readonly<Record<string, (a: number, b: number) => number>> = {
  '+': (a, b) => a + b,
  '-': (a, b) => a - b,
  '*': (a, b) => a * b,
  '/': (a, b) => a / b,
  '%': (a, b) => a - b * Math.floor(a / b),
  '^': (a, b) => a ** b,
};

// Powers bind more than products, from the right; bits of whole numbers are nothing that is drawn.
jsep.addBinaryOp('^', 11, true);
for (const sign of ['|', '&', '<<', '>>', '>>>', '==', '!=', '===', '!==', '<', '>', '<=', '>=', '||', '&&'])
  jsep.removeBinaryOp(sign);

/** The name of a number in an expression: words parted by points, hyphens written as underscores. */
export const spelled = (name: string): string => name.replace(/-/g, '_');

/** The parts that an expression may have, each with its own type. */
type Part = jsep.CoreExpression;

/** The name that an expression is, words parted by points; null for any other. */
function nameIn(expression: Expression): string | null {
  const part = expression as Part;
  if (part.type === 'Identifier') return wordOf(part.name);
  if (part.type !== 'MemberExpression' || part.computed) return null;
  const [object, property] = [nameIn(part.object), nameIn(part.property)];
  return object && property ? `${object}.${property}` : null;
}

function parsed(text: string): Result<Expression> {
  try {
    return ok(jsep(text));
  } catch (error) {
    return failed(finding('formula.unreadable', text, error instanceof Error ? error.message : 'it is none'));
  }
}

const firstOf = <T, R>(list: readonly T[], of: (item: T) => R | null): R | null => {
  for (const item of list) {
    const found = of(item);
    if (found !== null) return found;
  }
  return null;
};

/**
 * Puts the names in an expression into a set.
 * @returns what of it is no arithmetic; null where all is
 */
function readNames(expression: Expression, names: Set<string>): string | null {
  const name = nameIn(expression);
  if (name !== null) {
    if (name !== 'pi') names.add(name);
    return null;
  }
  const inside = (parts: readonly Expression[]): string | null =>
    firstOf(parts, (each) => readNames(each, names));
  const part = expression as Part;
  switch (part.type) {
    case 'Literal':
      return typeof part.value === 'number' ? null : part.raw;
    case 'UnaryExpression':
      return part.operator === '-' || part.operator === '+' ? inside([part.argument]) : part.operator;
    case 'BinaryExpression':
      return SIGNS[part.operator] ? inside([part.left, part.right]) : part.operator;
    case 'CallExpression': {
      const called = nameIn(part.callee);
      return callOf(called) ? inside(part.arguments) : (called ?? 'this call');
    }
    default:
      return 'this';
  }
}

/** What an expression comes to; all its names are known. */
function valueOf(expression: Expression, known: ReadonlyMap<string, number>): number {
  const name = nameIn(expression);
  if (name !== null) return name === 'pi' ? Math.PI : (known.get(name) ?? NaN);
  const of = (part: Expression): number => valueOf(part, known);
  const part = expression as Part;
  switch (part.type) {
    case 'Literal':
      return Number(part.value);
    case 'UnaryExpression':
      return part.operator === '-' ? -of(part.argument) : of(part.argument);
    case 'BinaryExpression':
      return SIGNS[part.operator]?.(of(part.left), of(part.right)) ?? NaN;
    case 'CallExpression':
      return callOf(nameIn(part.callee))?.(...part.arguments.map(of)) ?? NaN;
    default:
      return NaN;
  }
}

/** What a name stands for: a slider, or another lever. */
type Source = { readonly slider: Slider } | { readonly lever: Lever };

function sourceOf(name: string, figure: Figure, levers: readonly Lever[]): Result<Source> {
  const slider = (figure.sliders ?? []).find((each) => wordOf(each.name) === name);
  if (slider) return ok({ slider });
  const numbers = levers.filter(({ type }) => type !== 'choice');
  const whole = numbers.filter((lever) => nameOf(lever) === name);
  const found = whole.length > 0 ? whole : numbers.filter((lever) => nameOf(lever).endsWith(`.${name}`));
  const [lever, another] = found;
  if (!lever) return failed(finding('formula.name', spelled(name)));
  return another
    ? failed(finding('lever.several', spelled(name), found.map((each) => spelled(nameOf(each))).join(', ')))
    : ok({ lever });
}

/** A formula with what it is made of. */
interface Understood {
  readonly lever: Lever;
  readonly text: string;
  readonly expression: Expression;
  readonly sources: ReadonlyMap<string, Source>;
}

function understood(
  figure: Figure,
  levers: readonly Lever[],
  lever: Lever,
  text: string,
): Result<Understood> {
  const expression = parsed(text);
  if (!expression.ok) return expression;
  const names = new Set<string>();
  const strange = readNames(expression.value, names);
  if (strange !== null) return failed(finding('formula.unreadable', text, `“${strange}” is no arithmetic`));
  const sources = new Map<string, Source>();
  for (const name of names) {
    const source = sourceOf(name, figure, levers);
    if (!source.ok) return source;
    sources.set(name, source.value);
  }
  return ok({ lever, text, expression: expression.value, sources });
}

/** Formulas in an order in which each comes after those that it goes by; else the names that go round in a circle. */
function inOrder(formulas: readonly Understood[]): Result<Understood[]> {
  const byKey = new Map(formulas.map((each) => [each.lever.key, each]));
  const order: Understood[] = [];
  const state = new Map<Understood, 'open' | 'done'>();
  const visit = (each: Understood, way: readonly Understood[]): readonly Understood[] | null => {
    if (state.get(each) === 'done') return null;
    if (state.get(each) === 'open') return [...way.slice(way.indexOf(each)), each];
    state.set(each, 'open');
    for (const source of each.sources.values()) {
      const before = 'lever' in source ? byKey.get(source.lever.key) : undefined;
      const circle = before ? visit(before, [...way, each]) : null;
      if (circle) return circle;
    }
    state.set(each, 'done');
    order.push(each);
    return null;
  };
  for (const each of formulas) {
    const circle = visit(each, []);
    if (circle)
      return failed(finding('formula.circle', circle.map(({ lever }) => spelled(nameOf(lever))).join(' → ')));
  }
  return ok(order);
}

/** The formulas of a figure, those of levers that are there. */
function formulasOf(figure: Figure, levers: readonly Lever[]): Result<Understood[]> {
  const all: Understood[] = [];
  for (const { lever: key, text } of figure.formulas ?? []) {
    const lever = levers.find((each) => each.key === key);
    if (!lever) continue;
    const made = understood(figure, levers, lever, text);
    if (!made.ok) return made;
    all.push(made.value);
  }
  return ok(all);
}

const isThere = (value: number, lever: Lever): boolean =>
  Number.isFinite(value) &&
  typeof lever.value === 'number' &&
  Math.abs(value - lever.value) <= 1e-9 * Math.max(1, Math.abs(value));

/**
 * A figure in which each number that goes by others is what its expression says. The same figure where all is so already.
 * @returns why it cannot be, where a name is none, numbers go in a circle, or nothing can be drawn with what comes of it
 */
export function settled(figure: Figure, work: Work): Result<Figure> {
  if (!figure.formulas?.length) return ok(figure);
  const levers = leversOf(figure, work);
  const all = formulasOf(figure, levers);
  if (!all.ok) return all;
  const order = inOrder(all.value);
  if (!order.ok) return order;
  let now = figure;
  for (const { lever, text, expression, sources } of order.value) {
    // What was set before may have changed what this goes by.
    const present = new Map(leversOf(now, work).map((each) => [each.key, each]));
    const known = new Map(
      [...sources].map(([name, source]): [string, number] => [
        name,
        'slider' in source ? source.slider.value : Number(present.get(source.lever.key)?.value ?? NaN),
      ]),
    );
    const value = valueOf(expression, known);
    const own = present.get(lever.key) ?? lever;
    const whole = own.type === 'count' ? Math.round(value) : value;
    if (isThere(whole, own)) continue;
    const made = Number.isFinite(whole) ? own.set(now, whole, work) : now;
    if (made === now) return failed(finding('formula.refused', spelled(nameOf(lever)), text, whole));
    now = made;
  }
  return ok(now);
}

/**
 * The formula that holds a number where it was: of a change by hand that settling took back.
 * @param wanted the figure as it was changed
 * @param kept the same, settled
 */
export function holding(wanted: Figure, kept: Figure, work: Work): Finding | null {
  const levers = leversOf(wanted, work);
  const now = new Map(leversOf(kept, work).map(({ key, value }) => [key, value]));
  for (const { lever: key, text } of kept.formulas ?? []) {
    const lever = levers.find((each) => each.key === key);
    if (lever && now.get(key) !== lever.value) return finding('formula.held', spelled(nameOf(lever)), text);
  }
  return null;
}

/** A figure in which a lever goes by an expression; null lets it go by itself. */
export function setFormula({ formulas = [], ...figure }: Figure, key: string, text: string | null): Figure {
  const others = formulas.filter(({ lever }) => lever !== key);
  const next = text === null ? others : [...others, { lever: key, text: text.trim() }];
  return next.length > 0 ? { ...figure, formulas: next } : figure;
}

/** A figure with other sliders. */
export const setSliders = ({ sliders: _, ...figure }: Figure, sliders: readonly Slider[]): Figure =>
  sliders.length > 0 ? { ...figure, sliders } : figure;

/** A figure with one slider at another place, in its bounds. */
export const movedSlider = (figure: Figure, id: string, value: number): Figure =>
  setSliders(
    figure,
    (figure.sliders ?? []).map((slider) => {
      if (slider.id !== id) return slider;
      const kept = Math.min(slider.most, Math.max(slider.least, value));
      return { ...slider, value: kept };
    }),
  );

/**
 * A figure with sliders, numbers and choices set one after the other, and all that goes by them; why one of them cannot be, else.
 * A slider comes before a number of its name.
 */
export function withAllSet(figure: Figure, settings: readonly Setting[], work: Work): Result<Figure> {
  let now = figure;
  for (const setting of settings) {
    const [name, text] = setting;
    const slider = (now.sliders ?? []).find((each) => wordOf(each.name) === wordOf(name));
    if (!slider) {
      const made = withSettings(now, [setting], work);
      if (!made.ok) return made;
      now = made.value;
      continue;
    }
    const reading = readShare(text, slider.least, slider.most);
    if (!reading.ok) return failed(finding('lever.value', name, text, reading.message));
    now = movedSlider(now, slider.id, reading.value);
  }
  return settled(now, work);
}
