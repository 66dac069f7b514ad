import type { Point } from '@/core/curve';

/** How a pane shows the figure: pixels per unit, and where the centre is in the pane, in pixels. */
export interface View {
  readonly scale: number;
  readonly x: number;
  readonly y: number;
}

// In inches a hundred times as far in as in pixels.
const MOST_ZOOM = 10_000;
export const LEAST_ZOOM = 0.002;

export const toScreen = (view: View, p: Point): Point => ({
  x: view.x + p.x * view.scale,
  y: view.y + p.y * view.scale,
});

export const fromScreen = (view: View, p: Point): Point => ({
  x: (p.x - view.x) / view.scale,
  y: (p.y - view.y) / view.scale,
});

/** The view zoomed by a factor so that what is under a point of the pane stays there. */
export function zoomed(view: View, factor: number, about: Point): View {
  const scale = Math.min(MOST_ZOOM, Math.max(LEAST_ZOOM, view.scale * factor));
  const applied = scale / view.scale;
  return { scale, x: about.x + (view.x - about.x) * applied, y: about.y + (view.y - about.y) * applied };
}

export const panned = (view: View, dx: number, dy: number): View => ({
  ...view,
  x: view.x + dx,
  y: view.y + dy,
});
