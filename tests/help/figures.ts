import { addShapes } from '@/core/figure/commands';
import { type Figure, newFigure, newShape, START_PAINT, startLine } from '@/core/figure';
import type { Form } from '@/core/maker';
import { NO_TURN } from '@/core/number';

/** Ids in a row: n1, n2, … */
export const counter = (): (() => string) => {
  let made = 0;
  return () => `n${(made += 1)}`;
};

/** A circle about a point. */
export const disc = (x: number, y: number, r: number): Form => ({
  kind: 'ellipse',
  at: { x, y },
  rotation: NO_TURN,
  params: { width: 2 * r, height: 2 * r },
});

/** A figure of one round `r`, whose shapes s0, s1, … have these forms. */
export const withForms = (...forms: Form[]): Figure =>
  addShapes(
    newFigure('A', 'r'),
    'r',
    forms.map((form, k) => newShape(`s${k}`, `Shape ${k}`, form, START_PAINT)),
  );

/** The line that a new figure's open paths start as. */
export const START_LINE = startLine(newFigure('F', 'r').page);
