/**
 * The colour of an ink at a point, as SVG draws it: stops are mixed in sRGB, and a run goes on in the colours of its ends.
 *
 * @example
 * inkAt({ kind: 'linear', from: { x: 0, y: 0 }, to: { x: 10, y: 0 }, stops }, { x: 5, y: 0 }); // half way
 */
import { applyTo, distance, dot, inverse, type Point, subtract } from '@/core/curve';
import type { Ink } from './style';

/** Red, green and blue from 0 to 255, and the opacity from 0 to 1. */
export interface Tint {
  readonly r: number;
  readonly g: number;
  readonly b: number;
  readonly opacity: number;
}

/** @param colour `#rrggbb` */
export const tintOf = (colour: string, opacity = 1): Tint => {
  const all = Number.parseInt(colour.slice(1, 7), 16);
  return { r: all >> 16, g: (all >> 8) & 255, b: all & 255, opacity };
};

const mixed = (a: Tint, b: Tint, share: number): Tint => ({
  r: a.r + (b.r - a.r) * share,
  g: a.g + (b.g - a.g) * share,
  b: a.b + (b.b - a.b) * share,
  opacity: a.opacity + (b.opacity - a.opacity) * share,
});

/** How far along a run a point is, 0 at its start and 1 at its end. */
function along(ink: Exclude<Ink, { kind: 'flat' }>, p: Point): number {
  if (ink.kind === 'linear') {
    const way = subtract(ink.to, ink.from);
    const square = dot(way, way);
    return square === 0 ? 1 : dot(subtract(p, ink.from), way) / square;
  }
  const own = ink.map ? applyTo(inverse(ink.map), p) : p;
  return ink.radius === 0 ? 1 : distance(own, ink.centre) / ink.radius;
}

/** @param p in the coordinates of what is painted */
export function inkAt(ink: Ink, p: Point): Tint {
  if (ink.kind === 'flat') return tintOf(ink.colour, ink.opacity);
  const at = along(ink, p);
  const { stops } = ink;
  const after = stops.findIndex((stop) => stop.at > at);
  const last = stops[stops.length - 1];
  const [from, to] = after < 0 ? [last, last] : [stops[after - 1] ?? stops[0], stops[after]];
  if (!from || !to) return { r: 0, g: 0, b: 0, opacity: 0 };
  const span = to.at - from.at;
  const share = span > 0 ? Math.min(1, Math.max(0, (at - from.at) / span)) : 0;
  return mixed(tintOf(from.colour, from.opacity), tintOf(to.colour, to.opacity), share);
}
