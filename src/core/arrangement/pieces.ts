import { polynomialRoots, quadraticRoots, rootBetween, signChange } from '@/core/number';
import { ARC, CUBIC, LINE, type Sources } from './sources';

/** No piece turns by more than this, in radians, so that it is nearly straight and bends one way only. */
const MOST_TURNING = Math.PI / 6;

/** Next to a cusp a piece may turn by more, once it is this many times halved and so far below any tolerance. */
const DEEPEST = 16;

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
  const third = (t1 - t0) / 3;
  sources.evaluate(source, 0, t0);
  const { x: x0, y: y0 } = sources;
  const [x1, y1] = [x0 + sources.dx * third, y0 + sources.dy * third];
  sources.turnAhead(source, 0, t0, 1);
  const { dx: ax, dy: ay } = sources;
  sources.evaluate(source, 0, t1);
  const { x: x3, y: y3 } = sources;
  const [x2, y2] = [x3 - sources.dx * third, y3 - sources.dy * third];
  sources.turnAhead(source, 0, t1, -1);
  const { dx: bx, dy: by } = sources;
  const [mx, my] = [x2 - x1, y2 - y1];
  const turning = Math.max(between(ax, ay, bx, by), between(ax, ay, mx, my) + between(mx, my, bx, by));
  const size = Math.abs(x3 - x0) + Math.abs(y3 - y0) + Math.abs(x1 - x0) + Math.abs(y1 - y0);
  if (depth < DEEPEST && turning > MOST_TURNING && size > 0) {
    const middle = (t0 + t1) / 2;
    halve(sources, source, t0, middle, depth + 1, out);
    halve(sources, source, middle, t1, depth + 1, out);
  } else out.push(t1);
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
  return polynomialRoots([
    minor(0, 1),
    2 * minor(0, 2),
    3 * minor(0, 3) + minor(1, 2),
    2 * minor(1, 3),
    minor(2, 3),
  ]);
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
  const fastest = sources.mostSpeed(source);
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
    if (mayNearCentre(sources, source, t0, t1, apex, fastest))
      nearestToCentre(sources, source, t0, t1, apex, added);
    cuts.push(t0, ...added.sort((a, b) => a - b));
  }
  cuts.push(1);
  return cuts.filter((t, k) => k === 0 || t - (cuts[k - 1] as number) > 1e-13 || t === 1);
}

/** False where a piece is too short for its distance from the centre to be cut where it is nearest to that. */
function mayNearCentre(
  sources: Sources,
  source: number,
  t0: number,
  t1: number,
  apex: number,
  fastest: number,
): boolean {
  sources.evaluate(source, 0, t0);
  const start = sources.x * sources.x + sources.y * sources.y;
  sources.evaluate(source, 0, t1);
  const end = sources.x * sources.x + sources.y * sources.y;
  // The piece and its chord are no longer than this, and no place on it is farther than half of it from both ends.
  const length = fastest * (t1 - t0);
  const reach = Math.max(apex, length) + length / 2;
  return Math.min(start, end) <= reach * reach;
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
