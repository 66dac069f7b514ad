import fc from 'fast-check';
import { evaluate } from 'mathjs';
import { describe, expect, it } from 'vitest';

import { readCount, readLength, readTurn, type Reading, readList, readShare } from './arithmetic';

const readNumber = (text: string): Reading<number> => readLength(text, 'mm');

const value = (text: string): number => {
  const reading = readNumber(text);
  if (!reading.ok) throw new Error(`${text}: ${reading.message}`);
  return reading.value;
};

const message = (reading: { ok: boolean; message?: string }): string => reading.message ?? 'was read';

/** Expressions that both this reader and a general-purpose mathematics library understand. */
const expression: fc.Arbitrary<string> = fc.letrec<{ tree: string }>((tie) => ({
  tree: fc.oneof(
    { maxDepth: 4 },
    fc.double({ min: 0.001, max: 999, noNaN: true }).map((x) => x.toFixed(3)),
    fc
      .tuple(tie('tree'), fc.constantFrom('+', '-', '*', '/'), tie('tree'))
      .map(([a, op, b]) => `${a} ${op} ${b}`),
    tie('tree').map((a) => `(${a})`),
    tie('tree').map((a) => `-(${a})`),
    tie('tree').map((a) => `sqrt(abs(${a}))`),
    fc.tuple(tie('tree'), fc.constantFrom('2', '3')).map(([a, k]) => `(${a})^${k}`),
  ),
})).tree;

describe('arithmetic in fields', () => {
  it('agrees with a general-purpose mathematics library (mathjs)', () => {
    fc.assert(
      fc.property(expression, (text) => {
        const expected = evaluate(text) as number;
        const reading = readNumber(text);
        if (!Number.isFinite(expected)) expect(reading.ok).toBe(false);
        else if (reading.ok) {
          expect(Math.abs(reading.value - expected)).toBeLessThanOrEqual(
            1e-12 * Math.max(1, Math.abs(expected)),
          );
        } else expect(reading.message).toMatch(/zero|finite|long/);
      }),
      { numRuns: 500 },
    );
  });

  it('knows precedence, signs, powers and both decimal marks', () => {
    expect(value('1 + 2 * 3')).toBe(7);
    expect(value('-2^2')).toBe(-4);
    expect(value('2^3^2')).toBe(512);
    expect(value('2^-1')).toBe(0.5);
    expect(value('1,5 × 2 ÷ 3 − .5')).toBe(0.5);
    expect(value('sin(30) + cos(60)')).toBeCloseTo(1, 14);
    expect(value('pi')).toBe(Math.PI);
  });

  it('converts units to the field’s', () => {
    expect(readLength('25.4/2', 'mm')).toEqual({ ok: true, value: 12.7 });
    expect(readLength('1in', 'mm')).toEqual({ ok: true, value: 25.4 });
    expect(readLength('1 cm + 5', 'mm')).toEqual({ ok: true, value: 15 });
    expect(readLength('72pt', 'in')).toEqual({ ok: true, value: 1 });
    expect(readLength('96px * 2', 'in')).toEqual({ ok: true, value: 2 });
    expect(readLength('20mm / 4mm', 'mm')).toEqual({ ok: true, value: 5 });
  });

  it('keeps angles as exact parts of a turn', () => {
    expect(readTurn('360/7')).toEqual({ ok: true, value: { num: 1, den: 7 } });
    expect(readTurn('(1/12) turn')).toEqual({ ok: true, value: { num: 1, den: 12 } });
    expect(readTurn('-7.5°')).toEqual({ ok: true, value: { num: -1, den: 48 } });
    expect(readTurn('180/11 + 180/13')).toEqual({ ok: true, value: { num: 12, den: 143 } });
  });

  it('says what is wrong', () => {
    expect(message(readNumber(''))).toBe('Type a number.');
    expect(message(readNumber('twelve'))).toContain('“twelve”');
    expect(message(readNumber('3 +'))).toContain('missing at the end');
    expect(message(readNumber('(3'))).toContain('bracket');
    expect(message(readNumber('3 4'))).toContain('left over');
    expect(message(readNumber('1/0'))).toContain('zero');
    expect(message(readNumber('3 # 4'))).toContain('cannot be read');
    expect(message(readNumber('10^400'))).toContain('finite');
    expect(message(readNumber('('.repeat(150)))).toContain('brackets');
    expect(message(readNumber('1'.repeat(201)))).toContain('long');
    expect(message(readLength('30°', 'mm'))).toContain('not an angle');
    expect(message(readLength('2mm * 3mm', 'mm'))).toContain('multiplied');
    expect(message(readTurn('5mm'))).toContain('not a length');
    expect(message(readCount('2.5', 1, 720))).toContain('whole number');
    expect(message(readCount('721', 1, 720))).toBe('From 1 to 720.');
    expect(readCount('6*12', 1, 720)).toEqual({ ok: true, value: 72 });
  });

  it('never throws, whatever is typed', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 60 }), (text) => {
        for (const reading of [readNumber(text), readLength(text, 'px'), readTurn(text)]) {
          if (reading.ok && typeof reading.value === 'number')
            expect(Number.isFinite(reading.value)).toBe(true);
          if (!reading.ok) expect(reading.message).not.toBe('');
        }
      }),
      { numRuns: 1000 },
    );
  });
});

describe('lists', () => {
  const list = (text: string, share?: number) => readList(text, 'mm', 20, share);

  it('are parted by commas, semicolons or spaces, with arithmetic and units', () => {
    expect(list('20, 35, 1in')).toEqual({ ok: true, value: [20, 35, 25.4] });
    expect(list('20;60/3 5.5')).toEqual({ ok: true, value: [20, 20, 5.5] });
    expect(list('')).toEqual({ ok: true, value: [] });
  });

  it('stand for rows: from, to and by, equal steps, per cent', () => {
    expect(list('10 to 50 by 10')).toEqual({ ok: true, value: [10, 20, 30, 40, 50] });
    expect(list('3 × 12')).toEqual({ ok: true, value: [12, 24, 36] });
    expect(list('50%, 100%', 90)).toEqual({ ok: true, value: [45, 90] });
  });

  it('say what is wrong with them', () => {
    for (const [text, words] of [
      ['10, x', 'not a number'],
      ['50%', 'part of'],
      ['10 to 5 by 1', 'upward'],
      ['30 x 1', 'At most 20'],
      ['1 to 100 by 1', 'At most 20'],
    ] as const) {
      const reading = list(text);
      expect(reading.ok ? '' : reading.message).toMatch(words);
    }
    expect(readShare('0.5*2', 0, 1)).toEqual({ ok: true, value: 1 });
    expect(readShare('3', 0, 1)).toEqual({ ok: false, message: 'From 0 to 1.' });
    expect(readShare('3mm', 0, 9).ok).toBe(false);
  });
});
