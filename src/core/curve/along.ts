import { arcLength } from './length';
import { partOf } from './part';
import type { Path } from './path';
import { lengthOf, scaleBy, type Point } from './point';
import { derivativeAt, pointAt, type Segment } from './segment';

/** A point of a path, and the unit direction in which the path runs there. */
export interface Station {
  readonly point: Point;
  readonly direction: Point;
}

const MOST_STEPS = 60;

/** The parameter of a segment that is a length from its start. */
export function parameterAt(segment: Segment, length: number, whole: number): number {
  if (segment.kind !== 'cubic' || length <= 0 || length >= whole)
    return whole === 0 ? 0 : Math.min(1, Math.max(0, length / whole));
  // Newton's method, as the length grows by the speed; kept inside a bracket, which halves where a step would leave it.
  let [low, high, t] = [0, 1, length / whole];
  for (let k = 0; k < MOST_STEPS; k += 1) {
    const over = arcLength(partOf(segment, 0, t)) - length;
    if (Math.abs(over) <= 1e-12 * whole) break;
    if (over > 0) high = t;
    else low = t;
    const next = t - over / lengthOf(derivativeAt(segment, t));
    t = next > low && next < high ? next : (low + high) / 2;
  }
  return t;
}

function stationOn(segment: Segment, t: number): Station {
  // Where a handle lies on its node the curve has no speed there, but a direction just beside.
  const speeds = [t, t < 0.5 ? t + 1e-6 : t - 1e-6].map((at) => derivativeAt(segment, at));
  const speed = speeds.find((d) => lengthOf(d) > 1e-12) ?? { x: 1, y: 0 };
  return { point: pointAt(segment, t), direction: scaleBy(speed, 1 / lengthOf(speed)) };
}

/**
 * The stations of a path at lengths from its start, in rising order; those beyond its end are left out.
 * @param lengths in the figure's unit; exact for lines and arcs, within 1e-10 of the size for cubics
 */
export function stationsAlong({ segments }: Path, lengths: readonly number[]): Station[] {
  const stations: Station[] = [];
  let before = 0;
  let next = 0;
  segments.forEach((segment, k) => {
    const whole = arcLength(segment);
    const isLast = k === segments.length - 1;
    for (; next < lengths.length; next += 1) {
      const left = (lengths[next] as number) - before;
      if (isLast ? left > whole * (1 + 1e-12) : left >= whole) break;
      stations.push(stationOn(segment, parameterAt(segment, left, whole)));
    }
    before += whole;
  });
  return stations;
}
