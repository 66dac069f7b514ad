/** Real roots of a t² + b t + c, without cancellation. */
export function quadraticRoots(a: number, b: number, c: number): number[] {
  const scale = Math.abs(a) + Math.abs(b) + Math.abs(c);
  if (scale === 0) return [];
  if (Math.abs(a) < 1e-13 * scale) return b === 0 ? [] : [-c / b];
  const discriminant = b * b - 4 * a * c;
  if (discriminant < 0) return [];
  const q = -(b + (b < 0 ? -1 : 1) * Math.sqrt(discriminant)) / 2;
  return q === 0 ? [0] : [q / a, c / q];
}

/** A root of a function with opposite signs at the ends, by the Illinois variant of false position. */
export function rootBetween(
  f: (t: number) => number,
  t0: number,
  t1: number,
  f0: number,
  f1: number,
): number {
  let [low, high, atLow, atHigh] = [t0, t1, f0, f1];
  // As near to zero as rounding lets the function be told from it.
  const enough = 1e-16 * (Math.abs(f0) + Math.abs(f1));
  let side = 0;
  for (let step = 0; step < 80; step += 1) {
    const t = atHigh === atLow ? (low + high) / 2 : (low * atHigh - high * atLow) / (atHigh - atLow);
    const value = f(t);
    if (Math.abs(value) <= enough || Math.abs(high - low) < 1e-15) return t;
    if (value > 0 === atHigh > 0) {
      if (Math.abs(high - t) < 1e-16) return t;
      high = t;
      atHigh = value;
      if (side === -1) atLow /= 2;
      side = -1;
    } else {
      if (Math.abs(low - t) < 1e-16) return t;
      low = t;
      atLow = value;
      if (side === 1) atHigh /= 2;
      side = 1;
    }
  }
  return (low + high) / 2;
}

/** Adds what lies strictly between two parameters where a function of the curve changes its sign. */
export function signChange(f: (t: number) => number, t0: number, t1: number, out: number[]): void {
  const f0 = f(t0);
  const f1 = f(t1);
  if (f0 > 0 !== f1 > 0 && f0 !== 0 && f1 !== 0) out.push(rootBetween(f, t0, t1, f0, f1));
}

/**
 * True where a polynomial has no zero in [0, 1] for sure, as its coefficients in Bernstein's basis have one sign (Farouki, "The Bernstein
 * polynomial basis: a centennial retrospective", 2012). Coefficients from the constant upwards.
 */
function keepsSign(coefficients: readonly number[]): boolean {
  const degree = coefficients.length - 1;
  const values: number[] = [];
  // a_i over the binomial of degree and i, then added up as in Pascal's triangle.
  let [binomial, size] = [1, 0];
  for (let i = 0; i <= degree; i += 1) {
    if (i > 0) binomial = (binomial * (degree - i + 1)) / i;
    const value = (coefficients[i] ?? 0) / binomial;
    values.push(value);
    size += Math.abs(value);
  }
  for (let round = 1; round <= degree; round += 1)
    for (let j = degree; j >= round; j -= 1) values[j] = (values[j] ?? 0) + (values[j - 1] ?? 0);
  // What adding them up may be off by rounding, and more.
  const slack = 1e-14 * size * 2 ** degree;
  const side = Math.sign(values[0] ?? 0);
  for (const value of values) if (!(side * value > slack)) return false;
  return true;
}

/** Real roots of a polynomial in [0, 1], coefficients from the constant upwards: between those of its derivative. */
export function polynomialRoots(coefficients: readonly number[]): number[] {
  const value = (t: number): number => coefficients.reduceRight((sum, c) => sum * t + c, 0);
  if (coefficients.length < 2 || keepsSign(coefficients)) return [];
  const turning = polynomialRoots(coefficients.slice(1).map((c, k) => c * (k + 1)));
  const stops = [0, ...turning, 1];
  const roots: number[] = [];
  for (let k = 1; k < stops.length; k += 1)
    signChange(value, stops[k - 1] as number, stops[k] as number, roots);
  return roots;
}
