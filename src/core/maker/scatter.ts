import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

import { distance, type Point } from '@/core/curve';
import { turn } from '@/core/number';
import type { Place } from './drawn';

export interface ScatterOptions {
  /** The half sides of the area, and its middle. */
  readonly width: number;
  readonly height: number;
  readonly middle: Point;
  /** How far what is scattered reaches from its centre at size 1. */
  readonly radius: number;
  readonly smallest: number;
  readonly largest: number;
  /** Between what is scattered, in the figure's unit. */
  readonly gap: number;
  readonly count: number;
  readonly seed: number;
  readonly turned: boolean;
}

/** Tries for each place before the area is taken to be full. */
const TRIES = 400;

/**
 * Places in an area, by chance from a seed, so that circles round what stands there keep a gap: larger ones first, as they need
 * the most room (dart throwing; common practice). Fewer than asked where no more fit.
 */
export function scattered(options: ScatterOptions): Place[] {
  const { width, height, middle, radius, smallest, largest, gap, count, seed, turned } = options;
  const generator = xoroshiro128plus(seed);
  for (let k = 0; k < 16; k += 1) uniformFloat64(generator);
  const next = (from: number, to: number): number => from + (to - from) * uniformFloat64(generator);
  const sizes = Array.from({ length: count }, () => next(smallest, largest)).sort((a, b) => b - a);
  const places: Place[] = [];
  for (const size of sizes) {
    const own = size * radius;
    const [across, up] = [width / 2 - own, height / 2 - own];
    if (across < 0 || up < 0) continue;
    for (let k = 0; k < TRIES; k += 1) {
      const at = { x: middle.x + next(-across, across), y: middle.y + next(-up, up) };
      const free = places.every((other) => distance(at, other) >= own + other.size * radius + gap);
      if (!free) continue;
      const degrees = turned ? Math.round(next(0, 360) * 1000) : 0;
      places.push({ ...at, size, turn: turn(degrees, 360_000) });
      break;
    }
  }
  return places;
}
