import { type Form, petalOfSize } from '@/core/maker';
import { type Figure, newFigure, newRound, newShape, type Round, type Shape } from '@/core/figure';
import { built } from '@/core/stock';
import { NO_TURN, type Turn } from '@/core/number';
import type { Paint, Stroke } from '@/core/scene';

/** The colours of Tide Week. */
export const TIDE = {
  sand: '#f2e6d0',
  shell: '#f7c6a3',
  coral: '#d9512c',
  brass: '#e9b44c',
  foam: '#84c5b4',
  kelp: '#1f8a76',
  deep: '#113d4c',
} as const;

export const filled = (fill: string): Paint => ({ fill, stroke: null });

export const lined = (colour: string, width: number, cap: Stroke['cap'] = 'round'): Paint => ({
  fill: null,
  stroke: { colour, width, cap, join: 'round' },
});

/** An empty figure of Tide Week on a square page, in millimetres. */
export const emptyPiece = (name: string, side: number, background: string): Figure => ({
  ...newFigure(name, 'round'),
  page: { width: side, height: side, unit: 'mm', background, bleed: 0, centre: { x: 0, y: 0 } },
  palette: Object.values(TIDE),
  rounds: [],
});

/** A round to be filled by commands. */
export const emptyRound = (
  id: string,
  name: string,
  fold: number,
  mirror = false,
  start: Turn = NO_TURN,
): Round => ({
  ...newRound(id, name, fold),
  rule: { fold, mirror, start },
});

/** A petal on the axis from a distance to another. */
export const petalBetween = (from: number, to: number, width: number): Form => ({
  kind: 'petal',
  at: { x: 0, y: 0 - from },
  rotation: NO_TURN,
  params: petalOfSize(to - from, width),
});

/** A circle on the axis. */
export const circleAt = (distance: number, radius: number): Form => ({
  kind: 'ellipse',
  at: { x: 0, y: 0 - distance },
  rotation: NO_TURN,
  params: { width: 2 * radius, height: 2 * radius },
});

/** A rectangle about the centre with rounded corners. */
export const rectangleAt = (width: number, height: number, corner: number): Form =>
  built('rectangle', {
    width,
    height,
    topLeft: corner,
    topRight: corner,
    bottomRight: corner,
    bottomLeft: corner,
  });

export const named = (id: string, name: string, form: Form, paint: Paint): Shape =>
  newShape(id, name, form, paint);

export { built };
