import { NO_TURN } from '../number/turn';
import type { Form } from '../maker/form';
import { NO_FRAME } from '../symmetry/frame';
import type { Paint } from '../scene/scene';
import { FIGURE_FORMAT, FIGURE_VERSION, type Figure, type Round, type Shape } from './model';

/** The colours that a new figure starts with: sand to deep water. */
const START_PALETTE = ['#f2e6d0', '#f7c6a3', '#d9512c', '#e9b44c', '#84c5b4', '#1f8a76', '#113d4c'];

export const START_PAINT: Paint = { fill: '#1f8a76', stroke: null };

/** Open paths have nothing to fill: they start as a line. */
export const START_LINE: Paint = {
  fill: null,
  stroke: { colour: '#113d4c', width: 1, cap: 'round', join: 'round' },
};

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
export const newFigure = (name: string, roundId: string): Figure => ({
  format: FIGURE_FORMAT,
  version: FIGURE_VERSION,
  name,
  page: { width: 180, height: 180, unit: 'mm', background: '#fffefb', bleed: 0, centre: { x: 0, y: 0 } },
  palette: START_PALETTE,
  underlay: null,
  rounds: [newRound(roundId, 'Round 1')],
});
