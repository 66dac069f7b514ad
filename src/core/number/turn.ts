/**
 * A turn is an exact rational part of a full turn: 1/12 is 30 degrees. Angles stay fractions from the
 * figure to the last output, so that n copies meet again exactly; only a coordinate is ever rounded.
 * Positive turns go clockwise on the screen (from the x axis to the y axis, which points down).
 *
 * Denominators are bounded (`MOST_DEN`): every angle that is typed, and every sum of steps of two folds, is far below the bound and
 * stays exact. What would need a larger one becomes the nearest fraction in bounds: within 2⁻⁴¹ of a turn, which at a metre from
 * the centre is three millionths of a micrometre.
 *
 * @example
 * degreesOf(addTurns(turn(1, 12), turn(1, 8)));   // 75, exactly
 */
export interface Turn {
  readonly num: number;
  readonly den: number;
}

/** No turn has a larger denominator than this. */
export const MOST_DEN = 2 ** 40;

/** The finest part that typed degrees are kept to: a millionth of a degree. */
const PARTS_OF_A_DEGREE = 1e6;

/** The greatest common divisor of two whole numbers, never negative. */
export const gcd = (a: number, b: number): number => {
  let [x, y] = [Math.abs(a), Math.abs(b)];
  while (y > 0) [x, y] = [y, x % y];
  return x;
};

const noMinusZero = (x: number): number => (x === 0 ? 0 : x);

/**
 * The turn num/den, reduced, with a positive denominator.
 * @throws RangeError where either is not a safe integer or den is 0.
 */
export function turn(num: number, den = 1): Turn {
  if (!Number.isSafeInteger(num) || !Number.isSafeInteger(den) || den === 0) {
    throw new RangeError(`${num}/${den} is no exact part of a turn.`);
  }
  const divisor = gcd(num, den) * Math.sign(den);
  return { num: noMinusZero(num / divisor), den: den / divisor };
}

export const NO_TURN: Turn = { num: 0, den: 1 };

/**
 * The fraction with a denominator of at most `most` that is nearest to num/den, by continued fractions: the last convergent that is
 * within the bound, or the semiconvergent after it (Hardy and Wright, "An Introduction to the Theory of Numbers", chapter X).
 */
function nearestTurn(num: bigint, den: bigint, most: bigint): Turn {
  let [n, d] = [num, den];
  let [p0, q0, p1, q1] = [0n, 1n, 1n, 0n];
  while (d !== 0n) {
    // The floor of n / d; BigInt division cuts off toward zero.
    let whole = n / d;
    if (n % d < 0n) whole -= 1n;
    if (q1 * whole + q0 > most) {
      const part = (most - q0) / q1;
      const [p, q] = [p1 * part + p0, q1 * part + q0];
      const away = (x: bigint, y: bigint): bigint => {
        const off = num * y - x * den;
        return off < 0n ? -off : off;
      };
      // |num/den − p/q| against |num/den − p1/q1|, both times den · q · q1.
      return away(p, q) * q1 < away(p1, q1) * q ? turn(Number(p), Number(q)) : turn(Number(p1), Number(q1));
    }
    [p0, q0, p1, q1] = [p1, q1, p1 * whole + p0, q1 * whole + q0];
    [n, d] = [d, n - whole * d];
  }
  return turn(Number(p1), Number(q1));
}

const gcdOf = (a: bigint, b: bigint): bigint => {
  let [x, y] = [a < 0n ? -a : a, b];
  while (y > 0n) [x, y] = [y, x % y];
  return x;
};

/** num/den with its denominator in bounds: exact where it can be. */
function boundedTurn(num: bigint, den: bigint): Turn {
  const common = gcdOf(num, den);
  const [n, d] = [num / common, den / common];
  const isExact =
    d <= BigInt(MOST_DEN) && n <= BigInt(Number.MAX_SAFE_INTEGER) && -n <= BigInt(Number.MAX_SAFE_INTEGER);
  if (isExact) return turn(Number(n), Number(d));
  // Of very many turns the denominator has to be smaller, so that the numerator is a number that can be counted.
  const whole = (n < 0n ? -n : n) / d;
  const most = 2n ** 52n / (whole + 1n);
  return nearestTurn(n, d, most < BigInt(MOST_DEN) ? most : BigInt(MOST_DEN));
}

/** Sum of two turns; exact as long as its denominator is in bounds. */
export function addTurns(a: Turn, b: Turn): Turn {
  const common = gcd(a.den, b.den);
  const [own, other] = [b.den / common, a.den / common];
  const den = other * b.den;
  const [first, second] = [a.num * own, b.num * other];
  if (
    den <= MOST_DEN &&
    Math.abs(first) <= Number.MAX_SAFE_INTEGER / 2 &&
    Math.abs(second) <= Number.MAX_SAFE_INTEGER / 2
  )
    return turn(first + second, den);
  return boundedTurn(
    BigInt(a.num) * BigInt(own) + BigInt(b.num) * BigInt(other),
    BigInt(other) * BigInt(b.den),
  );
}

export const negateTurn = (t: Turn): Turn => turn(-t.num, t.den);

/** A whole number of times a turn; exact as long as the numbers are in bounds. */
export const multiplyTurn = (t: Turn, times: number): Turn => {
  const common = gcd(times, t.den) || 1;
  const num = t.num * (times / common);
  return Math.abs(num) <= Number.MAX_SAFE_INTEGER
    ? turn(num, t.den / common)
    : boundedTurn(BigInt(t.num) * BigInt(times), BigInt(t.den));
};

/** A part of a turn: divided by a whole number above 0. */
export const divideTurn = (t: Turn, by: number): Turn =>
  boundedTurn(BigInt(t.num), BigInt(t.den) * BigInt(by));

/** The same direction as a turn in [0, 1). */
export const wrapTurn = (t: Turn): Turn => turn(((t.num % t.den) + t.den) % t.den, t.den);

export const equalTurns = (a: Turn, b: Turn): boolean => a.num === b.num && a.den === b.den;

/** Degrees to a turn, exact for up to six decimals, rounded to the nearest millionth of a degree beyond. */
export const turnFromDegrees = (degrees: number): Turn =>
  turn(Math.round(degrees * PARTS_OF_A_DEGREE), 360 * PARTS_OF_A_DEGREE);

/** A turn in degrees, clockwise. */
export const degreesOf = (t: Turn): number => (t.num * 360) / t.den;

/** A turn in radians, clockwise. */
export const radiansOf = (t: Turn): number => (t.num * 2 * Math.PI) / t.den;

/** Cosine and sine of a part of a turn of at most an eighth. */
function firstEighth(num: number, den: number): [number, number] {
  if (num === 0) return [1, 0];
  if (num * 8 === den) return [Math.SQRT1_2, Math.SQRT1_2];
  if (num * 12 === den) return [Math.sqrt(3) / 2, 0.5];
  const angle = (2 * Math.PI * num) / den;
  return [Math.cos(angle), Math.sin(angle)];
}

/**
 * Cosine and sine of a turn. The angle is reduced as a fraction to the first eighth before anything is
 * rounded: multiples of an eighth and a twelfth have the best double for each value, and directions that
 * mirror or quarter-turn into one another have equal bits up to sign and order.
 */
export function cosSin(t: Turn): { cos: number; sin: number } {
  const { num, den } = wrapTurn(t);
  const quarter = Math.floor((4 * num) / den);
  const rest = turn(4 * num - quarter * den, 4 * den);
  const pastEighth = rest.num * 8 > rest.den;
  const within = pastEighth ? turn(rest.den - 4 * rest.num, 4 * rest.den) : rest;
  const [a, b] = firstEighth(within.num, within.den);
  const [c, s] = pastEighth ? [b, a] : [a, b];
  const [cos, sin] = (
    [
      [c, s],
      [-s, c],
      [-c, -s],
      [s, -c],
    ] as const
  )[quarter] ?? [c, s];
  return { cos: noMinusZero(cos), sin: noMinusZero(sin) };
}
