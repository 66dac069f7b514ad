import { cssColour, type Ink, MITER_LIMIT, styleOf } from '@/core/paint';
import type { Colour, FillRule, Paint } from '@/core/scene';
import type { Bounds } from '@/core/curve';
import { SMOOTHED } from './region';

/** Cells of one outline in all their places, whatever their paint. */
export interface Cells {
  /** The same as long as all of it is the same. */
  readonly id: string;
  /** SVG path data of the outline as it stands, in the figure's unit. */
  readonly data: string;
  /** The box of the outline as it stands. */
  readonly box: Bounds;
  readonly rule: FillRule;
  /** Six numbers for each copy: a b c d e f of the matrix that takes the outline to it, as in SVG. */
  readonly places: Float64Array;
}

/** Copies of cells that follow one another, from one number up to before another. */
export type Run = readonly [from: number, to: number];

/** How cells are painted. */
export interface Look {
  readonly paint: Paint;
  /** Of each copy, from 0 to 1. */
  readonly opacity: number;
}

/** What a canvas shows of the figure. */
export interface CanvasFrame {
  /** In device pixels. */
  readonly width: number;
  readonly height: number;
  /** Device pixels in a unit of the figure. */
  readonly scale: number;
  /** The figure's centre, in device pixels. */
  readonly x: number;
  readonly y: number;
  /** All of it turned clockwise about the centre, in radians. */
  readonly rotation: number;
  /** Lines of one pixel in this colour, opaque, instead of paint. */
  readonly outline: Colour | null;
  /** Strength of all of it, from 0 to 1. */
  readonly strength: number;
  /** Path data of where it has its full strength, upright, in the figure's unit. */
  readonly full: string | null;
}

/** The part of a canvas that drawing needs, on the page or in a worker. */
export type Surface = CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D;

/** Cells with their outline as the canvas has it. */
export interface Ready extends Cells {
  readonly path: Path2D;
  readonly count: number;
}

export const ready = (cells: Cells): Ready => ({
  ...cells,
  path: new Path2D(cells.data),
  count: cells.places.length / 6,
});

/** The one opaque colour that is all that is seen of cells; null where there is more to see, or less. */
export function flatColour(
  { paint, opacity }: Look,
  rule: FillRule,
  { outline }: CanvasFrame,
): Colour | null {
  if (outline !== null) return outline;
  const { fill, stroke } = styleOf(paint, rule);
  if (!fill || stroke || opacity < 1 || fill.ink.kind !== 'flat' || fill.ink.opacity < 1) return null;
  return cssColour(fill.ink);
}

/** Cells in one colour, for cells that have but one. */
export const inColour = (
  colour: Colour,
  frame: CanvasFrame,
): { readonly look: Look; readonly frame: CanvasFrame } => ({
  look: { paint: { fill: colour, stroke: null }, opacity: 1 },
  frame: frame.outline === null ? frame : { ...frame, outline: colour },
});

function inkOn(surface: Surface, ink: Ink): string | CanvasGradient {
  if (ink.kind === 'flat') return cssColour(ink);
  const made =
    ink.kind === 'linear'
      ? surface.createLinearGradient(ink.from.x, ink.from.y, ink.to.x, ink.to.y)
      : surface.createRadialGradient(ink.centre.x, ink.centre.y, 0, ink.centre.x, ink.centre.y, ink.radius);
  for (const stop of ink.stops) made.addColorStop(stop.at, cssColour(stop));
  return made;
}

type Act = (path: Path2D) => void;

/** A line of one pixel has pointed corners, as in SVG. */
const WIRE = { join: 'miter', limit: MITER_LIMIT, cap: 'butt' } as const;

/** What is done to each copy of cells, in the order of painting. */
function actsOf(surface: Surface, paint: Paint, rule: FillRule, { outline, scale }: CanvasFrame): Act[] {
  const fill: Act = (path) => surface.fill(path, rule);
  const stroke: Act = (path) => surface.stroke(path);
  if (outline !== null) {
    surface.strokeStyle = outline;
    surface.lineWidth = 1 / scale;
    surface.lineCap = WIRE.cap;
    surface.lineJoin = WIRE.join;
    surface.miterLimit = WIRE.limit;
    surface.setLineDash([]);
    return [stroke];
  }
  const style = styleOf(paint, rule);
  if (style.fill) surface.fillStyle = inkOn(surface, style.fill.ink);
  if (!style.stroke) return style.fill ? [fill] : [];
  const { ink, width, cap, join, limit, dashes } = style.stroke;
  surface.strokeStyle = inkOn(surface, ink);
  surface.lineWidth = width;
  surface.lineCap = cap;
  surface.lineJoin = join;
  surface.miterLimit = limit;
  surface.setLineDash([...dashes]);
  if (!style.fill) return [stroke];
  return style.isStrokeFirst ? [stroke, fill] : [fill, stroke];
}

/** Draws a run of the copies of cells. */
export function drawCopies(
  surface: Surface,
  { places, path, rule }: Ready,
  { paint, opacity }: Look,
  frame: CanvasFrame,
  [from, to]: Run,
): void {
  const { scale, rotation, x, y } = frame;
  const [cos, sin] = [scale * Math.cos(rotation), scale * Math.sin(rotation)];
  const acts = actsOf(surface, paint, rule, frame);
  surface.globalAlpha = frame.outline === null ? opacity : 1;
  for (let k = from; k < to; k += 1) {
    const at = 6 * k;
    const [a, b, c, d] = [places[at] ?? 1, places[at + 1] ?? 0, places[at + 2] ?? 0, places[at + 3] ?? 1];
    const [e, f] = [places[at + 4] ?? 0, places[at + 5] ?? 0];
    // The place and the view as one: each change of a canvas's transform is kept and played back by itself.
    surface.setTransform(
      cos * a - sin * b,
      sin * a + cos * b,
      cos * c - sin * d,
      sin * c + cos * d,
      cos * e - sin * f + x,
      sin * e + cos * f + y,
    );
    for (const act of acts) act(path);
  }
}

/** How far a stroke reaches beyond an outline, in the figure's unit: its joins and caps farther than half its width. */
function reachOf(paint: Paint, rule: FillRule, { outline, scale }: CanvasFrame): number {
  if (outline !== null) return (1 / scale / 2) * WIRE.limit;
  const { stroke } = styleOf(paint, rule);
  return stroke ? (stroke.width / 2) * Math.max(stroke.limit, Math.SQRT2) : 0;
}

interface Boxes {
  readonly rotation: number;
  readonly reach: number;
  readonly of: Float64Array;
}

const boxesKnown = new WeakMap<Ready, Boxes>();

/**
 * Where the copies of cells are in a figure turned clockwise by the frame's angle: of each left, top, right, bottom, in the figure's unit
 * from its centre, with all that is drawn of it. Worked out once for all views.
 */
export function boxesOf(cells: Ready, paint: Paint, frame: CanvasFrame): Float64Array {
  const { rotation } = frame;
  const reach = reachOf(paint, cells.rule, frame);
  const known = boxesKnown.get(cells);
  if (known?.rotation === rotation && known.reach === reach) return known.of;
  const made = boxesAt(cells, rotation, reach);
  boxesKnown.set(cells, { rotation, reach, of: made });
  return made;
}

function boxesAt({ box, places, count }: Ready, rotation: number, reach: number): Float64Array {
  const [cos, sin] = [Math.cos(rotation), Math.sin(rotation)];
  const [midX, midY] = [(box.left + box.right) / 2, (box.top + box.bottom) / 2];
  const [halfX, halfY] = [(box.right - box.left) / 2 + reach, (box.bottom - box.top) / 2 + reach];
  const boxes = new Float64Array(4 * count);
  for (let k = 0; k < count; k += 1) {
    const at = 6 * k;
    const [a, b, c, d] = [places[at] ?? 1, places[at + 1] ?? 0, places[at + 2] ?? 0, places[at + 3] ?? 1];
    const [e, f] = [places[at + 4] ?? 0, places[at + 5] ?? 0];
    const [A, B, C, D] = [cos * a - sin * b, sin * a + cos * b, cos * c - sin * d, sin * c + cos * d];
    const atX = A * midX + C * midY + cos * e - sin * f;
    const atY = B * midX + D * midY + sin * e + cos * f;
    const [reachX, reachY] = [
      Math.abs(A) * halfX + Math.abs(C) * halfY,
      Math.abs(B) * halfX + Math.abs(D) * halfY,
    ];
    boxes[4 * k] = atX - reachX;
    boxes[4 * k + 1] = atY - reachY;
    boxes[4 * k + 2] = atX + reachX;
    boxes[4 * k + 3] = atY + reachY;
  }
  return boxes;
}

/** Which copies reach into the canvas, by their boxes: what does not need not be drawn. */
export function copiesIn(boxes: Float64Array, { width, height, scale, x, y }: CanvasFrame): readonly Run[] {
  const isIn = (k: number): boolean => {
    const at = (side: 0 | 1 | 2 | 3): number => scale * (boxes[4 * k + side] ?? 0);
    return (
      at(0) + x <= width + SMOOTHED &&
      at(1) + y <= height + SMOOTHED &&
      at(2) + x >= -SMOOTHED &&
      at(3) + y >= -SMOOTHED
    );
  };
  const count = boxes.length / 4;
  const found: Run[] = [];
  let from = -1;
  for (let k = 0; k <= count; k += 1) {
    const isSeen = k < count && isIn(k);
    if (isSeen && from < 0) from = k;
    if (isSeen || from < 0) continue;
    found.push([from, k]);
    from = -1;
  }
  return found;
}
