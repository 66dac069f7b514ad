import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { polynomialRoots, quadraticRoots, rootBetween } from './roots';

describe('roots', () => {
  it('of a product of factors are its zeros', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 1, max: 99 }), { minLength: 1, maxLength: 4 }),
        (zeros) => {
          const coefficients = zeros.reduce<number[]>(
            (product, zero) => {
              const shifted = [0, ...product];
              return shifted.map((c, k) => c - (zero / 100) * (product[k] ?? 0));
            },
            [1],
          );
          const found = polynomialRoots(coefficients).sort((a, b) => a - b);
          const expected = zeros.map((zero) => zero / 100).sort((a, b) => a - b);
          expect(found).toHaveLength(expected.length);
          found.forEach((root, k) => expect(root).toBeCloseTo(expected[k]!, 7));
        },
      ),
    );
  });

  it('are those inside alone, however many lie outside', () => {
    const outside = fc
      .double({ min: 0.01, max: 5, noNaN: true })
      .chain((away) => fc.constantFrom(-away, 1 + away));
    fc.assert(
      fc.property(
        fc.array(outside, { maxLength: 4 }),
        fc.option(fc.integer({ min: 1, max: 99 })),
        (others, inside) => {
          const zeros = inside === null ? others : [...others, inside / 100];
          const coefficients = zeros.reduce<number[]>(
            (product, zero) => [0, ...product].map((c, k) => c - zero * (product[k] ?? 0)),
            [1],
          );
          const found = polynomialRoots(coefficients);
          expect(found).toHaveLength(inside === null ? 0 : 1);
          if (inside !== null) expect(found[0]).toBeCloseTo(inside / 100, 7);
        },
      ),
    );
  });

  it('of quadratics come without cancellation', () => {
    const [a, b] = quadraticRoots(1, -1e8, 1).sort((x, y) => x - y);
    expect(a! * 1e8).toBeCloseTo(1, 9);
    expect(b! / 1e8).toBeCloseTo(1, 9);
    expect(quadraticRoots(0, 2, -1)).toEqual([0.5]);
    expect(quadraticRoots(1, 0, 1)).toEqual([]);
    expect(quadraticRoots(0, 0, 0)).toEqual([]);
  });

  it('between bounds are met to the last digits, flat or steep', () => {
    for (const f of [
      (t: number) => t ** 9 - 0.3,
      (t: number) => Math.tanh(60 * (t - 0.7)),
      (t: number) => t - 0.123456789,
    ]) {
      const root = rootBetween(f, 0, 1, f(0), f(1));
      expect(Math.abs(f(root))).toBeLessThan(1e-13);
    }
  });
});
