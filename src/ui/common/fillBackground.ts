import { isGradient, plainStops } from '@/core/paint';
import type { Fill, GradientStop } from '@/core/scene';

/** What shows through where there is no paint. */
export const CHECKS =
  'repeating-conic-gradient(var(--line-strong) 0 25%, var(--field) 0 50%) 0 0 / 10px 10px';

/** The same as paper has them in both themes, under artwork, as the panes do. */
export const PAPER_CHECKS = 'repeating-conic-gradient(#dedbd3 0 25%, #ffffff 0 50%) 0 0 / 16px 16px';

/** Stops as CSS has them, from start to end. */
export const stopList = (stops: readonly GradientStop[]): string =>
  plainStops(stops)
    .map(({ at, colour }) => `${colour} ${100 * at}%`)
    .join(', ');

/** A fill as a CSS background. */
export function fillBackground(fill: Fill | null): string {
  if (!isGradient(fill)) return fill ?? 'transparent';
  const stops = stopList(fill.stops);
  if (fill.kind === 'radial') return `radial-gradient(circle, ${stops})`;
  const { from, to } = fill;
  const degrees = (Math.atan2(to.x - from.x, -(to.y - from.y)) * 180) / Math.PI;
  return `linear-gradient(${degrees}deg, ${stops})`;
}
