import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import {
  addTurns,
  cosSin,
  degreesOf,
  divideTurn,
  equalTurns,
  MOST_DEN,
  multiplyTurn,
  negateTurn,
  turn,
  turnFromDegrees,
  wrapTurn,
} from './turn';

const anyTurn = fc
  .tuple(fc.integer({ min: -5000, max: 5000 }), fc.integer({ min: 1, max: 1440 }))
  .map(([n, d]) => turn(n, d));

describe('turn', () => {
  it('is reduced, with the sign above the line', () => {
    expect(turn(6, -8)).toEqual({ num: -3, den: 4 });
    expect(turn(0, 7)).toEqual({ num: 0, den: 1 });
    expect(Object.is(turn(0, -7).num, 0)).toBe(true);
  });

  it('refuses what is no fraction', () => {
    expect(() => turn(1, 0)).toThrow(RangeError);
    expect(() => turn(0.5, 1)).toThrow(RangeError);
  });

  it('adds exactly: n steps of 1/n are a full turn', () => {
    for (let n = 1; n <= 720; n += 1) {
      let sum = turn(0);
      for (let k = 0; k < n; k += 1) sum = addTurns(sum, turn(1, n));
      expect(sum).toEqual({ num: 1, den: 1 });
      expect(multiplyTurn(turn(1, n), n)).toEqual({ num: 1, den: 1 });
    }
  });

  it('adds as fractions do', () => {
    fc.assert(
      fc.property(anyTurn, anyTurn, (a, b) => {
        const sum = addTurns(a, b);
        expect(sum.num * a.den * b.den).toBe((a.num * b.den + b.num * a.den) * sum.den);
        expect(addTurns(sum, negateTurn(b))).toEqual(a);
      }),
    );
  });

  it('keeps typed degrees exactly', () => {
    expect(turnFromDegrees(30)).toEqual(turn(1, 12));
    expect(turnFromDegrees(22.5)).toEqual(turn(1, 16));
    expect(turnFromDegrees(0.000001)).toEqual(turn(1, 360_000_000));
    expect(degreesOf(turnFromDegrees(-12.345678))).toBe(-12.345678);
  });

  it('wraps into one turn', () => {
    expect(wrapTurn(turn(-1, 4))).toEqual(turn(3, 4));
    expect(equalTurns(wrapTurn(turn(9, 4)), turn(1, 4))).toBe(true);
  });
});

describe('cosSin', () => {
  it('has the exact values at eighths and twelfths', () => {
    const half = Math.SQRT1_2;
    const eighths: [number, number][] = [
      [1, 0],
      [half, half],
      [0, 1],
      [-half, half],
      [-1, 0],
      [-half, -half],
      [0, -1],
      [half, -half],
    ];
    eighths.forEach(([cos, sin], k) => expect(cosSin(turn(k, 8))).toEqual({ cos, sin }));
    expect(cosSin(turn(1, 6)).cos).toBe(0.5);
    expect(cosSin(turn(1, 12)).sin).toBe(0.5);
    expect(cosSin(turn(5, 12))).toEqual({ cos: -Math.sqrt(3) / 2, sin: 0.5 });
  });

  it('agrees with Math.cos and Math.sin', () => {
    fc.assert(
      fc.property(anyTurn, (t) => {
        const angle = (2 * Math.PI * wrapTurn(t).num) / wrapTurn(t).den;
        expect(Math.abs(cosSin(t).cos - Math.cos(angle))).toBeLessThan(2e-15);
        expect(Math.abs(cosSin(t).sin - Math.sin(angle))).toBeLessThan(2e-15);
      }),
    );
  });

  it('has equal bits for mirrored, opposite and quarter-turned directions', () => {
    fc.assert(
      fc.property(anyTurn, (t) => {
        const { cos, sin } = cosSin(t);
        const flip = (x: number) => (x === 0 ? 0 : -x);
        expect(cosSin(negateTurn(t))).toEqual({ cos, sin: flip(sin) });
        expect(cosSin(addTurns(t, turn(1, 2)))).toEqual({ cos: flip(cos), sin: flip(sin) });
        expect(cosSin(addTurns(t, turn(1, 4)))).toEqual({ cos: flip(sin), sin: cos });
        expect(cosSin(addTurns(turn(1, 4), negateTurn(t)))).toEqual({ cos: sin, sin: cos });
      }),
    );
  });
});

describe('denominators', () => {
  /** Any turn that a figure may hold. */
  const fine = fc
    .tuple(fc.integer({ min: 1, max: MOST_DEN }), fc.double({ min: -40, max: 40, noNaN: true }))
    .map(([den, turns]) => turn(Math.round(den * turns), den));
  const big = ({ num, den }: { num: number; den: number }) => [BigInt(num), BigInt(den)] as const;
  /** How far a turn is from a fraction, in parts of 2⁻⁴¹ of a turn. */
  const off = (t: ReturnType<typeof turn>, n: bigint, d: bigint): number => {
    const [num, den] = big(t);
    const away = num * d - n * den;
    return Number(((away < 0n ? -away : away) << 41n) / (den * d));
  };

  it('stay in bounds, and sums, multiples and parts within 2⁻⁴¹ of a turn', () => {
    fc.assert(
      fc.property(
        fine,
        fine,
        fc.integer({ min: -720, max: 720 }),
        fc.integer({ min: 1, max: 720 }),
        (a, b, k, by) => {
          const [[n, d], [m, e]] = [big(a), big(b)];
          for (const [made, num, den] of [
            [addTurns(a, b), n * e + m * d, d * e],
            [multiplyTurn(a, k), n * BigInt(k), d],
            [divideTurn(a, by), n, d * BigInt(by)],
          ] as const) {
            expect(made.den).toBeLessThanOrEqual(MOST_DEN);
            expect(off(made, num, den)).toBeLessThanOrEqual(1);
          }
        },
      ),
    );
  });

  it('that fit are exact: sums of typed degrees and of steps of any two folds', () => {
    const fold = fc.integer({ min: 1, max: 720 });
    fc.assert(
      fc.property(fold, fold, fc.integer({ min: -360, max: 360 }), (a, b, degrees) => {
        const sum = addTurns(addTurns(turn(1, 2 * a), turn(1, b)), turn(degrees, 360));
        expect(off(sum, BigInt(360 * (2 * a + b) + degrees * 2 * a * b), BigInt(720 * a * b))).toBe(0);
        expect(
          equalTurns(
            addTurns(turnFromDegrees(degrees / 7), negateTurn(turnFromDegrees(degrees / 7))),
            turn(0),
          ),
        ).toBe(true);
      }),
    );
  });
});
