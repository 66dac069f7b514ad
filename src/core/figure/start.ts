import { NO_TURN } from '@/core/number';
import type { Form } from '@/core/maker';
import { NO_FRAME } from '@/core/symmetry';
import type { Paint, ScenePage, Stroke } from '@/core/scene';
import { FIGURE_FORMAT, FIGURE_VERSION, type Figure, type Round, type Shape, type RoundId } from './model';

/** The colours that a new figure starts with: sand to deep water. */
const START_PALETTE = ['#f2e6d0', '#f7c6a3', '#d9512c', '#e9b44c', '#84c5b4', '#1f8a76', '#113d4c'];

export const START_PAINT: Paint = { fill: '#1f8a76', stroke: null };

/**
 * A round length near a hundredth of a page's shorter side, in its unit: 1, 2 or 5 times a power of ten. What tools begin with is so many
 * of it, so that a line is a line on an icon and on a poster.
 */
export function handLength({ width, height }: Pick<ScenePage, 'width' | 'height'>): number {
  const hundredth = Math.min(width, height) / 100;
  const power = 10 ** Math.floor(Math.log10(hundredth));
  const [nearest] = [1, 2, 5, 10]
    .map((times) => ({ times, off: Math.abs(Math.log((times * power) / hundredth)) }))
    .sort((a, b) => a.off - b.off);
  // By way of its digits, so that 0.2 is 0.2 and not 0.2 and a rounding error.
  return Number(((nearest?.times ?? 1) * power).toPrecision(1));
}

/** The stroke that something gets which has none, on a page. */
export const startStroke = (page: ScenePage): Stroke => ({
  colour: '#113d4c',
  width: handLength(page) / 2,
  cap: 'round',
  join: 'round',
});

/** Open paths have nothing to fill: they start as a line. */
export const startLine = (page: ScenePage): Paint => ({ fill: null, stroke: startStroke(page) });

export const newRound = (id: string, name: string, fold = 8): Round => ({
  id,
  name,
  visible: true,
  locked: false,
  rule: { fold, mirror: false, start: NO_TURN },
  frame: NO_FRAME,
  shapes: [],
  merge: null,
});

export const newShape = (id: string, name: string, form: Form, paint: Paint): Shape => ({
  id,
  name,
  visible: true,
  locked: false,
  form,
  rule: 'nonzero',
  paint,
});

/** An empty figure on a square page of 180 mm with one round. */
export const newFigure = (name: string, roundId: RoundId): Figure => ({
  format: FIGURE_FORMAT,
  version: FIGURE_VERSION,
  name,
  page: { width: 180, height: 180, unit: 'mm', background: '#fffefb', bleed: 0, centre: { x: 0, y: 0 } },
  palette: START_PALETTE,
  underlay: null,
  rounds: [newRound(roundId, 'Round 1')],
});
