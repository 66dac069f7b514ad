import { describe, expect, it } from 'vitest';

import { pixelsOf } from '../../../tests/help/pictures';
import { STRAIGHT } from '@/core/derive';
import { DEFAULT_SVG } from '@/core/format/svg/svg';
import { svgOf } from '@/core/format/svg';
import { MAKERS, type Transform } from '@/core/maker';
import { NO_TURN, turn } from '@/core/number';
import type { Fill } from '@/core/scene';
import { addShapes, setFold, transformShapes } from './commands';
import { evaluate } from './evaluate';
import type { Figure } from './model';
import { newFigure, newShape } from './start';

describe('A gradient over each cell', () => {
  const across: Fill = {
    kind: 'linear',
    spread: 'cell',
    from: { x: 0, y: 0.5 },
    to: { x: 1, y: 0.5 },
    stops: [
      { at: 0, colour: '#d9512c' },
      { at: 1, colour: '#113d4c' },
    ],
  };
  const PLATE = { ...MAKERS.rectangle.start, width: 60, height: 30 };
  const plate = (fill: Fill): Figure =>
    setFold(
      addShapes(newFigure('Plate', 'r'), 'r', [
        newShape(
          'p',
          'Plate',
          { kind: 'rectangle', at: { x: 0, y: -40 }, rotation: NO_TURN, params: PLATE },
          { fill, stroke: null },
        ),
      ]),
      'r',
      1,
    );
  /** The colour at a point of the figure, of the page's middle at 0, 0. */
  const at = (figure: Figure, x: number, y: number): number[] => {
    const side = 360;
    const pixels = pixelsOf(
      svgOf(evaluate(figure, new Map(), STRAIGHT), { ...DEFAULT_SVG, form: 'plain' }),
      side,
    );
    const scale = side / figure.page.width;
    const k = 4 * (Math.round(side / 2 + y * scale) * side + Math.round(side / 2 + x * scale));
    return [...pixels.slice(k, k + 3)];
  };
  const near = (a: readonly number[], b: readonly number[]): void =>
    a.forEach((level, k) => expect(Math.abs(level - (b[k] ?? 0))).toBeLessThan(12));
  const how = { copy: false, times: 1, newId: () => 'new' };
  const turned = (figure: Figure, t: Transform): Figure =>
    transformShapes(figure, 'r', new Set(['p']), t, how, STRAIGHT).figure;

  it('turns and reflects with its shape, and stays as it is where that is only moved or scaled', () => {
    const figure = plate(across);
    const [left, right] = [at(figure, -25, -40), at(figure, 25, -40)];
    expect(left[0]).toBeGreaterThan(right[0]! + 100);
    // A quarter of a turn clockwise about the centre: what was left is above.
    const quarter = turned(figure, { kind: 'rotate', by: turn(1, 4), about: { x: 0, y: 0 } });
    near(at(quarter, 40, -25), left);
    near(at(quarter, 40, 25), right);
    const mirrored = turned(figure, { kind: 'reflect', direction: NO_TURN, about: { x: 0, y: 0 } });
    near(at(mirrored, 25, -40), left);
    near(at(mirrored, -25, -40), right);
    const moved = turned(figure, { kind: 'move', by: { x: 5, y: 0 } });
    expect(moved.rounds[0]!.shapes[0]!.paint).toEqual({ fill: across, stroke: null });
  });
});
