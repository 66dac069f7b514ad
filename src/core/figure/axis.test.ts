import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { counter, disc, START_LINE, withForms } from '../../../tests/help/figures';
import { areOwnMirror, type Path, signedArea } from '@/core/curve';
import { STRAIGHT } from '@/core/derive';
import { type Form, pathsOfForm } from '@/core/maker';
import {
  combineShapes,
  groupShapes,
  makeCombinedPlain,
  roundOf,
  setAxis,
  setPaint,
  takeApart,
} from './commands';
import { resolvedShapes } from './combined';
import { hitMotif } from './hit';
import type { AxisSide, Figure } from './model';
import { figureSchema } from './schema';

const all = (figure: Figure): Set<string> => new Set(roundOf(figure, 'r').shapes.map(({ id }) => id));
const about = (figure: Figure, side: AxisSide): Figure => setAxis(figure, 'r', all(figure), side, counter());
const drawn = (figure: Figure): Path[] =>
  resolvedShapes(roundOf(figure, 'r'), STRAIGHT).flatMap(({ form }) => pathsOfForm(form, STRAIGHT));
const area = (figure: Figure): number => signedArea(drawn(figure));
const nodes = (figure: Figure): readonly { x: number; y: number }[] =>
  drawn(figure).flatMap(({ segments }) => segments.map(({ from }) => from));

/** A path with straight sides. */
const straight = (closed: boolean, ...points: readonly (readonly [number, number])[]): Form => ({
  kind: 'path',
  contours: [{ closed, nodes: points.map(([x, y]) => ({ x, y, kind: 'corner' as const })) }],
});

const lined = (form: Form): Figure => {
  const figure = withForms(form);
  return setPaint(figure, { of: 'shapes', roundId: 'r', shapeIds: new Set(['s0']) }, START_LINE);
};

describe('one side of the axis and its reflection', () => {
  it('are one outline, as large as the formula for two circles says', () => {
    // Of a circle of 10 whose middle is 4 to the right: twice what lies right of a chord 4 from the middle, and twice what lies left.
    const segment = 100 * Math.acos(0.4) - 4 * Math.sqrt(84);
    const figure = withForms(disc(4, -40, 10));
    expect(area(about(figure, 'right'))).toBeCloseTo(2 * (Math.PI * 100 - segment), 6);
    expect(area(about(figure, 'left'))).toBeCloseTo(2 * segment, 6);
    expect(areOwnMirror(drawn(about(figure, 'left')), 1e-9)).toBe(true);
    expect(drawn(about(figure, 'right'))).toHaveLength(1);
  });

  it('have no node on the axis where a side, an arc or a curve runs on there', () => {
    const square = withForms(straight(true, [-5, -20], [5, -20], [5, -30], [-5, -30]));
    expect(nodes(about(square, 'right'))).toHaveLength(4);
    const circle = withForms(disc(0, -40, 10));
    expect(
      nodes(about(circle, 'right')).filter(({ x, y }) => Math.abs(x) < 1e-9 && Math.abs(y + 40) < 9),
    ).toEqual([]);
    expect(area(about(circle, 'right'))).toBeCloseTo(100 * Math.PI, 9);
    // A roof keeps its ridge.
    const roof = withForms(straight(true, [0, -40], [8, -20], [0, -20]));
    expect(
      nodes(about(roof, 'right'))
        .map(({ x, y }) => `${Math.round(x)},${Math.round(y)}`)
        .sort(),
    ).toEqual(['-8,-20', '0,-40', '8,-20']);
  });

  it('of a line are one line through the axis, and a closed one where both ends are on it', () => {
    const open = drawn(about(lined(straight(false, [-6, -10], [4, -20], [9, -20])), 'right'));
    expect(open.map(({ closed, segments }) => [closed, segments.length])).toEqual([[false, 4]]);
    const bow = drawn(about(lined(straight(false, [0, -10], [9, -20], [0, -30])), 'right'));
    expect(bow.map(({ closed, segments }) => [closed, segments.length])).toEqual([[true, 4]]);
    const apart = drawn(about(lined(straight(false, [2, -10], [9, -20])), 'right'));
    expect(apart).toHaveLength(2);
    // A closed line that begins on the side that is kept.
    const ring = drawn(about(lined(straight(true, [3, -20], [6, -25], [3, -30], [-4, -25])), 'right'));
    expect(ring.map(({ closed }) => closed)).toEqual([true]);
  });

  it('of several shapes are one outline of all; of a group each keeps its paint', () => {
    const two = withForms(disc(3, -40, 10), disc(12, -40, 6));
    const one = about(two, 'right');
    expect(drawn(one)).toHaveLength(1);
    expect(roundOf(one, 'r').groups).toMatchObject([{ op: 'union', axis: 'right' }]);
    expect(figureSchema.validate(one).error).toBeUndefined();
    const group = groupShapes(two, 'r', all(two), counter());
    expect(resolvedShapes(roundOf(about(group, 'right'), 'r'), STRAIGHT)).toHaveLength(2);
    const cut = combineShapes(two, 'r', all(two), 'subtract', counter());
    expect(areOwnMirror(drawn(about(cut, 'left')), 1e-9)).toBe(true);
    expect(resolvedShapes(roundOf(setAxis(one, 'r', all(one), null, counter()), 'r'), STRAIGHT)).toHaveLength(
      1,
    );
  });

  it('stay live until they are made plain or taken apart, and can be held at the reflection', () => {
    const figure = about(withForms(disc(14, -40, 10)), 'right');
    const round = roundOf(figure, 'r');
    expect(hitMotif(round, { x: -14, y: -40 }, 0.1, STRAIGHT)?.shapeId).toBe('s0');
    const plain = makeCombinedPlain(figure, 'r', all(figure), STRAIGHT);
    expect(plain.ids).toEqual(['s0']);
    expect(roundOf(plain.figure, 'r').shapes[0]?.axis).toBeUndefined();
    expect(area(plain.figure)).toBeCloseTo(200 * Math.PI, 6);
    expect(roundOf(takeApart(figure, 'r', all(figure)), 'r').shapes).toEqual(
      roundOf(withForms(disc(14, -40, 10)), 'r').shapes,
    );
    // Nothing is left of what is on the other side alone.
    expect(drawn(about(withForms(disc(14, -40, 10)), 'left'))).toEqual([]);
  });

  it('are their own reflection, whatever is cut', () => {
    const place = fc.record({
      x: fc.double({ min: -30, max: 30, noNaN: true }),
      y: fc.double({ min: -60, max: -5, noNaN: true }),
      r: fc.double({ min: 0.5, max: 25, noNaN: true }),
    });
    fc.assert(
      fc.property(
        fc.array(place, { minLength: 1, maxLength: 4 }),
        fc.constantFrom('left', 'right'),
        (discs, side) => {
          const figure = about(withForms(...discs.map(({ x, y, r }) => disc(x, y, r))), side);
          const paths = drawn(figure);
          expect(paths.length === 0 || areOwnMirror(paths, 1e-6)).toBe(true);
          const reach = discs.some(({ x, r }) => (side === 'right' ? x + r > 1e-6 : x - r < -1e-6));
          expect(paths.length > 0).toBe(reach);
        },
      ),
      { numRuns: 100 },
    );
  });
});
