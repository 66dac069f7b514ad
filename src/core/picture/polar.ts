/**
 * A picture in polar form: rings about a centre, each seen in as many directions, where turning is moving along a row.
 *
 * @example
 * const polar = polarOf(tone, { ...UPRIGHT, x: 200, y: 180 }, { reach: 150, rings: 64, spokes: 512 });
 */
import type { Point } from '@/core/curve';
import type { Tone } from './tone';

/**
 * How a flat rosette stands in a picture, in the picture's pixels: where its centre is, and how it was seen from the side. A point
 * X, Y of the rosette is seen at x + ((1 + stretch) X + skew Y) / w, y + (skew X + (1 − stretch) Y) / w, where
 * w = 1 + tiltX X + tiltY Y: all plane perspective but for a turn and a size, which a symmetry has none of.
 */
export interface Seat {
  readonly x: number;
  readonly y: number;
  readonly stretch: number;
  readonly skew: number;
  /** Per pixel. */
  readonly tiltX: number;
  readonly tiltY: number;
}

export const UPRIGHT: Seat = { x: 0, y: 0, stretch: 0, skew: 0, tiltX: 0, tiltY: 0 };

/** Where a point of the rosette, from its centre, is seen in the picture. */
export function seenAt(seat: Seat, { x, y }: Point): Point {
  const w = 1 + seat.tiltX * x + seat.tiltY * y;
  return {
    x: seat.x + ((1 + seat.stretch) * x + seat.skew * y) / w,
    y: seat.y + (seat.skew * x + (1 - seat.stretch) * y) / w,
  };
}

/** The same seat in a picture whose pixels are so many times as wide. */
export const seatAt = (seat: Seat, scale: number): Seat => ({
  ...seat,
  // Pixels are counted by their corners, not by their middles.
  x: seat.x / scale,
  y: seat.y / scale,
  tiltX: seat.tiltX * scale,
  tiltY: seat.tiltY * scale,
});

export interface PolarSize {
  /** Radius of what is looked at, in pixels of the tone. */
  readonly reach: number;
  readonly rings: number;
  /** Directions, a power of two. */
  readonly spokes: number;
}

export interface Polar extends PolarSize {
  /** Ring by ring from the centre, clockwise on the screen from straight up. */
  readonly values: Float32Array;
  /** Of each ring: how much of it is in the picture, 0 to 1. */
  readonly seen: Float32Array;
}

/** The polar form of a tone about a seat, given in the tone's own pixels. What is outside the picture is 0, as its mean is. */
export function polarOf(tone: Tone, seat: Seat, { reach, rings, spokes }: PolarSize): Polar {
  const values = new Float32Array(rings * spokes);
  const seen = new Float32Array(rings);
  const sines = Float64Array.from({ length: spokes }, (_, k) => Math.sin((2 * Math.PI * k) / spokes));
  const { width, height } = tone;
  for (let ring = 0; ring < rings; ring += 1) {
    const radius = ((ring + 0.5) * reach) / rings;
    let inside = 0;
    for (let spoke = 0; spoke < spokes; spoke += 1) {
      const x = radius * (sines[spoke] ?? 0);
      const y = -radius * (sines[(spoke + spokes / 4) % spokes] ?? 0);
      const w = 1 + seat.tiltX * x + seat.tiltY * y;
      // Middles of pixels are at halves.
      const across = seat.x - 0.5 + ((1 + seat.stretch) * x + seat.skew * y) / w;
      const down = seat.y - 0.5 + (seat.skew * x + (1 - seat.stretch) * y) / w;
      if (across < 0 || down < 0 || across >= width - 1 || down >= height - 1) continue;
      inside += 1;
      values[ring * spokes + spoke] = between(tone.values, width, across, down);
    }
    seen[ring] = inside / spokes;
  }
  return { reach, rings, spokes, values, seen };
}

/** The value at a place between four of them. */
function between(values: Float32Array, width: number, x: number, y: number): number {
  const left = Math.floor(x);
  const top = Math.floor(y);
  const at = top * width + left;
  const right = x - left;
  const down = y - top;
  const upper = (values[at] ?? 0) * (1 - right) + (values[at + 1] ?? 0) * right;
  const lower = (values[at + width] ?? 0) * (1 - right) + (values[at + width + 1] ?? 0) * right;
  return upper * (1 - down) + lower * down;
}
