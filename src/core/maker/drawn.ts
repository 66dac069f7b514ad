import type { Contour, Point } from '@/core/curve';
import type { Turn } from '@/core/number';
import type { FillRule, Laid, Paint } from '@/core/scene';

/** One shape of a drawing with its paint, the drawing's centre at 0, 0. */
export interface DrawnPart {
  readonly contours: readonly Contour[];
  readonly paint: Paint;
  readonly rule: FillRule;
  /** How it is laid on what is below, as one with the parts beside it of the same group. */
  readonly laid?: Laid & { readonly group: number };
}

/** Where a drawing is shown: its centre, how many times as large, and how it is turned. */
export interface Place extends Point {
  readonly size: number;
  readonly turn: Turn;
}
