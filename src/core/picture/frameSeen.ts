/**
 * The frame that a rosette in a picture fits: its rim, rays and axes, as they are seen there.
 *
 * @example
 * for (const { kind, points } of frameSeen(read.seat, read.reach, { fold: 12, axis })) …
 */
import type { Point } from '@/core/curve';
import { seenAt, type Seat } from './polar';

/** A line through points in pixels of the picture. */
export interface FrameSeenLine {
  readonly kind: 'rim' | 'ray' | 'axis';
  readonly points: readonly Point[];
}

/** The rim is drawn by so many chords: a circle seen aslant is none. */
const CHORDS = 96;

/** @param axis of a copy, clockwise from straight up, in radians */
export function frameSeen(
  seat: Seat,
  reach: number,
  { fold, axis }: { readonly fold: number; readonly axis: number },
): FrameSeenLine[] {
  const at = (angle: number, radius: number): Point =>
    seenAt(seat, { x: radius * Math.sin(angle), y: -radius * Math.cos(angle) });
  const step = (2 * Math.PI) / fold;
  const out = (kind: 'ray' | 'axis', angle: number): FrameSeenLine => ({
    kind,
    points: [at(angle, 0), at(angle, reach)],
  });
  return [
    {
      kind: 'rim',
      points: Array.from({ length: CHORDS + 1 }, (_, k) => at((2 * Math.PI * k) / CHORDS, reach)),
    },
    ...Array.from({ length: fold }, (_, k) => out('ray', axis + (k + 0.5) * step)),
    out('axis', axis),
  ];
}
