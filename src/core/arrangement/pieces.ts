import { ARC, CUBIC, LINE, type Sources } from './sources';

/** No piece turns by more than this, in radians, so that it is nearly straight and bends one way only. */
const MOST_TURNING = Math.PI / 6;

const DEEPEST = 12;

/** Roots in (0, 1) of a t² + b t + c, without cancellation. */
function quadraticRoots(a: number, b: number, c: number): number[] {
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

/** Where a cubic bends the other way: the zeros of P′ × P″, a quadratic. */
function inflections(sources: Sources, source: number): number[] {
  const at = (k: number): number => sources.number(source, k);
  const ax = at(2) - at(0);
  const ay = at(3) - at(1);
  const bx = at(4) - 2 * at(2) + at(0);
  const by = at(5) - 2 * at(3) + at(1);
  const cx = at(6) - 3 * at(4) + 3 * at(2) - at(0);
  const cy = at(7) - 3 * at(5) + 3 * at(3) - at(1);
  return quadraticRoots(bx * cy - by * cx, ax * cy - ay * cx, ax * by - ay * bx);
}

/** The moment of the tangent about the centre, P × P′; it changes its sign where the angle turns back. */
const moment = (sources: Sources, source: number, t: number): number => {
  sources.evaluate(source, 0, t);
  return sources.x * sources.dy - sources.y * sources.dx;
};

/** P × P″, the slope of the moment. */
const momentSlope = (sources: Sources, source: number, t: number): number => {
  sources.evaluate(source, 0, t);
  return sources.x * sources.ddy - sources.y * sources.ddx;
};

/** The angle between two directions, 0 where one of them is none. */
const between = (ax: number, ay: number, bx: number, by: number): number =>
  Math.abs(Math.atan2(ax * by - ay * bx, ax * bx + ay * by));

/**
 * Halves a range of a cubic until no part of it turns by more than the bound. The directions of a cubic lie in the
 * cone of its three control vectors, so that the angles between these bound its turning.
 */
function halve(sources: Sources, source: number, t0: number, t1: number, depth: number, out: number[]): void {
  sources.evaluateTangent(source, 0, t0, 1);
  const third = (t1 - t0) / 3;
  const { x: x0, y: y0, dx: ax, dy: ay } = sources;
  sources.evaluateTangent(source, 0, t1, -1);
  const { x: x3, y: y3, dx: bx, dy: by } = sources;
  sources.evaluate(source, 0, t0);
  const [x1, y1] = [x0 + sources.dx * third, y0 + sources.dy * third];
  sources.evaluate(source, 0, t1);
  const [x2, y2] = [x3 - sources.dx * third, y3 - sources.dy * third];
  const [mx, my] = [x2 - x1, y2 - y1];
  const turning = Math.max(between(ax, ay, bx, by), between(ax, ay, mx, my) + between(mx, my, bx, by));
  const size = Math.abs(x3 - x0) + Math.abs(y3 - y0) + Math.abs(x1 - x0) + Math.abs(y1 - y0);
  if (depth < DEEPEST && turning > MOST_TURNING && size > 0) {
    const middle = (t0 + t1) / 2;
    halve(sources, source, t0, middle, depth + 1, out);
    halve(sources, source, middle, t1, depth + 1, out);
  } else out.push(t1);
}

/** Real roots of a polynomial in [0, 1], coefficients from the constant upwards: between those of its derivative. */
function rootsWithin(coefficients: readonly number[]): number[] {
  const value = (t: number): number => coefficients.reduceRight((sum, c) => sum * t + c, 0);
  if (coefficients.length < 2) return [];
  const turning = rootsWithin(coefficients.slice(1).map((c, k) => c * (k + 1)));
  const stops = [0, ...turning, 1];
  const roots: number[] = [];
  for (let k = 1; k < stops.length; k += 1)
    signChange(value, stops[k - 1] as number, stops[k] as number, roots);
  return roots;
}

/** Where the angle of a cubic about the centre turns back: the zeros of P × P′, of degree four. */
function turningsOfCubic(sources: Sources, source: number): number[] {
  const at = (k: number): number => sources.number(source, k);
  const powers = (o: number): [number, number, number, number] => [
    at(o),
    3 * (at(2 + o) - at(o)),
    3 * (at(4 + o) - 2 * at(2 + o) + at(o)),
    at(6 + o) - 3 * at(4 + o) + 3 * at(2 + o) - at(o),
  ];
  const [x, y] = [powers(0), powers(1)];
  const minor = (i: number, j: number): number =>
    (x[i] as number) * (y[j] as number) - (x[j] as number) * (y[i] as number);
  return rootsWithin([
    minor(0, 1),
    2 * minor(0, 2),
    3 * minor(0, 3) + minor(1, 2),
    2 * minor(1, 3),
    minor(2, 3),
  ]);
}

/** Adds what lies strictly between two parameters where a function of the curve changes its sign. */
function signChange(f: (t: number) => number, t0: number, t1: number, out: number[]): void {
  const f0 = f(t0);
  const f1 = f(t1);
  if (f0 > 0 !== f1 > 0 && f0 !== 0 && f1 !== 0) out.push(rootBetween(f, t0, t1, f0, f1));
}

/**
 * Parameters, from 0 to 1, that cut a segment into pieces that turn by at most 30 degrees, bend one way, run
 * round the centre one way by less than half a turn, and pass the centre only at their ends where they come as near
 * as `apex` to it.
 */
export function cutsOf(sources: Sources, source: number, apex: number): number[] {
  const kind = sources.kind(source);
  const coarse: number[] = [0];
  if (kind === LINE) coarse.push(1);
  else if (kind === ARC) {
    const count = Math.max(1, Math.ceil(Math.abs(sources.number(source, 7)) / MOST_TURNING - 1e-9));
    for (let k = 1; k <= count; k += 1) coarse.push(k / count);
  } else {
    const ends = inflections(sources, source)
      .filter((t) => t > 1e-6 && t < 1 - 1e-6)
      .sort((a, b) => a - b);
    ends.push(1);
    let before = 0;
    for (const end of ends) {
      halve(sources, source, before, end, 0, coarse);
      before = end;
    }
  }
  const cuts: number[] = [];
  const turnings = kind === CUBIC ? turningsOfCubic(sources, source) : [];
  for (let k = 1; k < coarse.length; k += 1) {
    const t0 = coarse[k - 1] as number;
    const t1 = coarse[k] as number;
    const added = turnings.filter((t) => t > t0 && t < t1);
    if (kind === ARC) {
      const m = (t: number): number => moment(sources, source, t);
      const slope = (t: number): number => momentSlope(sources, source, t);
      const [s0, s1] = [slope(t0), slope(t1)];
      const turned = s0 > 0 !== s1 > 0 ? rootBetween(slope, t0, t1, s0, s1) : null;
      if (turned === null) signChange(m, t0, t1, added);
      else {
        signChange(m, t0, turned, added);
        signChange(m, turned, t1, added);
      }
    }
    nearestToCentre(sources, source, t0, t1, apex, added);
    cuts.push(t0, ...added.sort((a, b) => a - b));
  }
  cuts.push(1);
  return cuts.filter((t, k) => k === 0 || t - (cuts[k - 1] as number) > 1e-13 || t === 1);
}

function nearestToCentre(
  sources: Sources,
  source: number,
  t0: number,
  t1: number,
  apex: number,
  out: number[],
): void {
  const t = sources.project(source, 0, t0, t1, 0, 0);
  if (t - t0 < 1e-12 || t1 - t < 1e-12) return;
  sources.evaluate(source, 0, t1);
  const [x, y] = [sources.x, sources.y];
  sources.evaluate(source, 0, t0);
  const chord = Math.hypot(sources.x - x, sources.y - y);
  sources.evaluate(source, 0, t);
  // A piece that is long for its distance would reach round the centre by half a turn or more.
  if (Math.hypot(sources.x, sources.y) <= Math.max(apex, chord)) out.push(t);
}

/** True for segments without length, which are left out. */
export function isEmptySource(sources: Sources, source: number, tolerance: number): boolean {
  if (sources.kind(source) === ARC)
    return Math.abs(sources.number(source, 6) * sources.number(source, 7)) <= tolerance;
  const at = (k: number): number => sources.number(source, k);
  const last = sources.kind(source) === CUBIC ? 3 : 1;
  for (let k = 1; k <= last; k += 1)
    if (Math.hypot(at(2 * k) - at(0), at(2 * k + 1) - at(1)) > tolerance) return false;
  return true;
}
