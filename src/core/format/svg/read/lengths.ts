import { convertLength, isLengthUnit } from '@/core/number';
import { UnreadablePart } from './unreadable';

/** Units of CSS besides those that figures have, in pixels: a pixel is 1/96 inch (CSS Values and Units Level 4, section 6). */
const PIXELS: Readonly<Record<string, number>> = {
  '': 1,
  pc: 16,
  q: 96 / 101.6,
  em: 16,
  rem: 16,
  ex: 8,
  ch: 8,
};

const LENGTH = /^\s*([-+]?(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?)\s*([a-z%]*)\s*$/i;

/** A length as it is written: its number, and its unit in small letters. */
export function lengthParts(text: string): { readonly value: number; readonly unit: string } | null {
  const [, number, unit = ''] = LENGTH.exec(text) ?? [];
  const value = Number(number);
  return number !== undefined && Number.isFinite(value) ? { value, unit: unit.toLowerCase() } : null;
}

/**
 * A length in user units.
 * @param whole what 100 % is
 * @throws UnreadablePart where it is none
 */
export function lengthIn(text: string | undefined, whole: number, what: string): number {
  if (text === undefined || text.trim() === '' || text.trim() === 'auto') return 0;
  const parts = lengthParts(text);
  const unit = parts?.unit ?? '';
  const pixels = isLengthUnit(unit) ? convertLength(1, unit, 'px') : PIXELS[unit];
  if (parts?.unit === '%') return (parts.value * whole) / 100;
  if (!parts || pixels === undefined)
    throw new UnreadablePart(`The ${what} “${text.trim().slice(0, 40)}” is not a length.`);
  return parts.value * pixels;
}

/** A number of a property, or what stands for it where there is none or it is none; a percentage as a share. */
export function numberIn(text: string | undefined, otherwise: number): number {
  const value = Number.parseFloat(text ?? '');
  if (!Number.isFinite(value)) return otherwise;
  return text?.trim().endsWith('%') ? value / 100 : value;
}

/** The numbers of a list. */
export const numbersIn = (text: string | undefined): number[] =>
  (text?.match(/[-+]?(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?/gi) ?? []).map(Number);
