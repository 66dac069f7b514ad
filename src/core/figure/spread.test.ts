import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { STRAIGHT } from '@/core/derive';
import { difference, pixelsOf } from '../../../tests/help/pictures';
import { disc, withForms } from '../../../tests/help/figures';
import { DEFAULT_SVG } from '@/core/format/svg/svg';
import { svgOf } from '@/core/format/svg';
import { turn } from '@/core/number';
import { type Gradient, SPREADS } from '@/core/scene';
import { setFill, setFold, setStart } from './commands';
import { evaluate } from './evaluate';
import type { Figure } from './model';
import { endsOfSpread, respread } from './spread';

const NONE: ReadonlySet<string> = new Set();
const base = (start: number): Figure =>
  setStart(setFold(withForms(disc(3, -40, 22)), 'r', 1), 'r', turn(start, 12));

const painted = (figure: Figure, fill: Gradient): Figure =>
  setFill(figure, { of: 'shapes', roundId: 'r', shapeIds: new Set(['s0']) }, fill);

const picture = (figure: Figure): Uint8Array =>
  pixelsOf(svgOf(evaluate(figure, new Map(), STRAIGHT), DEFAULT_SVG), 200);

describe('A gradient that is spread over something else', () => {
  it('keeps a run that was set where it is, there and back', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...SPREADS),
        fc.constantFrom('linear' as const, 'radial' as const),
        fc.integer({ min: 0, max: 11 }),
        fc.tuple(...Array.from({ length: 4 }, () => fc.integer({ min: 5, max: 95 }))),
        (spread, kind, start, [ax = 0, ay = 0, bx = 0, by = 0]) => {
          fc.pre(Math.hypot(ax - bx, ay - by) > 20);
          const figure = base(start);
          const round = figure.rounds[0]!;
          const cell: Gradient = {
            kind,
            spread: 'cell',
            from: { x: ax / 100, y: ay / 100 },
            to: { x: bx / 100, y: by / 100 },
            stops: [
              { at: 0, colour: '#d9512c' },
              { at: 1, colour: '#113d4c' },
            ],
          };
          const other = respread(figure, round, NONE, cell, spread, STRAIGHT);
          expect(other.spread).toBe(spread);
          expect(difference(picture(painted(figure, cell)), picture(painted(figure, other)))).toBe(0);
          const back = respread(figure, round, NONE, other, 'cell', STRAIGHT);
          expect(back.from.x).toBeCloseTo(cell.from.x, 9);
          expect(back.to.y).toBeCloseTo(cell.to.y, 9);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('follows it with a run that nobody has set', () => {
    const figure = base(0);
    const round = figure.rounds[0]!;
    const [from, to] = endsOfSpread(figure, round, NONE, 'radial', 'cell', STRAIGHT);
    const untouched: Gradient = { kind: 'radial', spread: 'cell', from, to, stops: [] };
    expect(respread(figure, round, NONE, untouched, 'round', STRAIGHT).from).toEqual({ x: 0, y: 0 });
  });
});
