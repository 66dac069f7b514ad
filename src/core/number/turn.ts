/**
 * A turn is an exact rational part of a full turn: 1/12 is 30 degrees. Angles stay fractions from the
 * figure to the last output, so that n copies meet again exactly; only a coordinate is ever rounded.
 * Positive turns go clockwise on the screen (from the x axis to the y axis, which points down).
 */
export interface Turn {
  readonly num: number;
  readonly den: number;
}

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

/** Sum of two turns. @throws RangeError where the exact sum needs integers beyond 2^53. */
export function addTurns(a: Turn, b: Turn): Turn {
  const common = gcd(a.den, b.den);
  const den = (a.den / common) * b.den;
  return turn(a.num * (b.den / common) + b.num * (a.den / common), den);
}

export const negateTurn = (t: Turn): Turn => turn(-t.num, t.den);

/** A whole number of times a turn. */
export const multiplyTurn = (t: Turn, times: number): Turn => {
  const common = gcd(times, t.den);
  return turn(t.num * (times / common), t.den / common);
};

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
