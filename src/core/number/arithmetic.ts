import Fraction from 'fraction.js';

import { turn, turnFromDegrees, type Turn } from './turn';
import { convertLength, isLengthUnit, type LengthUnit } from './units';

/**
 * What a number field accepts: arithmetic with + - * / ^ and brackets, sqrt, sin, cos, tan (of degrees),
 * abs, round, pi, units of length and angle, a decimal point or comma. Fractions stay exact as long as
 * only + - * / are used, so that `360/7` in an angle field is the seventh of a turn and nothing less.
 */
export type Reading<T> = { ok: true; value: T } | { ok: false; message: string };

type Dimension = 'plain' | 'length' | 'angle';

interface Quantity {
  readonly value: number;
  /** The same value as a fraction where no root or sine has rounded it. */
  readonly exact: Fraction | null;
  readonly dimension: Dimension;
}

class Unreadable extends Error {}

const plain = (value: number): Quantity => ({ value, exact: null, dimension: 'plain' });

const FUNCTIONS: Record<string, (x: number) => number> = {
  sqrt: Math.sqrt,
  sin: (x) => Math.sin((x * Math.PI) / 180),
  cos: (x) => Math.cos((x * Math.PI) / 180),
  tan: (x) => Math.tan((x * Math.PI) / 180),
  abs: Math.abs,
  round: Math.round,
};

const ANGLE_UNITS: Record<string, Fraction> = {
  deg: new Fraction(1),
  '°': new Fraction(1),
  turn: new Fraction(360),
  turns: new Fraction(360),
};

const TOKEN = /\s*(?:(\d+(?:[.,]\d*)?|[.,]\d+)|([a-z]+|°)|([-+*/^()×÷−]))/iy;
const LONGEST = 200;
const DEEPEST = 40;

type Token = { number: string } | { word: string } | { sign: string };

function tokens(text: string): Token[] {
  const found: Token[] = [];
  TOKEN.lastIndex = 0;
  while (TOKEN.lastIndex < text.trimEnd().length) {
    const at = TOKEN.lastIndex;
    const match = TOKEN.exec(text);
    if (!match) throw new Unreadable(`“${text.slice(at).trim().slice(0, 12)}” cannot be read here.`);
    if (match[1] !== undefined) found.push({ number: match[1].replace(',', '.') });
    else if (match[2] !== undefined) found.push({ word: match[2].toLowerCase() });
    else if (match[3] !== undefined) {
      found.push({ sign: { '×': '*', '÷': '/', '−': '-' }[match[3]] ?? match[3] });
    }
  }
  return found;
}

function together(a: Quantity, b: Quantity): Dimension {
  if (a.dimension === b.dimension || b.dimension === 'plain') return a.dimension;
  if (a.dimension === 'plain') return b.dimension;
  throw new Unreadable('A length and an angle cannot be added.');
}

const exactly = (op: 'add' | 'sub' | 'mul' | 'div', a: Quantity, b: Quantity): Fraction | null =>
  a.exact && b.exact ? a.exact[op](b.exact) : null;

/** Recursive descent: sum → product → power → sign → atom. `unit` is the unit that bare lengths are in. */
function evaluateTokens(list: Token[], unit: LengthUnit): Quantity {
  let at = 0;
  let depth = 0;
  const sign = (...wanted: string[]): string | null => {
    const next = list[at];
    if (next && 'sign' in next && wanted.includes(next.sign)) {
      at += 1;
      return next.sign;
    }
    return null;
  };

  const sum = (): Quantity => {
    let left = product();
    for (let op = sign('+', '-'); op; op = sign('+', '-')) {
      const right = product();
      const dimension = together(left, right);
      left =
        op === '+'
          ? { value: left.value + right.value, exact: exactly('add', left, right), dimension }
          : { value: left.value - right.value, exact: exactly('sub', left, right), dimension };
    }
    return left;
  };

  const product = (): Quantity => {
    let left = power();
    for (let op = sign('*', '/'); op; op = sign('*', '/')) {
      const right = power();
      if (op === '*') {
        if (left.dimension !== 'plain' && right.dimension !== 'plain') {
          throw new Unreadable('Two values with units cannot be multiplied here.');
        }
        const dimension = left.dimension === 'plain' ? right.dimension : left.dimension;
        left = { value: left.value * right.value, exact: exactly('mul', left, right), dimension };
        continue;
      }
      if (right.value === 0) throw new Unreadable('This divides by zero.');
      if (right.dimension !== 'plain' && right.dimension !== left.dimension) {
        throw new Unreadable('A plain number cannot be divided by a value with a unit here.');
      }
      const dimension = right.dimension === 'plain' ? left.dimension : 'plain';
      left = { value: left.value / right.value, exact: exactly('div', left, right), dimension };
    }
    return left;
  };

  const power = (): Quantity => {
    const base = signed();
    if (!sign('^')) return base;
    const exponent = power();
    if (base.dimension !== 'plain' || exponent.dimension !== 'plain') {
      throw new Unreadable('Powers take plain numbers only.');
    }
    return plain(base.value ** exponent.value);
  };

  const signed = (): Quantity => {
    const op = sign('+', '-');
    if (!op) return atom();
    const inner = power();
    return op === '+'
      ? inner
      : { ...inner, value: -inner.value, exact: inner.exact ? inner.exact.neg() : null };
  };

  const bracket = (): Quantity => {
    depth += 1;
    if (depth > DEEPEST) throw new Unreadable('This has too many brackets.');
    const inner = sum();
    if (!sign(')')) throw new Unreadable('A closing bracket is missing.');
    depth -= 1;
    return inner;
  };

  const withUnit = (quantity: Quantity): Quantity => {
    const next = list[at];
    if (!next || !('word' in next)) return quantity;
    const { word } = next;
    const angle = ANGLE_UNITS[word];
    if (!isLengthUnit(word) && !angle) return quantity;
    at += 1;
    if (quantity.dimension !== 'plain') throw new Unreadable('This has two units.');
    if (angle) {
      return {
        value: quantity.value * angle.valueOf(),
        exact: quantity.exact ? quantity.exact.mul(angle) : null,
        dimension: 'angle',
      };
    }
    return { ...plain(convertLength(quantity.value, word as LengthUnit, unit)), dimension: 'length' };
  };

  const atom = (): Quantity => {
    const next = list[at];
    if (!next) throw new Unreadable('A number is missing at the end.');
    at += 1;
    if ('number' in next) {
      return withUnit({ value: Number(next.number), exact: new Fraction(next.number), dimension: 'plain' });
    }
    if ('sign' in next) {
      if (next.sign === '(') return withUnit(bracket());
      throw new Unreadable(`A number is missing before “${next.sign}”.`);
    }
    if (next.word === 'pi') return plain(Math.PI);
    const apply = FUNCTIONS[next.word];
    if (!apply) throw new Unreadable(`“${next.word}” is not a number, a unit or a function known here.`);
    if (!sign('(')) throw new Unreadable(`“${next.word}” needs brackets: ${next.word}(…).`);
    const inner = bracket();
    const keeps = next.word === 'abs' || next.word === 'round';
    if (inner.dimension === 'length' && !keeps) throw new Unreadable(`“${next.word}” takes no length.`);
    return { ...plain(apply(inner.value)), dimension: keeps ? inner.dimension : 'plain' };
  };

  const result = sum();
  if (at < list.length) throw new Unreadable('There is something left over at the end.');
  return result;
}

function read<T>(text: string, unit: LengthUnit, finish: (quantity: Quantity) => T): Reading<T> {
  try {
    if (text.trim() === '') throw new Unreadable('Type a number.');
    if (text.length > LONGEST) throw new Unreadable('This is too long for a number.');
    const quantity = evaluateTokens(tokens(text), unit);
    if (!Number.isFinite(quantity.value)) throw new Unreadable('This has no finite value.');
    return { ok: true, value: finish(quantity) };
  } catch (error) {
    if (error instanceof Unreadable) return { ok: false, message: error.message };
    throw error;
  }
}

/** Reads a length; bare numbers are in `unit`, and so is the result. */
export const readLength = (text: string, unit: LengthUnit): Reading<number> =>
  read(text, unit, (quantity) => {
    if (quantity.dimension === 'angle') throw new Unreadable('A length is needed here, not an angle.');
    return quantity.value;
  });

/** Reads an angle in degrees as an exact turn; `deg`, `°` and `turn` are understood. */
export const readTurn = (text: string): Reading<Turn> =>
  read(text, 'mm', (quantity) => {
    if (quantity.dimension === 'length') throw new Unreadable('An angle is needed here, not a length.');
    if (Math.abs(quantity.value) > 1e6) throw new Unreadable('This angle is too large.');
    const part = quantity.exact?.div(360);
    if (part && part.d <= 1_000_000_000n) return turn(Number(part.s * part.n), Number(part.d));
    return turnFromDegrees(quantity.value);
  });

/** Reads a whole number between two bounds, both allowed. */
export const readCount = (text: string, least: number, most: number): Reading<number> =>
  read(text, 'mm', (quantity) => {
    if (quantity.dimension !== 'plain' || !Number.isInteger(quantity.value)) {
      throw new Unreadable('A whole number is needed here.');
    }
    if (quantity.value < least || quantity.value > most) {
      throw new Unreadable(`From ${least} to ${most}.`);
    }
    return quantity.value;
  });

/** Reads a plain number between two bounds, both allowed. */
export const readShare = (text: string, least: number, most: number): Reading<number> =>
  read(text, 'mm', (quantity) => {
    if (quantity.dimension !== 'plain') throw new Unreadable('A plain number is needed here.');
    if (quantity.value < least || quantity.value > most) throw new Unreadable(`From ${least} to ${most}.`);
    return quantity.value;
  });

/**
 * Reads numbers parted by commas, semicolons or spaces, each with arithmetic; "10 to 50 by 10" and "5 × 12" (five steps of
 * twelve) stand for rows of them. Bare numbers are in `unit`. A comma parts numbers here; decimals take a point.
 * @param share what 100 % is; without it per cent are refused
 */
export function readList(text: string, unit: LengthUnit, most: number, share?: number): Reading<number[]> {
  const found: number[] = [];
  const one = (part: string): number => {
    const percent = part.trim().endsWith('%');
    if (percent && share === undefined) throw new Unreadable('Per cent need something to be a part of.');
    const reading = readLength(percent ? part.trim().slice(0, -1) : part, unit);
    if (!reading.ok) throw new Unreadable(reading.message);
    return percent ? (reading.value * (share ?? 0)) / 100 : reading.value;
  };
  try {
    const range = /^(.+)\bto\b(.+)\bby\b(.+)$/i.exec(text);
    const steps = /^\s*(\d+)\s*[×x]\s*([^,;]+)$/i.exec(text);
    if (range) {
      const [from, to, by] = [one(range[1] ?? ''), one(range[2] ?? ''), one(range[3] ?? '')];
      if (!(by > 0 && to >= from)) throw new Unreadable('A row goes upward by more than 0.');
      const count = Math.floor((to - from) / by + 1e-9) + 1;
      if (count > most) throw new Unreadable(`At most ${most} numbers.`);
      for (let k = 0; k < count; k += 1) found.push(from + k * by);
    } else if (steps) {
      const count = Number(steps[1]);
      if (count > most) throw new Unreadable(`At most ${most} numbers.`);
      const by = one(steps[2] ?? '');
      for (let k = 1; k <= count; k += 1) found.push(k * by);
    } else
      for (const part of text.split(/[,;]\s*|\s+(?=[\d.(])/)) if (part.trim() !== '') found.push(one(part));
    if (found.length > most) throw new Unreadable(`At most ${most} numbers.`);
    return { ok: true, value: found };
  } catch (error) {
    if (error instanceof Unreadable) return { ok: false, message: error.message };
    throw error;
  }
}
