import { handLength } from '@/core/figure';
import type { ScenePage } from '@/core/scene';

/** How many of the page's hand length each of them is at first. */
export const NUDGE = 0.5;
export const STAMP = { size: 2, spacing: 3 };
export const HAND = { width: 2, taper: 4 };

/** The lengths that tools begin with on a page, in its unit. */
export function startLengths(page: ScenePage): {
  readonly nudge: number;
  readonly stamp: { readonly size: number; readonly spacing: number };
  readonly hand: { readonly width: number; readonly taper: number };
} {
  const length = handLength(page);
  return {
    nudge: NUDGE * length,
    stamp: { size: STAMP.size * length, spacing: STAMP.spacing * length },
    hand: { width: HAND.width * length, taper: HAND.taper * length },
  };
}
